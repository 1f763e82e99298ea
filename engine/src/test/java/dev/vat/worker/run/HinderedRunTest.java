package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.proof.Expectation;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.Delivery;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.worker.proof.Reproof;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** Runs that are stopped, paused, or find other frames than were checked. */
class HinderedRunTest extends RunCase {

    @Test
    void aFrameThatWentBadAfterItsCheckFailsTheFilesByName() throws Exception {
        KiteFrames.png(frames, "kite", 1, 20, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"));
        KiteFrames.cut(frames.resolve("kite.0015.png"), .5);
        Run.Outcome outcome = make(plan);
        assertThat(outcome.files()).singleElement().satisfies(f -> {
            assertThat(f.stage()).isEqualTo(Stage.FAILED);
            assertThat(f.why()).contains("kite.0015.png").contains("cut short");
        });
        assertThat(names(out)).noneMatch(n -> n.startsWith("kite"));
    }

    @Test
    void aStopKeepsClosedPartsAndDiscardClearsThem() throws Exception {
        KiteFrames.png(frames, "kite", 1, 3000, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq"));
        CompletableFuture<Void> pastOnePart = new CompletableFuture<>();
        try (Run run = Run.start(plan, places, p -> {
            if (p.files().getFirst().done() > 110) {
                pastOnePart.complete(null);
            }
        })) {
            pastOnePart.get(300, TimeUnit.SECONDS);
            run.stop();
            Run.Outcome outcome = run.outcome().get(300, TimeUnit.SECONDS);
            assertThat(outcome.stopped()).isTrue();
            assertThat(outcome.files()).singleElement().satisfies(f -> assertThat(f.stage()).isEqualTo(Stage.STOPPED));
            RunHome home = run.home();
            assertThat(home.journal()).hasAtLeastOneElementOfType(JournalEntry.PartClosed.class);
            assertThat(home.isInterrupted()).as("it ended by itself").isFalse();
            assertThat(home.unfinished()).hasSize(1);
            home.discard();
        }
        assertThat(names(out)).isEmpty();
        assertThat(RunHome.all(places)).isEmpty();
    }

    @Test
    void aFrameThatIsWrittenAnewDuringTheRunIsNamed() throws Exception {
        KiteFrames.png(frames, "kite", 1, 5, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"));
        Files.setLastModifiedTime(frames.resolve("kite.0004.png"), FileTime.from(Instant.parse("2031-05-04T12:00:00Z")));
        assertThat(make(plan).files()).singleElement().satisfies(f -> {
            assertThat(f.stage()).isEqualTo(Stage.FAILED);
            assertThat(f.why()).contains("kite.0004.png was written since it was checked");
        });
    }

    /** Neither its length nor its time says so. */
    @Test
    void aFrameWhosePictureIsAnotherThanWhenItWasCheckedIsNamed() throws Exception {
        Files.createDirectories(frames);
        for (int i = 1; i <= 4; i++) {
            ImageIO.write(new BufferedImage(64, 48, BufferedImage.TYPE_3BYTE_BGR), "bmp",
                    frames.resolve("kite.%04d.bmp".formatted(i)).toFile());
        }
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"));
        Path frame = frames.resolve("kite.0003.bmp");
        FileTime before = Files.getLastModifiedTime(frame);
        byte[] data = Files.readAllBytes(frame);
        data[data.length - 100] = 77;
        Files.write(frame, data);
        Files.setLastModifiedTime(frame, before);
        assertThat(make(plan).files()).singleElement().satisfies(f -> {
            assertThat(f.stage()).isEqualTo(Stage.FAILED);
            assertThat(f.why()).contains("kite.0003.bmp shows something else than when it was checked");
        });
    }

    @Test
    void pausingReadsNothingMoreUntilItGoesOn() throws Exception {
        KiteFrames.png(frames, "kite", 1, 900, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq"));
        CompletableFuture<Void> going = new CompletableFuture<>();
        CompletableFuture<Long> resting = new CompletableFuture<>();
        List<RunMessage.Progress> told = new CopyOnWriteArrayList<>();
        try (Run run = Run.start(plan, places, p -> {
            told.add(p);
            if (p.paused()) {
                resting.complete(p.framesRead());
            } else if (p.framesRead() > 10) {
                going.complete(null);
            }
        })) {
            going.get(300, TimeUnit.SECONDS);
            run.pause(true);
            assertThat(resting.get(300, TimeUnit.SECONDS)).isBetween(11L, 899L);
            assertThat(run.outcome()).isNotDone();
            assertThat(told).as("nothing was read after that").last().matches(RunMessage.Progress::paused);
            run.pause(false);
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files()).extracting(FileProgress::stage).containsExactly(Stage.DELIVERED);
        }
    }

    /** The plan expects what the file can't be: the proof fails for real, and the file stays out of sight until it is wanted. */
    @Test
    void aFileThatIsntAsPlannedIsKeptBackUntilSomebodyTakesIt() throws Exception {
        KiteFrames.png(frames, "kite", 1, 10, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq"));
        RunFile file = plan.files().getFirst();
        Expectation e = file.expected();
        Expectation wrong = new Expectation(11, e.rate(), e.size(), e.pixelAspect(), e.container(), e.codec(), e.profile(), e.codedBits(),
                e.readBits(),
                e.chroma(), e.alphaBits(), e.matrix(), e.primaries(), e.transfer(), "full", 0, null, false, null, null, null, null,
                e.timecode(), null, null, null, null, null);
        RunPlan demanding = plan.withFiles(List.of(file.withExpected(wrong)));
        try (Run run = Run.start(demanding, places, _ -> {})) {
            FileProgress made = run.outcome().get(300, TimeUnit.SECONDS).files().getFirst();
            assertThat(made.stage()).isEqualTo(Stage.UNPROVEN);
            assertThat(made.why()).contains("frames: 11 was planned, 10 was found").contains("range: full was planned, limited was found");
            assertThat(Path.of(made.path())).exists();
            assertThat(names(out)).allMatch(n -> n.startsWith(".vat-"));
            assertThat(ReceiptFile.read(Path.of(made.receipt())).proven()).isFalse();
            Path taken = Delivery.useAnyway(run.home(), "edit-prores-hq");
            assertThat(taken).isEqualTo(out.resolve("kite_edit.mov")).exists();
            assertThat(ReceiptFile.read(ReceiptFile.of(taken)).usedAnyway()).isNotBlank();
            assertThat(Reproof.of(taken).reasons()).anyMatch(r -> r.contains("never was proven"));
            run.home().discard();
        }
        assertThat(names(out)).containsExactly("kite_edit.mov", "kite_edit.mov.receipt.json");
    }
}
