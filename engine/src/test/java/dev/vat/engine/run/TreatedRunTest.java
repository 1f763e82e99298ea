package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Scan;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.time.Rate;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.worker.proof.Reproof;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Real runs in which pictures are changed on their way: high range, mattes, looks, fields, stills that move. */
class TreatedRunTest {

    @TempDir
    Path folder;

    private Path frames;
    private Path out;

    @BeforeEach
    void layOut() {
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    private void make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
        }
    }

    private Receipt receipt(String name) throws Exception {
        Path file = out.resolve(name);
        assertThat(Reproof.of(file).reasons()).isEmpty();
        return ReceiptFile.read(ReceiptFile.of(file));
    }

    @Test
    void lightGoesIntoHighAndOrdinaryRangeFromOneRead() throws Exception {
        Files.createDirectories(frames);
        for (int i = 1; i <= 8; i++) {
            Files.write(frames.resolve("light.%04d.exr".formatted(i)), KiteFrames.exr(i));
        }
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264", "hdr-pq", "hdr-hlg", "frames-exr"));
        assertThat(plan.pictureKinds()).extracting(PictureKind::format).containsExactly(WorkingFormat.W16, WorkingFormat.HIGH);
        make(plan);
        assertThat(receipt("light_pq.mp4").found().transfer()).isEqualTo("smpte2084");
        assertThat(receipt("light_hlg.mp4").found().matrix()).isEqualTo("bt2020nc");
        assertThat(receipt("light_hlg.mp4").notes()).anyMatch(n -> n.contains("HLG curve up to 1000"));
        assertThat(receipt("light_web.mp4").found().transfer()).isEqualTo("bt709");
        assertThat(receipt("light_exr").frames()).hasSize(8);
    }

    @Test
    void aMatteIsASecondFileAndALookAndAPictureBehindAreSaid() throws Exception {
        KiteFrames.png(frames, "kite", 1, 10, true);
        Path sky = Files.copy(frames.resolve("kite.0001.png"), folder.resolve("sky.png"));
        Path look = Files.writeString(folder.resolve("dusk.cube"), "LUT_1D_SIZE 2\n0 0 0\n.8 .7 .6\n");
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "web-h264"),
                DeliverableEdits.setMatte("edit-prores-hq", true),
                DeliverableEdits.setLook("edit-prores-hq", Look.of(look)),
                DeliverableEdits.setFlatten("web-h264", new Ground.Still(sky.toString())));
        assertThat(plan.files()).extracting(RunFile::fileName).containsExactly("kite_edit.mov", "kite_edit_matte.mov",
                "kite_web.mp4");
        make(plan);
        assertThat(receipt("kite_edit.mov").notes()).anyMatch(n -> n.startsWith("look dusk.cube ("));
        assertThat(receipt("kite_edit_matte.mov").notes()).anyMatch(n -> n.contains("white is opaque"));
        assertThat(receipt("kite_web.mp4").notes()).contains("transparent places flattened on sky.png");
    }

    @Test
    void aDraftSaysSoInNamePictureAndReceipt() throws Exception {
        KiteFrames.png(frames, "kite", 1, 8, false);
        make(KiteFrames.plan(frames, out, List.of("edit-prores-hq"), DeliverableEdits.accept("edit-prores-hq", "far-enlarged"),
                DeliverableEdits.setDraft(true)));
        Receipt draft = receipt("kite_edit_draft.mov");
        assertThat(draft.draft()).isTrue();
        assertThat(draft.found().size().width()).isEqualTo(KiteFrames.WIDTH / 2);
        assertThat(draft.notes()).contains("said yes to all the same: far-enlarged").anyMatch(n -> n.startsWith("draft: half size"));
    }

    /** Eleven moments make six frames: the last stands in both fields. */
    @Test
    void twoMomentsAreWovenIntoEachInterlacedFrame() throws Exception {
        KiteFrames.png(frames, "kite", 1, 11, false);
        RunPlan plan = KiteFrames.plan(frames, out, List.of("edit-prores-hq", "web-h264"), Edits.setRateEverywhere(Rate.of(50)),
                DeliverableEdits.setFraming("edit-prores-hq", Framing.FOLLOWS.withScan(Scan.BOTTOM_FIRST)));
        make(plan);
        Receipt woven = receipt("kite_edit.mov");
        assertThat(woven.found().frames()).isEqualTo(6);
        assertThat(woven.found().rate()).isEqualTo(Rate.FPS_25);
        assertThat(woven.found().scan()).isEqualTo("interlaced, bottom field first");
        assertThat(woven.quality().worstSource()).matches("kite\\.00(01|03|05|07|09|11)\\.png");
        assertThat(receipt("kite_web.mp4").found().frames()).isEqualTo(11);
    }

    @Test
    void stillsThatMoveAreMadeAndProven() throws Exception {
        KiteFrames.png(frames, "kite", 1, 12, true);
        make(KiteFrames.plan(frames, out, List.of("web-gif", "web-apng", "web-webp"),
                DeliverableEdits.setCodec("web-gif", Catalogue.codec("gif-alpha")),
                DeliverableEdits.follow("web-apng", d -> d.withLoops(3))));
        assertThat(receipt("kite_gif-alpha.gif").found().alphaBits()).isEqualTo(1);
        assertThat(receipt("kite_apng.apng").found().loops()).isEqualTo(3);
        assertThat(receipt("kite_webp.webp").found().frames()).isEqualTo(12);
        assertThat(ColourCoding.find("webp")).isPresent();
    }

    /** Of a picture that nothing shows through, animated WebP and GIF say nothing of alpha. */
    @Test
    void stillsThatMoveNeedNoAlpha() throws Exception {
        KiteFrames.png(frames, "kite", 1, 4, false);
        make(KiteFrames.plan(frames, out, List.of("web-gif", "web-apng", "web-webp"),
                DeliverableEdits.setCodec("web-gif", Catalogue.codec("gif-alpha"))));
        assertThat(receipt("kite_webp.webp").found().frames()).isEqualTo(4);
    }
}
