package dev.vat.testkit.tour;

import dev.vat.core.preview.Preview;
import dev.vat.desktop.window.VatWindow;
import dev.vat.testkit.InterfaceThread;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.concurrent.ExecutionException;

/** Cameras of the stand-in scene: captured, seen through time, strung together. */
final class PreviewsTour extends Station {

    PreviewsTour(VatWindow window, Path folder, Path shots) {
        super(window, folder, shots);
    }

    /** Cameras of the stand-in scene: captured, seen through time, strung together; then the demo's reel is there again. */
    void previews() throws IOException, InterruptedException, ExecutionException {
        press("face-in");
        act(() -> window.mainView().press("start-scene"));
        await("the scene", () -> !session().scenes().all().isEmpty() && session().scenes().all().getFirst().picture("sand").isPresent());
        press("capture-pier");
        press("capture-test");
        await("the test frame", () -> window.mainView().lookup("#capture-picture") != null);
        shoot("capture");
        int before = InterfaceThread.on(() -> session().previews().all().size());
        press("capture-now");
        captured(before + 1);
        act(() -> {
            try {
                session().scenes().standIn().orElseThrow().take(2);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        await("the change", () -> session().scenes().all().getFirst().facts().orElseThrow().revision() == 2);
        press("capture-all");
        captured(before + 4);
        press("story-pier");
        await("the previews", () -> window.mainView().lookup("#tick-pier_v002") != null);
        act(() -> session().previews().approve(session().previews().of(session().scenes().all().getFirst().name(), "pier").getLast(),
                true));
        await("the approval", () -> session().previews().all().stream().anyMatch(Preview::approved));
        shoot("previews");
        press("close-story");
        press("director-reel");
        seek(250);
        shoot("director");
        act(() -> {
            while (session().project().reels().size() > 1
                    || session().project().sources().stream().anyMatch(s -> session().previews().of(s).isPresent())) {
                session().undo();
            }
        });
        press("face-out");
    }

    private void captured(int kept) throws InterruptedException, ExecutionException {
        await(kept + " previews", () -> !session().previews().captures().isGoing() && session().previews().all().size() == kept);
    }
}
