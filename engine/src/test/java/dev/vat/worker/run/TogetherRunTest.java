package dev.vat.worker.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.Border;
import dev.vat.core.layout.DayCount;
import dev.vat.core.pass.Operation;
import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.pass.PassWords;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rational;
import dev.vat.engine.KiteFrames;
import dev.vat.media.compose.PassSum;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.media.measure.Differences;
import dev.vat.media.picture.CodeValues;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.RenderOrder;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.worker.proof.Reproof;
import dev.vat.worker.standin.StandInRender;
import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** Several views in one picture, and passes of one shot, made for real. */
class TogetherRunTest extends LaidOutRuns {

    /** Of eight bits, in codes of 16. */
    private static final int CODE = 257;

    private static Edit lay(Layout layout) {
        return new Edit("layout", p -> p.withCurrentReel(r -> r.withItems(List.of(Item.of(layout)))));
    }

    @Test
    void everyViewStandsInItsPlaceAndGoesAlong() throws Exception {
        plain("left", 6, 64, 48, .2f);
        plain("right", 4, 64, 48, .8f);
        Layout layout = Layout.of("Both", Size.of(128, 48), new Arrangement.Grid(2),
                List.of(View.of(Item.of("s1")).withBorder(new Border(Rational.of(5), Rgb.WHITE)), View.of(Item.of("s2"))));
        RunPlan plan = KiteFrames.plan(frames, out, List.of("frames-png"), lay(layout));
        assertThat(plan.frames()).isEqualTo(6);
        Path made = made(plan);
        BufferedImage fifth = still(made, 4);
        assertThat(fifth.getWidth()).isEqualTo(128);
        assertThat(red(fifth, 32, 24)).isEqualTo(51);
        assertThat(green(fifth, 32, 24)).as("dithered").isCloseTo(13, within(1));
        assertThat(red(fifth, 96, 24)).isEqualTo(204);
        assertThat(green(fifth, 96, 24)).as("the shorter one stays").isCloseTo(10, within(1));
        assertThat(red(fifth, 0, 0)).as("border").isEqualTo(255);
        assertThat(red(fifth, 3, 24)).as("inside the border").isEqualTo(51);
        assertThat(red(fifth, 64, 0)).as("the other has none").isEqualTo(204);
        assertThat(ReceiptFile.read(ReceiptFile.of(made)).sources()).extracting(Receipt.SourceLine::count).containsExactly(6L, 4L, 2L);
        assertThat(Reproof.of(made).reasons()).isEmpty();
    }

    @Test
    void whatIsCroppedInsetAndWrittenIsInTheFile() throws Exception {
        plain("below", 3, 96, 96, .4f);
        plain("inset", 3, 64, 64, 1);
        Layout layout = Layout.of("Inset", Size.of(96, 96), new Arrangement.Free(List.of(Area.ALL, Area.parse("50 50 50 50"))),
                List.of(View.of(Item.of("s1")).withCaption(new Line(Wording.parse("{calendar} day {days}"), Spot.TOP_LEFT, 20, 100)),
                        View.of(Item.of("s2")).withCrop(Area.parse("0 0 50 100"))))
                .withDays(new DayCount("2026-02-27", Rational.of(25))).withGround(new Rgb(0, 0, 255)).withFrames(5L);
        Path made = made(KiteFrames.plan(frames, out, List.of("frames-png"), lay(layout)));
        BufferedImage third = still(made, 2);
        assertThat(red(third, 20, 80)).isEqualTo(102);
        assertThat(red(third, 72, 72)).isEqualTo(255);
        assertThat(red(third, 52, 72)).as("half as wide as its place: bars").isZero();
        assertThat(red(third, 5, 6)).as("the caption's ground").isLessThan(20);
        boolean written = false;
        for (int x = 4; x < 90; x++) {
            written |= red(third, x, 12) > 150;
        }
        assertThat(written).as("letters").isTrue();
        BufferedImage fifth = still(made, 4);
        boolean goesOn = false;
        for (int x = 4; x < 90; x++) {
            goesOn |= Math.abs(red(fifth, x, 12) - red(third, x, 12)) > 40;
        }
        assertThat(goesOn).as("days go on while the pictures stand").isTrue();
    }

    @Test
    void aCoveredViewAndAForgottenFirstDayAreTold() throws Exception {
        plain("a", 2, 64, 48, 0);
        plain("b", 2, 64, 48, 1);
        Layout layout = Layout.of("Covered", Size.of(64, 48), new Arrangement.Free(List.of(Area.parse("10 10 20 20"), Area.ALL)),
                List.of(View.of(Item.of("s1")).withCaption(Line.of(Wording.parse("day {days}"), Spot.TOP)), View.of(Item.of("s2"))));
        KiteFrames.Job job = KiteFrames.job(frames, out, List.of("web-h264"), lay(layout));
        Findings findings = Findings.of(job.project(), new Observed(job.tables(), Observed.Destination.UNKNOWN));
        assertThat(findings.all()).extracting(Finding::id).contains("view-covered", "caption-days", "caption-small");
        assertThat(findings.mayRun()).isTrue();
    }

    private KiteFrames.Job shot(Edit... edits) throws Exception {
        if (Files.notExists(frames)) {
            render();
        }
        return KiteFrames.job(frames, out, List.of("web-h264"), edits);
    }

    private void render() throws Exception {
        new StandInRender(new RenderOrder(frames.toString(), "flats", "pier", FrameRange.of(60, 62), Size.of(240, 136), true, 1, 0, 0,
                false, null, List.of())).run((_, _) -> {});
    }

    private static List<PassWords.Found> layers() {
        return List.of(new PassWords.Found("full", null, ""), new PassWords.Found("base", null, "base"),
                new PassWords.Found("light", null, "light"), new PassWords.Found("shadow", null, "shadow"),
                new PassWords.Found("haze", null, "haze"), new PassWords.Found("matte", null, "matte"));
    }

    /** Greatest difference of any sample over all frames of two plans, in codes of 16 bits. */
    private static int apart(RunPlan one, RunPlan other) throws Exception {
        int most = 0;
        try (FrameFeed first = new FrameFeed(one, 2); FrameFeed second = new FrameFeed(other, 2)) {
            for (long i = 0; i < one.frames(); i++) {
                try (WorkingPictures a = first.next(); WorkingPictures b = second.next()) {
                    Picture full = a.in(one.pictureFor(one.files().getFirst()));
                    Picture sum = b.in(other.pictureFor(other.files().getFirst()));
                    most = Math.max(most, Differences.extremes(full, sum).most());
                }
            }
        }
        return most;
    }

    @Test
    void passesOfTheSceneAddUpToItsPicture() throws Exception {
        RunPlan full = shot().plan(out);
        RunPlan sum = shot(ReelEdits.mixItem(0, PassWords.mix(layers()))).plan(out);
        assertThat(sum.sources()).filteredOn(RunSource::pass).extracting(s -> s.picture().layer()).containsExactly("base", "light",
                "shadow", "haze", "");
        assertThat(apart(full, sum)).isLessThanOrEqualTo(CODE);
        Path made = made(sum);
        assertThat(Reproof.of(made).reasons()).isEmpty();
    }

    @Test
    @Tag("slow")
    void theSumIsTheFullPictureInLightToo() throws Exception {
        render();
        Path file = frames.resolve("flats.0061.exr");
        try (FrameReader reader = new FrameReader(); PassSum sums = new PassSum()) {
            List<PassSum.Decoded> decoded = new ArrayList<>();
            PassMix mix = PassWords.mix(layers()).on();
            for (Pass pass : mix.passes()) {
                decoded.add(new PassSum.Decoded(decoded(reader, file, pass.layer()),
                        new PictureReading(AlphaKind.PREMULTIPLIED, pass.layer(), ColourReading.LINEAR)));
            }
            double most = 0;
            try (Picture full = decoded(reader, file, "");
                    Picture sum = sums.sum(new Assembly.Passes(mix.passes(), ColourReading.LINEAR), decoded)) {
                for (int y = 0; y < 136; y++) {
                    for (int x = 0; x < 240; x++) {
                        most = Math.max(most, apart(CodeValues.at(full, x, y), CodeValues.at(sum, x, y)));
                    }
                }
            } finally {
                decoded.forEach(d -> d.picture().close());
            }
            assertThat(most).isPositive().isLessThanOrEqualTo(1e-3);
        }
    }

    private static Picture decoded(FrameReader reader, Path file, String layer) {
        return ((FrameRead.Sound) reader.read(file, FileKind.EXR, PictureChoice.ofLayer(layer), 61)).picture();
    }

    /** Of figures in two texts that name the same samples. */
    private static double apart(String one, String other) {
        double[] first = figures(one);
        double[] second = figures(other);
        assertThat(second).as(one + " against " + other).hasSameSizeAs(first);
        return IntStream.range(0, first.length).mapToDouble(i -> Math.abs(first[i] - second[i])).max().orElseThrow();
    }

    private static double[] figures(String text) {
        return Pattern.compile("-?\\d+\\.\\d+(E-?\\d+)?").matcher(text).results().mapToDouble(m -> Double.parseDouble(m.group())).toArray();
    }

    @Test
    void aPassGoesOutByItselfInTheSameRead() throws Exception {
        PassMix mix = PassWords.mix(layers());
        KiteFrames.Job job = shot(ReelEdits.mixItem(0, mix), DeliverableEdits.addPassFile("light"));
        RunPlan plan = job.plan(out);
        assertThat(plan.files()).extracting(RunFile::fileName).containsExactly("flats_web.mp4", "flats_web-2_light.mp4");
        RunPlan light = shot(ReelEdits.mixItem(0, new PassMix(List.of(mix.passes().get(1))))).plan(out);
        try (FrameFeed both = new FrameFeed(plan, 2); FrameFeed alone = new FrameFeed(light, 1); WorkingPictures a = both.next();
                WorkingPictures b = alone.next()) {
            assertThat(Differences.extremes(a.in(plan.pictureFor(plan.files().get(1))), b.in(light.pictureFor(light.files().getFirst())))
                    .most())
                    .isZero();
            assertThat(Differences
                    .extremes(a.in(plan.pictureFor(plan.files().getFirst())), b.in(light.pictureFor(light.files().getFirst()))).most())
                    .isGreaterThan(CODE);
        }
        made(plan);
        assertThat(out.resolve("flats_web-2_light.mp4")).exists();
        KiteFrames.Job gone = shot(ReelEdits.mixItem(0, mix.with(1, p -> p.withOff(true))), DeliverableEdits.addPassFile("light"));
        assertThat(Findings.of(gone.project(), new Observed(gone.tables(), Observed.Destination.UNKNOWN)).blockers())
                .extracting(Finding::id).containsExactly("pass-gone");
    }

    @Test
    void aTintChangesItsOwnPassAlone() throws Exception {
        PassMix plain = new PassMix(List.of(Pass.of("base", null, "base", Operation.ADD), Pass.of("haze", null, "haze", Operation.ADD)));
        RunPlan untouched = shot(ReelEdits.mixItem(0, plain)).plan(out);
        RunPlan off = shot(ReelEdits.mixItem(0, plain.with(1, p -> p.withOff(true)))).plan(out);
        RunPlan none = shot(ReelEdits.mixItem(0, plain.with(1, p -> p.withGain(Rational.ZERO)))).plan(out);
        RunPlan red = shot(ReelEdits.mixItem(0, plain.with(1, p -> p.withTint(new Rgb(255, 0, 0))))).plan(out);
        assertThat(apart(off, none)).as("nothing of a pass is as if it were off").isZero();
        assertThat(apart(untouched, red)).isGreaterThan(10 * CODE);
        // Green of the sum is the base's alone, where the haze is red.
        try (FrameFeed first = new FrameFeed(off, 1); FrameFeed second = new FrameFeed(red, 1); WorkingPictures a = first.next();
                WorkingPictures b = second.next()) {
            assertThat(Differences.cells(a.in(off.pictureFor(off.files().getFirst())), b.in(red.pictureFor(red.files().getFirst())), 4, 4))
                    .as("green").containsOnly(0);
            assertThat(
                    Differences.extremes(a.in(off.pictureFor(off.files().getFirst())), b.in(red.pictureFor(red.files().getFirst()))).most())
                    .as("red").isGreaterThan(10 * CODE);
        }
    }

    @Test
    void passesOfOtherSizesAndLayersThatAreNotThereStandInTheWay() throws Exception {
        KiteFrames.Job job = shot(ReelEdits.mixItem(0,
                new PassMix(List.of(Pass.of("base", null, "base", Operation.ADD), Pass.of("gone", null, "gone", Operation.ADD)))));
        assertThat(Findings.of(job.project(), new Observed(job.tables(), Observed.Destination.UNKNOWN)).blockers()).extracting(Finding::id)
                .containsExactly("pass-layer");
    }
}
