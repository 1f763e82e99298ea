package dev.vat.cli;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.engine.process.Task;
import dev.vat.protocol.RenderOrder;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "render", mixinStandardHelpOptions = true)
final class SceneRenderCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(SceneRenderCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(paramLabel = "DIR")
    private Path folder;

    @Option(names = "--camera", defaultValue = "pier")
    private String camera;

    @Option(names = "--range", paramLabel = "FIRST-LAST", defaultValue = "1-184")
    private String range;

    @Option(names = "--size", paramLabel = "WxH", defaultValue = "960x540")
    private String size;

    @Option(names = "--name")
    private String name;

    @Option(names = "--exr")
    private boolean exr;

    @Option(names = "--take", defaultValue = "1")
    private int take;

    @Option(names = "--lead-in", paramLabel = "FRAMES", defaultValue = "0")
    private long leadIn;

    @Option(names = "--slow", paramLabel = "MILLIS", defaultValue = "0")
    private long slow;

    @Option(names = "--jumbled")
    private boolean jumbled;

    @Option(names = "--crash", paramLabel = "FRAME")
    private Long crash;

    @Option(names = "--flaw", paramLabel = "KIND@FRAME")
    private List<String> flaws = new ArrayList<>();

    @Option(names = "--json")
    private boolean json;

    SceneRenderCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        RenderOrder order = order();
        try {
            Task.ask(places, new TaskMessage.Render(1, order), message -> {
                if (message instanceof TaskMessage.Rendered rendered) {
                    output.event("frame", "frame", rendered.frame());
                    output.say(order.fileName(rendered.frame()));
                }
            }, message -> message instanceof TaskMessage.Rendered rendered && rendered.last());
        } catch (IOException e) {
            throw new CommandFailure(ExitCode.FAILED, WORDS.say("theRenderEnded", e.getMessage()));
        }
        return ExitCode.PROVEN.code();
    }

    private RenderOrder order() {
        try {
            return new RenderOrder(folder.toAbsolutePath().normalize().toString(), name == null ? camera : name, camera,
                    FrameRange.parse(range), Size.parse(size), exr, take, leadIn, slow,
                    jumbled, crash, flaws.stream().map(RenderOrder.Flaw::parse).toList());
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
    }
}
