package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.core.time.FrameSet;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.history.HistoryStore;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.proof.Reproof;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files that are made, some of whose frames are rendered again, and that are made anew. */
class RemakeTest {

    @TempDir
    Path folder;

    private Places places;
    private Path frames;
    private Path out;

    @BeforeEach
    void layOut() {
        places = TestPlaces.in(folder);
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    private FileProgress make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, places, _ -> {})) {
            FileProgress made = run.outcome().get(300, TimeUnit.SECONDS).files().getFirst();
            assertThat(made.stage()).as(made.why()).isEqualTo(Stage.DELIVERED);
            return made;
        }
    }

    private RunPlan planOf(Path file) throws IOException {
        String print = Durable.sha256(file);
        return HistoryStore.at(places.history()).entries().stream().filter(e -> e.sha256().equals(print)).findFirst().orElseThrow().plan();
    }

    private void renderAgain(int number, int as) throws IOException {
        Files.copy(frames.resolve("kite.%04d.png".formatted(as)), frames.resolve("kite.%04d.png".formatted(number)),
                StandardCopyOption.REPLACE_EXISTING);
    }

    @ParameterizedTest
    @ValueSource(strings = {"edit-prores-hq", "frames-png"})
    void onlyTouchedPartsAreEncoded(String target) throws Exception {
        onlyTouchedPartsAreEncodedAndTheFileIsAsIfMadeAnew(target);
    }

    @ParameterizedTest
    @Tag("torture")
    @ValueSource(strings = {"archive-ffv1", "edit-cineform", "alpha-rle", "edit-prores-422", "archive-v210"})
    void onlyTouchedPartsAreEncodedAndTheFileIsAsIfMadeAnew(String target) throws Exception {
        KiteFrames.png(frames, "kite", 1, 250, true);
        Path first = Path.of(make(KiteFrames.plan(frames, out, List.of(target))).path());
        renderAgain(131, 200);
        renderAgain(132, 201);
        Remake remake = Remake.of(first, planOf(first));
        assertThat(remake.outdated()).hasToString("130-131");
        assertThat(remake.partsFor(remake.outdated())).isEqualTo(1);
        Path second = Path.of(make(remake.plan(remake.outdated())).path());
        assertThat(second).isNotEqualTo(first).exists();
        assertThat(Reproof.of(second).reasons()).isEmpty();
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(second));
        int parts = receipt.parts().size();
        assertThat(receipt.notes())
                .anyMatch(n -> n.contains("frames 130-131 changed; " + (parts - 1) + " of " + parts + " parts were taken over"));
        List<Receipt.FrameLine> before = ReceiptFile.read(ReceiptFile.of(first)).frames();
        for (int i = 0; i < before.size(); i++) {
            boolean changed = i == 130 || i == 131;
            assertThat(receipt.frames().get(i).crc().equals(before.get(i).crc())).as("frame " + i).isEqualTo(!changed);
        }
        // Made whole from the frames as they are now, it has the very same pictures.
        Path whole = Path.of(make(KiteFrames.plan(frames, folder.resolve("whole"), List.of(target))).path());
        assertThat(ReceiptFile.read(ReceiptFile.of(whole)).frames()).extracting(Receipt.FrameLine::crc)
                .isEqualTo(receipt.frames().stream().map(Receipt.FrameLine::crc).toList());
    }

    @Test
    @Tag("slow")
    void longGroupsAreTakenOverToo() throws Exception {
        KiteFrames.png(frames, "kite", 1, 1020, false);
        Path first = Path.of(make(KiteFrames.plan(frames, out, List.of("web-h264"))).path());
        Remake remake = Remake.of(first, planOf(first));
        FrameSet shown = remake.showing(FrameSet.builder().add(700).build());
        assertThat(shown).hasToString("699");
        Path second = Path.of(make(remake.plan(shown)).path());
        assertThat(Reproof.of(second).reasons()).isEmpty();
        assertThat(second).as("nothing was rendered again, so nothing changed").hasSameBinaryContentAs(first);
    }

    @Test
    void whatWasChangedSinceIsntTakenForTheFile() throws Exception {
        KiteFrames.png(frames, "kite", 1, 30, false);
        Path first = Path.of(make(KiteFrames.plan(frames, out, List.of("edit-prores-hq"))).path());
        RunPlan plan = planOf(first);
        KiteFrames.cut(first, .9);
        assertThatThrownBy(() -> Remake.of(first, plan)).isInstanceOf(IOException.class).hasMessageContaining("changed since it was made");
    }
}
