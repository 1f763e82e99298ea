package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.GapPolicy;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.history.HistoryStore;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.worker.proof.Reproof;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Real runs in real worker processes, whole, stopped and killed. */
class RunTest extends RunCase {

    @Test
    void threeFilesFromOneReadAreProvenAndNothingElseIsLeft() throws Exception {
        KiteFrames.png(frames, "kite", 1001, 30, true);
        Run.Outcome outcome = make(KiteFrames.plan(frames, out, ALL, DeliverableEdits.setFlatten("web-h264", Ground.parse("204060"))));
        assertThat(outcome.files()).allSatisfy(f -> assertThat(f.stage()).as(f.target() + " " + f.why()).isEqualTo(Stage.DELIVERED));
        assertThat(names(out)).containsExactly("kite_alpha.mov", "kite_alpha.mov.receipt.json", "kite_edit.mov",
                "kite_edit.mov.receipt.json",
                "kite_web.mp4", "kite_web.mp4.receipt.json");

        Receipt alpha = ReceiptFile.read(out.resolve("kite_alpha.mov.receipt.json"));
        assertThat(alpha.proven()).isTrue();
        assertThat(alpha.found().alphaBits()).isEqualTo(16);
        assertThat(alpha.comparison().lines()).filteredOn(l -> l.name().equals("depth")).singleElement()
                .satisfies(l -> assertThat(l.found()).isEqualTo("10 coded, read as 12"));
        assertThat(alpha.comparison().lines()).filteredOn(l -> l.name().equals("alpha")).singleElement()
                .satisfies(l -> assertThat(l.found()).isEqualTo("16-bit, straight"));
        Receipt web = ReceiptFile.read(out.resolve("kite_web.mp4.receipt.json"));
        assertThat(web.rateOrigin()).isEqualTo("chosen by the user");
        assertThat(web.frames()).hasSize(30).allSatisfy(f -> assertThat(f.crc()).matches("[0-9a-f]{8}"));
        assertThat(web.quality().worstPsnr()).isGreaterThan(35);
        assertThat(web.quality().worstSource()).startsWith("kite.").endsWith(".png");
        assertThat(web.notes()).anyMatch(n -> n.contains("flattened on #204060"));
        assertThat(web.found().soundTracks()).isZero();
        assertThat(web.found().indexInFront()).isTrue();
        String text = Files.readString(out.resolve("kite_web.mp4.receipt.json"));
        assertThat(text).as("no folder, user or machine name").doesNotContain(folder.toString())
                .doesNotContain(System.getProperty("user.home") + "/");

        assertThat(HistoryStore.at(places.history()).entries()).hasSize(3).allSatisfy(e -> assertThat(e.proven()).isTrue());
        for (String name : List.of("kite_web.mp4", "kite_edit.mov", "kite_alpha.mov")) {
            assertThat(Reproof.of(out.resolve(name)).reasons()).isEmpty();
        }
    }

    @Test
    void fillsAreHeldOrCardedAndListed() throws Exception {
        KiteFrames.png(frames, "kite", 1, 20, false);
        Files.delete(frames.resolve("kite.0006.png"));
        Files.write(frames.resolve("kite.0009.png"), new byte[0]);
        KiteFrames.cut(frames.resolve("kite.0012.png"), .6);
        make(KiteFrames.plan(frames, out, List.of("edit-prores-hq"), SourceEdits.setGap("s1", GapPolicy.HOLD)));
        Receipt held = ReceiptFile.read(out.resolve("kite_edit.mov.receipt.json"));
        assertThat(held.fills()).extracting(Receipt.Fill::wanted).containsExactly(6L, 9L, 12L);
        assertThat(held.fills().getFirst().shown()).isEqualTo("frame 5 held");
        assertThat(held.frames().get(5).crc()).as("the held frame is the one before it").isEqualTo(held.frames().get(4).crc());
        assertThat(held.found().frames()).isEqualTo(20);

        make(KiteFrames.plan(frames, out, List.of("edit-prores-hq"), SourceEdits.setGap("s1", GapPolicy.CARD)));
        Receipt card = ReceiptFile.read(out.resolve("kite_edit_v02.mov.receipt.json"));
        assertThat(card.fills()).hasSize(3);
        assertThat(card.fills().get(1).shown()).contains("card: empty");
        assertThat(card.frames().get(5).crc()).isNotEqualTo(card.frames().get(4).crc());
    }

    @Test
    void severalPartsJoinToTheSameFramesAsOne() throws Exception {
        KiteFrames.png(frames, "kite", 1, 110, false);
        make(KiteFrames.plan(frames, out, List.of("edit-prores-hq")));
        Receipt receipt = ReceiptFile.read(out.resolve("kite_edit.mov.receipt.json"));
        assertThat(receipt.parts()).extracting(Receipt.PartLine::count).containsExactly(100L, 10L);
        assertThat(receipt.found().evenSpacing()).isTrue();
        assertThat(receipt.proven()).isTrue();
    }

    /** On a small machine the frames are read once more, and nothing else is different. */
    @Test
    void filesThatDontFitIntoMemoryTogetherAreMadeOneAfterTheOther() throws Exception {
        KiteFrames.png(frames, "kite", 1, 30, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "archive-ffv1"));
        List<Long> read = new ArrayList<>();
        Files.createDirectories(out);
        new Runner(RunHome.create(places, plan), m -> {
            if (m instanceof RunMessage.Progress p) {
                read.add(p.framesRead());
            }
        }).within(1).run();
        assertThat(names(out)).containsExactly("kite_archive.mkv", "kite_archive.mkv.receipt.json", "kite_edit.mov",
                "kite_edit.mov.receipt.json");
        RunPlan together = KiteFrames.plan(frames, folder.resolve("together"), List.of("edit-prores-hq", "archive-ffv1"));
        make(together);
        assertThat(out.resolve("kite_edit.mov")).hasSameBinaryContentAs(folder.resolve("together/kite_edit.mov"));
        assertThat(out.resolve("kite_archive.mkv")).hasSameBinaryContentAs(folder.resolve("together/kite_archive.mkv"));
        assertThat(read.getLast()).isEqualTo(30);
    }

    @Test
    @Tag("torture")
    void theSamePlanMakesTheSameBytes() throws Exception {
        KiteFrames.png(frames, "kite", 1, 12, false);
        make(KiteFrames.plan(frames, out, ALL));
        make(KiteFrames.plan(frames, out, ALL));
        for (String name : List.of("kite_web%s.mp4", "kite_edit%s.mov", "kite_alpha%s.mov")) {
            assertThat(out.resolve(name.formatted("_v02"))).hasSameBinaryContentAs(out.resolve(name.formatted("")));
        }
    }

    @Test
    void filesThatAreProvenAgainAreFoundChanged() throws Exception {
        KiteFrames.png(frames, "kite", 1, 12, false);
        make(KiteFrames.plan(frames, out, List.of("edit-prores-hq")));
        Path file = out.resolve("kite_edit.mov");
        byte[] data = Files.readAllBytes(file);
        data[data.length / 2] ^= 0x55;
        Files.write(file, data);
        assertThat(Reproof.of(file).reasons()).isNotEmpty().first().asString().contains("SHA-256");
        Files.write(file, java.util.Arrays.copyOf(data, data.length / 2));
        assertThat(Reproof.of(file).reasons()).hasSizeGreaterThan(1);
    }

    @Test
    void worksOnlyInFoldersThatCarryItsOwnName() throws Exception {
        KiteFrames.png(frames, "kite", 1, 3, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"));
        RunHome home = RunHome.create(places, plan);
        Path foreign = RunHome.workFolder(plan, plan.files().getFirst());
        Files.createDirectories(foreign);
        Files.writeString(foreign.resolve("run.json"), "{\"run\":\"somebody-else\",\"target\":\"web-h264\"}");
        home.discard();
        assertThat(foreign.resolve("run.json")).exists();
        assertThat(home.folder()).doesNotExist();
    }

    /** Frames of several kinds in one reel, one of them linear. */
    @Test
    void displayCodedAndLinearItemsStandInOneReel() throws Exception {
        KiteFrames.png(frames.resolve("a"), "kite", 1, 5, false);
        Files.createDirectories(frames.resolve("b"));
        for (int i = 0; i < 5; i++) {
            Files.write(frames.resolve("b").resolve("glow.%04d.exr".formatted(i + 1)), KiteFrames.exr(i));
        }
        Run.Outcome outcome = make(KiteFrames.plan(frames, out, List.of("edit-prores-hq")));
        assertThat(outcome.files()).extracting(FileProgress::stage).containsExactly(Stage.DELIVERED);
        Receipt receipt = ReceiptFile.read(out.resolve("kite_edit.mov.receipt.json"));
        assertThat(receipt.sources()).extracting(Receipt.SourceLine::name).containsExactly("kite.####.png", "glow.####.exr");
        assertThat(receipt.notes()).anyMatch(n -> n.contains("sRGB curve"));
        assertThat(receipt.frames()).hasSize(10);
    }

    /** A folder of stills is delivered as one, under the source's own numbers, and never into a folder that is there. */
    @Test
    void framesAreDeliveredAsAFolderAndProvenAgain() throws Exception {
        KiteFrames.png(frames, "kite", 11, 9, false);
        Files.createDirectories(out.resolve("kite_frames"));
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png", "web-h264"));
        List<FileProgress> made;
        try (Run run = Run.start(plan, places, _ -> {})) {
            made = run.outcome().get(300, TimeUnit.SECONDS).files();
        }
        assertThat(made).extracting(FileProgress::stage).containsOnly(Stage.DELIVERED);
        Path folder = out.resolve("kite_frames_v02");
        assertThat(made.getFirst().path()).isEqualTo(folder.toString());
        try (var stills = Files.list(folder)) {
            assertThat(stills.map(f -> f.getFileName().toString()).sorted()).startsWith("kite_frames.0011.png").hasSize(9)
                    .endsWith("kite_frames.0019.png");
        }
        assertThat(out.resolve("kite_frames")).isEmptyDirectory();
        assertThat(Reproof.of(folder).reasons()).isEmpty();
        Files.delete(folder.resolve("kite_frames.0013.png"));
        assertThat(Reproof.of(folder).reasons()).anyMatch(r -> r.contains("kite_frames.0013.png"));
    }

    @Test
    void aFileOfAWishedSizeIsReadTwiceAndNeverLarger() throws Exception {
        KiteFrames.png(frames, "kite", 1, 60, false);
        List<Stage> seen = new CopyOnWriteArrayList<>();
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264", "edit-prores-hq"),
                DeliverableEdits.setControl("web-h264", new RateControl.FileSize(20_000)));
        assertThat(plan.files()).extracting(RunFile::passes).containsExactly(2, 1);
        try (Run run = Run.start(plan, places,
                p -> p.files().stream().filter(f -> f.target().equals("web-h264")).forEach(f -> seen.add(f.stage())))) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.why()).isEqualTo(Stage.DELIVERED));
        }
        assertThat(seen).contains(Stage.FIRST_PASS);
        assertThat(Files.size(out.resolve("kite_web.mp4"))).isBetween(12_000L, 20_000L);
        assertThat(ReceiptFile.read(out.resolve("kite_web.mp4.receipt.json")).comparison().lines())
                .filteredOn(l -> l.name().equals("bytes")).singleElement()
                .satisfies(l -> assertThat(l.planned()).isEqualTo("at most 20.0 kB"));
    }

    /** Sources are only ever read. */
    @Test
    void sourcesAreNeverTouched() throws Exception {
        KiteFrames.png(frames, "kite", 1, 5, false);
        List<String> before = describe(frames);
        make(KiteFrames.plan(frames, out, ALL));
        assertThat(describe(frames)).isEqualTo(before);
    }

    private static List<String> describe(Path folder) throws IOException {
        try (Stream<Path> tree = Files.walk(folder)) {
            return tree.sorted(Comparator.naturalOrder()).map(p -> {
                try {
                    return p + " " + Files.getLastModifiedTime(p) + " " + Files.size(p);
                } catch (IOException e) {
                    throw new AssertionError(e);
                }
            }).toList();
        }
    }
}
