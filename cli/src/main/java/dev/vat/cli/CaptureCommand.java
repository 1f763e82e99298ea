package dev.vat.cli;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.CaptureAdvice;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.engine.capture.Captures;
import dev.vat.protocol.CaptureMessage;
import dev.vat.protocol.feed.SceneFeed;
import dev.vat.protocol.feed.SceneNotice;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "capture", mixinStandardHelpOptions = true)
final class CaptureCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(CaptureCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(paramLabel = "CAMERA", arity = "0..*")
    private List<String> cameras = List.of();

    @Option(names = "--range", paramLabel = "FIRST-LAST")
    private String range;

    @Option(names = "--size", paramLabel = "WxH")
    private String size;

    @Option(names = "--step", paramLabel = "N", defaultValue = "1")
    private long step;

    @Option(names = "--lead-in", paramLabel = "FRAMES")
    private Long leadIn;

    @Option(names = "--no-mark")
    private boolean noMark;

    @Option(names = "--json")
    private boolean json;

    CaptureCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        try (Captures captures = new Captures(places)) {
            return capture(captures);
        }
    }

    private int capture(Captures captures) throws IOException, InterruptedException {
        captures.recover().forEach(this::tell);
        SceneNotice notice = SceneNotice.in(places.scenes()).stream().findFirst()
                .orElseThrow(() -> new CommandFailure(ExitCode.FAILED, WORDS.say("noSceneRunsOnThisMachine")));
        SceneFacts scene;
        try (SceneFeed feed = SceneFeed.connect(notice, _ -> {})) {
            scene = feed.describe();
        }
        if (cameras.isEmpty()) {
            scene.cameras().forEach(c -> {
                output.event("camera", "id", c.id(), "title", c.title(), "keyed", c.keyed());
                output.answer(c.id() + "  " + c.title() + (c.keyed() == null ? "" : "  " + CaptureAdvice.range(c.keyed())));
            });
            return ExitCode.PROVEN.code();
        }
        boolean whole = true;
        List<CaptureWish> wishes = cameras.stream().map(id -> wish(scene, id)).toList();
        for (CaptureWish wish : wishes) {
            CaptureAdvice.of(scene, wish).forEach(a -> output.say(wish.camera() + ": " + a.text()));
            try (Captures.Going going = captures.start(notice, wish,
                    p -> output.event("capturing", "camera", wish.camera(), "drawn", p.drawn(), "frames", p.frames()))) {
                CaptureMessage.Captured captured = SceneFeed.await(going.result());
                if (captured.preview() == null) {
                    throw new CommandFailure(ExitCode.FAILED, WORDS.say("nothingOfWasCaptured", wish.camera(), captured.why()));
                }
                tell(captured.preview());
                whole &= captured.preview().isWhole();
            }
        }
        return (whole ? ExitCode.PROVEN : ExitCode.FAILED).code();
    }

    private CaptureWish wish(SceneFacts scene, String id) {
        CameraFacts camera = scene.camera(id)
                .orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE, WORDS.say("hasNoCamera", scene.name(), id)));
        try {
            CaptureWish wish = CaptureWish.of(scene, camera);
            wish = range == null ? wish : wish.withRange(FrameRange.parse(range));
            wish = size == null ? wish : wish.withSize(Size.parse(size));
            return wish.withEvery(step).withLeadIn(leadIn == null ? wish.leadIn() : leadIn).withDraft(!noMark);
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
    }

    private void tell(Preview preview) {
        String path = PreviewStore.in(places).movie(preview).toString();
        output.event("captured", "path", path, "drawn", preview.drawn(), "wished", preview.wish().drawn(), "why", preview.why());
        output.answer(
                WORDS.say("ofFrames", path, preview.drawn(), preview.wish().drawn(), (preview.why() == null ? "" : ": " + preview.why()),
                        (preview.idle() == null ? "" : WORDS.say("nothingMovesAfter", CaptureAdvice.number(preview.idle())))));
    }
}
