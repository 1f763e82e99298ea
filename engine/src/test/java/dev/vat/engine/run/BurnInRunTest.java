package dev.vat.engine.run;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.BarPattern;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Joint;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Json;
import dev.vat.worker.proof.Reproof;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.LongStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is written into pictures, from the reel to the finished file. */
class BurnInRunTest {

    private static final Line FRAME = new Line(new Wording(Field.SOURCE + " " + Field.FRAME), Spot.TOP_LEFT, 20, 100);

    @TempDir
    Path folder;

    private Path frames;
    private Path out;

    @BeforeEach
    void draw() throws IOException {
        frames = KiteFrames.png(folder.resolve("frames"), "sh010", 11, 3, false);
        out = folder.resolve("out");
    }

    private void make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, TestPlaces.in(folder), _ -> {})) {
            assertThat(run.outcome().get(300, TimeUnit.SECONDS).files())
                    .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
        }
    }

    private static RunFile file(RunPlan plan, String target) {
        return plan.files().stream().filter(f -> f.target().equals(target)).findFirst().orElseThrow();
    }

    private static List<String> words(RunPlan plan, String target) {
        RunFile file = file(plan, target);
        return LongStream.range(0, file.expected().frames()).mapToObj(f -> plan.letteringAt(file, f))
                .map(l -> String.join(" | ", l.lines().stream().map(Lettering.Written::text).toList())).toList();
    }

    @Test
    void oneRunMakesACleanMasterABurntInCopyAndOneWithItsOwnWords() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png", "frames-tiff", "web-h264"), ReelEdits.setStart("10:00:00:00"),
                ReelEdits.burnIn(BurnIn.of(FRAME)),
                ReelEdits.burnInItem(0, BurnIn.of(Line.of(new Wording("dunes"), Spot.BOTTOM))),
                DeliverableEdits.follow("frames-tiff", Deliverable::withCleanPictures),
                DeliverableEdits.follow("web-h264", d -> d.withBurnIn(BurnIn.of(Line.of(Wording.of(Field.TIMECODE), Spot.MIDDLE)))));
        assertThat(words(plan, "frames-png")).containsExactly("sh010 0011 | dunes", "sh010 0012 | dunes", "sh010 0013 | dunes");
        assertThat(words(plan, "frames-tiff")).containsOnly("");
        assertThat(words(plan, "web-h264")).containsExactly("10:00:00:00 | dunes", "10:00:00:01 | dunes", "10:00:00:02 | dunes");
        make(plan);
        // 64x48: the safe area begins at 3 and 2; its ground is black there.
        BufferedImage burnt = ImageIO.read(out.resolve("sh010_frames/sh010_frames.0012.png").toFile());
        assertThat(burnt.getRGB(3, 2) & 0xffffff).isZero();
        assertThat(burnt.getRGB(1, 1) & 0xffffff).isNotZero();
        BufferedImage clean = ImageIO.read(out.resolve("sh010_tiff/sh010_tiff.0012.tif").toFile());
        assertThat(clean.getRGB(3, 2) & 0xffffff).isNotZero();
        assertThat(Reproof.of(out.resolve("sh010_web.mp4")).reasons()).isEmpty();
        assertThat(ReceiptFile.read(ReceiptFile.of(out.resolve("sh010_web.mp4"))).notes()).contains("written into the pictures: "
                + "{timecode} at the middle");
    }

    /** To the pixel: what the window shows as a file is what that file holds. */
    @Test
    void whatThePictureShowsIsWhatIsEncoded() throws Exception {
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png"),
                ReelEdits.burnIn(BurnIn.of(FRAME, Line.of(Wording.of(Field.TIMECODE), Spot.BOTTOM_RIGHT))));
        make(plan);
        BufferedImage made = ImageIO.read(out.resolve("sh010_frames/sh010_frames.0012.png").toFile());
        RunFile file = file(plan, "frames-png");
        Recipe still = Recipe.Frame.of(frames.resolve("sh010.0012.png").toString(), FileKind.PNG, 12, plan.sources().getFirst().picture());
        ViewerMessage.OutputView as = ViewerMessage.OutputView.of(plan, file);
        try (Viewer viewer = new Viewer(TestPlaces.in(folder.resolve("seen")));
                ShownPicture shown = viewer
                        .picture(new Recipe.Lettered(still, plan.letteringAt(file, 1), PixelAspect.SQUARE),
                                new ViewerMessage.Shape(made.getWidth(), made.getHeight(), Rgb.BLACK, ViewerMessage.Showing.COLOUR, as))
                        .get(300, TimeUnit.SECONDS)) {
            ByteBuffer pixels = ByteBuffer.allocate(4 * made.getWidth() * made.getHeight());
            shown.copyTo(pixels);
            for (int y = 0; y < made.getHeight(); y++) {
                for (int x = 0; x < made.getWidth(); x++) {
                    int at = 4 * (y * made.getWidth() + x);
                    int seen = (pixels.get(at + 2) & 0xff) << 16 | (pixels.get(at + 1) & 0xff) << 8 | pixels.get(at) & 0xff;
                    assertThat(seen).as("pixel %d, %d", x, y).isEqualTo(made.getRGB(x, y) & 0xffffff);
                }
            }
        }
    }

    /** Whatever becomes of the frames on their way, and whether or not its container carries a timecode. */
    @ParameterizedTest
    @ValueSource(strings = {"frames-png", "web-h264", "web-vp9-alpha", "broadcast-dv-625-i"})
    void whatTheWindowSaysOfAFrameIsWhatARunWrites(String target) throws IOException {
        Path many = KiteFrames.png(folder.resolve("many"), "sh020_camB_v03", 11, 40, false);
        BurnIn all = BurnIn.of(Arrays.stream(Field.values()).map(f -> Line.of(Wording.of(f), Spot.TOP)).toArray(Line[]::new));
        KiteFrames.Job job = KiteFrames.job(many, out, List.of(target), Edits.setRate(Rate.of(50)), ReelEdits.setRate(Rate.of(50)),
                ReelEdits.setStart("10:00:00:00"), ReelEdits.burnIn(all),
                ReelEdits.burnInItem(0, BurnIn.of(Line.of(new Wording("dunes"), Spot.BOTTOM))),
                ReelEdits.addDrawn(0, new GeneratedItem.Bars(BarPattern.BARS_100, null, 10)),
                ReelEdits.addDrawn(2, new GeneratedItem.Plain(Rgb.BLACK, 12)),
                ReelEdits.joinItem(2, Joint.dissolve(6)), DeliverableEdits.follow(target, d -> d.withAccepted("far-enlarged")));
        RunPlan plan = job.plan(out);
        RunFile file = file(plan, target);
        PictureWords shown = PictureWords.of(job.programme(), job.project().deliverables().getFirst(), plan.made().substring(0, 10))
                .orElseThrow();
        List<Lettering> seen = LongStream.range(0, file.expected().frames())
                .mapToObj(f -> job.programme().letteringAt(shown, file.reelFrame(f))).toList();
        assertThat(LongStream.range(0, file.expected().frames()).mapToObj(f -> plan.letteringAt(file, f))).isEqualTo(seen);
        assertThat(words(plan, target)).filteredOn(w -> !w.isEmpty()).hasSize(target.endsWith("-i") ? 23 : 46)
                .allMatch(w -> w.contains("10:00:0") && w.contains(file.title())
                        && w.contains(target.endsWith("-i") ? "00:00:00:20" : "00:00:00:40"));
        RunFile stored = Json.MAPPER.readValue(Json.MAPPER.writeValueAsString(plan), RunPlan.class).files().getFirst();
        assertThat(stored.words()).isEqualTo(file.words());
    }

    /** A file that is made anew in part says the same day everywhere. */
    @Test
    void theDayIsThatOfTheFirstPlan() throws IOException {
        RunPlan plan = KiteFrames.plan(frames, out, List.of("web-h264"),
                ReelEdits.burnIn(BurnIn.of(Line.of(Wording.of(Field.DATE), Spot.TOP))));
        RunPlan later = plan.again("20310504-101112-abcdef", "2031-05-04T10:11:12Z", plan.folder(), null);
        assertThat(words(later, "web-h264")).isEqualTo(words(plan, "web-h264")).allMatch(w -> w.equals(plan.made().substring(0, 10)));
    }

    /** Both fields of an interlaced frame carry the frame's own label. */
    @Test
    void fieldsOfOneFrameCarryOneLabel() throws IOException {
        Path many = KiteFrames.png(folder.resolve("many"), "sh020", 1, 8, false);
        RunPlan plan = KiteFrames.plan(many, out, List.of("broadcast-dv-625-i"), Edits.setRate(Rate.of(50)), ReelEdits.setRate(Rate.of(50)),
                ReelEdits.setStart("10:00:00:00"),
                DeliverableEdits.follow("broadcast-dv-625-i", d -> d.withAccepted("far-enlarged")),
                ReelEdits.burnIn(BurnIn.of(Line.of(Wording.of(Field.TIMECODE), Spot.TOP))));
        assertThat(words(plan, "broadcast-dv-625-i")).containsExactly("10:00:00:00", "10:00:00:01", "10:00:00:02", "10:00:00:03");
    }

    @Test
    void aHeadIsMadeAndProvenWithoutWordsOverIt() throws Exception {
        BroadcastHead head = BroadcastHead.of(Rate.FPS_25, Size.of(64, 48), PixelAspect.SQUARE, "2031-05-04");
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png", "web-h264"), ReelEdits.addHead(head),
                ReelEdits.burnIn(BurnIn.of(FRAME)));
        assertThat(plan.frames()).isEqualTo(753);
        assertThat(words(plan, "frames-png").subList(0, 750)).containsOnly("");
        assertThat(plan.sound().tones()).singleElement().satisfies(t -> assertThat(t.samples()).isEqualTo(20 * 48_000));
        RunPlan shorter = KiteFrames.plan(frames, out, List.of("frames-png", "web-h264"),
                ReelEdits.addDrawn(0, new GeneratedItem.Bars(BarPattern.BARS_100, -18, 2)),
                ReelEdits.addDrawn(1, new GeneratedItem.Leader(1, -20, 4)),
                ReelEdits.addDrawn(2, BroadcastHead.slate("2031-05-04", 2)));
        make(shorter);
        BufferedImage bars = ImageIO.read(out.resolve("sh010_frames/sh010_frames.0001.png").toFile());
        assertThat(bars.getRGB(12, 24) & 0xffffff).as("full yellow").isEqualTo(0xffff00);
        assertThat(bars.getRGB(63, 24) & 0xffffff).as("black").isZero();
        BufferedImage black = ImageIO.read(out.resolve("sh010_frames/sh010_frames.0006.png").toFile());
        assertThat(black.getRGB(32, 24) & 0xffffff).as("after the 2 of the leader").isZero();
        assertThat(Reproof.of(out.resolve("sh010_web.mp4")).reasons()).isEmpty();
    }
}
