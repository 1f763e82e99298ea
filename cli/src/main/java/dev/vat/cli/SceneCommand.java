package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.engine.process.WorkerLost;
import dev.vat.engine.standin.SceneProcess;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Places;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "scene", mixinStandardHelpOptions = true, subcommands = {SceneRenderCommand.class},
        description = "Runs the stand-in scene, Marram Flats, for previews to be taken from, until it is interrupted. "
                + "A line 'take 2' on its input changes how the kites are flown.")
final class SceneCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(SceneCommand.class);

    private final Output output;
    private final Places places;

    @Option(names = "--take", defaultValue = "1", description = "How the kites are flown, from 1.")
    private int take;

    @Option(names = "--slow", paramLabel = "MILLIS", defaultValue = "0", description = "How much longer each picture takes than it has to.")
    private long slow;

    @Option(names = "--files", description = "Hand pictures over as files only.")
    private boolean files;

    @Option(names = "--json", description = "JSON lines on standard output.")
    private boolean json;

    SceneCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        StandInBehaviour behaviour = StandInBehaviour.GOOD.withMillis(slow);
        CompletableFuture<WorkerLost> lost = new CompletableFuture<>();
        try (SceneProcess scene = SceneProcess.start(places, take, files ? behaviour.withFiles() : behaviour, lost::complete)) {
            Runtime.getRuntime().addShutdownHook(new Thread(scene::close));
            output.event("scene", "scene", scene.notice().scene(), "port", scene.notice().port());
            output.say(WORDS.say("marramFlatsRunsOnPortOf", scene.notice().port()));
            Thread.ofPlatform().daemon().start(() -> listen(scene));
            throw new IOException(WORDS.say("theSceneWasLost", lost.join().why()));
        }
    }

    /** Ends with the input, not with the scene. */
    private void listen(SceneProcess scene) {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(System.in, Charset.defaultCharset()))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.strip().matches("take [1-9]\\d{0,3}")) {
                    scene.take(Integer.parseInt(line.strip().substring(5)));
                    output.event("changed", "take", line.strip().substring(5));
                    output.say(WORDS.say("thisIsNow", line.strip()));
                } else if (!line.isBlank()) {
                    output.say(WORDS.say("meansNothingHereTake2Does", line));
                }
            }
        } catch (IOException e) {
            output.say(WORDS.say("nothingIsReadAnyMore", e.getMessage()));
        }
    }
}
