package dev.vat.testkit.tour;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.demo.DemoProject;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ExecutionException;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** What goes in: sources from all sides, their faults, a folder that fills. */
final class SourcesTour extends Station {

    SourcesTour(VatWindow window, Path folder, Path shots) {
        super(window, folder, shots);
    }

    /** What goes in, looked at from all sides. */
    void sources() throws IOException, InterruptedException, ExecutionException {
        act(() -> session().files().startAnew());
        shoot("empty");
        show(DemoProject.only(folder, s -> s.name().startsWith("sh010")));
        press("face-in");
        press("source-s7");
        shoot("kin");
        show(DemoProject.only(folder, s -> s.name().startsWith("glow")));
        press("source-s4");
        seek(20);
        shoot("reading");
        show(DemoProject.only(folder, s -> s.name().startsWith("sh015")));
        press("source-s10");
        act(() -> window.mainView().press("lanes"));
        seek(19);
        shoot("suspects");
        act(() -> window.mainView().press("lanes"));
        filling();
    }

    /** A folder that a render fills at this moment. */
    private void filling() throws IOException, InterruptedException, ExecutionException {
        Path place = Files.createDirectories(folder.resolve("sh030"));
        Path from = folder.resolve("sh010");
        for (int frame = 1001; frame <= 1022; frame++) {
            Path file = place.resolve("sh030.%04d.png".formatted(frame));
            byte[] data = Files.readAllBytes(from.resolve("sh010.%04d.png".formatted(frame)));
            Files.write(file, frame < 1022 ? data : Arrays.copyOf(data, data.length / 2));
            Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(14L * (1022 - frame) + (frame == 1001 ? 60 : 0))));
        }
        act(() -> {
            session().files().startAnew();
            session().search().bringIn(List.of(place));
        });
        await("the frames",
                () -> !session().search().isGoing() && !session().watch().isChecking() && session().watch().table("s1") != null);
        act(() -> {
            session().chooseRate(Rate.FPS_25);
            session().edit(SourceEdits.setExpected("s1", FrameRange.of(1001, 1040)));
            session().edit(DeliverableEdits.addTarget(Catalogue.target("web-h264")));
        });
        seek(20);
        shoot("filling");
        act(() -> session().files().startAnew());
        Durable.deleteTree(place);
    }

    void faults() throws IOException, InterruptedException, ExecutionException {
        show(DemoProject.faulty(folder));
        press("face-in");
        press("source-s2");
        act(() -> window.mainView().lookup("#band").fireEvent(new KeyEvent(
                KeyEvent.KEY_PRESSED, "", "", KeyCode.N, false, false, false, false)));
        shoot("faults");
    }
}
