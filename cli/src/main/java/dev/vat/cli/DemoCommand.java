package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.engine.WindowLauncher;
import dev.vat.engine.demo.DemoTour;
import dev.vat.engine.process.Task;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ServiceLoader;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "demo", mixinStandardHelpOptions = true)
final class DemoCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(DemoCommand.class);

    private final Output output;
    private final Places places;

    @Option(names = "--shots", paramLabel = "DIR")
    private Path shots;

    @Option(names = "--folder", paramLabel = "DIR")
    private Path folder;

    DemoCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path demo = folder != null ? folder.toAbsolutePath() : places.data().resolve("kite-week");
        WindowLauncher window = Vat.window();
        boolean offscreen = shots != null || !window.hasDisplay();
        if (!offscreen) {
            return window.demo(demo);
        }
        DemoTour tour = ServiceLoader.load(DemoTour.class).findFirst()
                .orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereIsNoDisplayHereToOpen")));
        if (shots == null) {
            output.say(WORDS.say("thereIsNoDisplayHereThe"));
        }
        if (!new DemoFolder(demo).isThere()) {
            output.say(WORDS.say("drawingTheDemosFramesInto", demo));
            Task.ask(places, new TaskMessage.DrawDemo(1, demo.toString()), message -> {
                if (message instanceof TaskMessage.Drawn drawn) {
                    output.say("  " + drawn.shot());
                }
            }, message -> message instanceof TaskMessage.Drawn drawn && drawn.last());
        }
        Path pictures = shots != null ? shots.toAbsolutePath() : demo.resolve("pictures");
        return tour.run(demo, pictures, shots == null);
    }
}
