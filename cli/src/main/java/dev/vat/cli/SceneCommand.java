package dev.vat.cli;

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
            output.say("Marram Flats runs on port " + scene.notice().port() + " of this machine alone; ctrl-C ends it.");
            Thread.ofPlatform().daemon().start(() -> listen(scene));
            throw new IOException("The scene was lost: " + lost.join().why());
        }
    }

    /** Ends with the input, not with the scene. */
    private void listen(SceneProcess scene) {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(System.in, Charset.defaultCharset()))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.strip().matches("take [1-9]\\d{0,3}")) {
                    scene.take(Integer.parseInt(line.strip().substring(5)));
                    output.event("changed", "take", line.strip().substring(5));
                    output.say("This is " + line.strip() + " now.");
                } else if (!line.isBlank()) {
                    output.say("'" + line + "' means nothing here; 'take 2' does.");
                }
            }
        } catch (IOException e) {
            output.say("Nothing is read any more: " + e.getMessage());
        }
    }
}
