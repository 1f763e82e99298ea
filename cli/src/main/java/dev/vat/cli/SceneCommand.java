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

@Command(name = "scene", mixinStandardHelpOptions = true, subcommands = {SceneRenderCommand.class})
final class SceneCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(SceneCommand.class);

    private final Output output;
    private final Places places;

    @Option(names = "--take", defaultValue = "1")
    private int take;

    @Option(names = "--slow", paramLabel = "MILLIS", defaultValue = "0")
    private long slow;

    @Option(names = "--files")
    private boolean files;

    @Option(names = "--json")
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
