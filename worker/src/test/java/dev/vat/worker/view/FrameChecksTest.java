package dev.vat.worker.view;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.ViewerMessage;
import dev.vat.worker.job.Steps;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FrameChecksTest {

    private static final int SIDE = 64;
    private static final long MINUTE = 60_000;
    /** Long for a picture of 64x64 on any machine. */
    private static final long PATIENCE = 10_000;

    @TempDir
    Path folder;

    @AfterEach
    void nobodyListens() {
        Steps.listen(_ -> {});
    }

    private ViewerMessage.Check frames(int count) throws IOException {
        float[] plane = new float[SIDE * SIDE];
        List<ViewerMessage.Check.File> files = new ArrayList<>();
        for (int n = 1; n <= count; n++) {
            Path file = folder.resolve("kite.%04d.png".formatted(n));
            Files.write(file, StillWriter.PNG16.write(new Samples(SIDE, SIDE, plane, plane, plane, null)));
            files.add(new ViewerMessage.Check.File(n, file.toString()));
        }
        return new ViewerMessage.Check(1, FileKind.PNG, false, PictureChoice.MAIN, files);
    }

    @Test
    void framesThatNeedMoreThanAllTheRoomAreLookedIntoOneAfterTheOther() throws Exception {
        try (FrameChecks checks = new FrameChecks("check-", 4, 1, MINUTE)) {
            assertThat(checks.check(frames(6), () -> {})).hasSize(6).allMatch(c -> c.state() == FrameState.GOOD);
        }
    }

    @Test
    void aFrameThatTakesTooLongIsGivenUpAndTheOthersAreLookedInto() throws Exception {
        CountDownLatch never = new CountDownLatch(1);
        // The first frame of all also brings the library in, which isn't what is waited for here.
        try (FrameChecks first = new FrameChecks("first-", 1, Long.MAX_VALUE, MINUTE)) {
            first.check(frames(1), () -> {});
        }
        Steps.listen(step -> {
            if (step.equals("check 2")) {
                never.await();
            }
        });
        try (FrameChecks checks = new FrameChecks("check-", 1, Long.MAX_VALUE, PATIENCE)) {
            List<FrameCheck> found = checks.check(frames(4), () -> {});
            assertThat(found).extracting(FrameCheck::state).containsExactly(FrameState.GOOD, FrameState.UNREADABLE, FrameState.GOOD,
                    FrameState.GOOD);
            assertThat(found.get(1).why()).contains("isn't decoded after");
        }
    }

    @Test
    void anErrorInOneFrameIsThatFramesAlone() throws Exception {
        Steps.listen(step -> {
            if (step.equals("check 3")) {
                throw new OutOfMemoryError("planted");
            }
        });
        try (FrameChecks checks = new FrameChecks("check-", 2)) {
            List<FrameCheck> found = checks.check(frames(4), () -> {});
            assertThat(found).extracting(FrameCheck::state).containsExactly(FrameState.GOOD, FrameState.GOOD, FrameState.UNREADABLE,
                    FrameState.GOOD);
            assertThat(found.get(2).why()).isEqualTo("there isn't enough memory for it");
        }
    }
}
