package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Findings on what becomes of pictures: colours, looks, alpha beside, fields, file sizes, lossy generations. */
class TreatmentFindingsTest {

    private static final Path LOOK = Path.of("/looks/dusk.cube");

    private Map<String, ClipFacts> clips = Map.of();
    private Map<String, String> unusable = Map.of();
    private AlphaKind alpha = AlphaKind.NONE;
    private Project project;
    private Observed.Destination destination = Observed.Destination.UNKNOWN;
    private Map<String, FileForecast> foretold = Map.of();
    private List<FrameRange> flashes = List.of();

    private List<Finding> find(String target, int rate, Edit... edits) {
        FrameTable table = Frames.good("a", 1, 250, Frames.format("PNG", Size.of(1920, 1080), Depth.integer(16), alpha)).table();
        project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        List<Edit> all = new ArrayList<>(
                List.of(DeliverableEdits.addTarget(Catalogue.target(target)), Edits.setRateEverywhere(Rate.of(rate))));
        all.addAll(Arrays.asList(edits));
        for (Edit edit : all) {
            project = edit.apply(project);
        }
        return Findings
                .of(project,
                        new Observed(Map.of("s1", table), Map.of(), clips, destination, Set.of(), unusable).withTrial(foretold, flashes))
                .all();
    }

    private static Finding one(List<Finding> all, String id) {
        return all.stream().filter(f -> f.id().equals(id)).findFirst().orElseThrow(() -> new AssertionError("no " + id + " in " + all));
    }

    private Project mended(Finding finding, int remedy) {
        return ((Remedy.Apply) finding.remedies().get(remedy)).edit().apply(project);
    }

    @Test
    void fieldsNeedTwiceTheRate() {
        Finding slow = one(find("broadcast-avci-100-i", 25), "scan-illegal");
        assertThat(slow.text()).contains("of a reel at 50 or 59.94 a second; this one runs at 25");
        assertThat(mended(slow, 0).deliverables().getFirst().settings().framing().scanInUse()).isEqualTo(Scan.PROGRESSIVE);
        assertThat(find("broadcast-avci-100-i", 50)).extracting(Finding::id).doesNotContain("scan-illegal", "rate-illegal");
        assertThat(one(find("edit-dnxhr-hqx", 50, DeliverableEdits.setFraming("edit-dnxhr-hqx", Framing.FOLLOWS.withScan(Scan.TOP_FIRST))),
                "scan-illegal").text()).contains("progressive only");
        assertThat(one(
                find("broadcast-dv-625-i", 50, DeliverableEdits.setFraming("broadcast-dv-625-i", Framing.FOLLOWS.withScan(Scan.TOP_FIRST))),
                "scan-illegal").text())
                .contains("may be interlaced, bottom field first, not interlaced, top field first");
    }

    @Test
    void aFileSizeThatLeavesTooLittleSaysHowMuchWouldDo() {
        Finding small = one(find("web-h264", 25, DeliverableEdits.setControl("web-h264", new RateControl.FileSize(500_000))),
                "file-size-small");
        assertThat(small.severity()).isEqualTo(Severity.WARNING);
        assertThat(small.text()).contains("a file of 500 kB leaves").contains("too little to look right");
        project = mended(small, 0);
        assertThat(find("web-h264", 25, DeliverableEdits.setControl("web-h264", project.deliverables().getFirst().control())))
                .extracting(Finding::id)
                .doesNotContain("file-size-small");
        assertThat(one(find("web-h264", 25, DeliverableEdits.setControl("web-h264", new RateControl.FileSize(10_000))), "file-size-small")
                .severity())
                .isEqualTo(Severity.BLOCKER);
        assertThat(one(find("mail-25", 25), "made-whole").text()).contains("twice, reading every frame twice")
                .contains("begins its 250 frames again");
    }

    @Test
    void coloursThatCantBeSaidAreRefused() {
        Edit avi = new Edit("", p -> p.withDeliverable("archive-ffv1", d -> d));
        assertThat(find("archive-ffv1", 25, avi)).extracting(Finding::id).doesNotContain("colour-illegal");
        Finding lost = one(find("edit-prores-hq", 25, DeliverableEdits.follow("edit-prores-hq", d -> d.withColour(ColourCoding.PQ)),
                DeliverableEdits.follow("edit-prores-hq", d -> FindingsTest.written(
                        "{'target': 'edit-prores-hq', 'codec': 'v210', 'container': 'AVI', 'colour': 'rec2100-pq'}"))),
                "colour-illegal");
        assertThat(lost.text()).contains("has the usual colours of its size only, not HDR PQ");
        assertThat(mended(lost, 0).deliverables().getFirst().colour()).isNull();
        assertThat(one(find("hdr-pq", 25), "nothing-above-white").severity()).isEqualTo(Severity.NOTE);
    }

    @Test
    void aLookMustBeThereAndEndsAtWhite() {
        assertThat(find("web-h264", 25, DeliverableEdits.setLook("web-h264", Look.of(LOOK)))).extracting(Finding::severity)
                .doesNotContain(Severity.BLOCKER);
        unusable = Map.of(LOOK.toString(), "dusk.cube isn't there any more");
        Finding gone = one(find("web-h264", 25, DeliverableEdits.setLook("web-h264", Look.of(LOOK))), "look-unusable");
        assertThat(gone.text()).contains("dusk.cube isn't there any more");
        assertThat(mended(gone, 0).deliverables().getFirst().look()).isNull();
        assertThat(one(find("hdr-hlg", 25, DeliverableEdits.setLook("hdr-hlg", Look.of(LOOK))), "look-above-white").text())
                .contains("ends at white");
        unusable = Map.of("/skies/sky.png", "sky.png isn't there any more");
        assertThat(
                one(find("web-h264", 25, DeliverableEdits.setFlatten("web-h264", new Ground.Still("/skies/sky.png"))), "ground-unusable")
                        .severity())
                .isEqualTo(Severity.BLOCKER);
    }

    @Test
    void alphaThatIsntCarriedMayGoBeside() {
        alpha = AlphaKind.STRAIGHT;
        Finding flat = one(find("edit-prores-hq", 25), "alpha-flattened");
        assertThat(flat.text()).contains("show black");
        project = mended(flat, 1);
        assertThat(project.deliverables().getFirst().flatten()).isEqualTo(Ground.CHECKER);
        assertThat(mended(flat, 2).deliverables().getFirst().makesMatte()).isTrue();
        assertThat(one(find("edit-prores-hq", 25, DeliverableEdits.setMatte("edit-prores-hq", true)), "matte-beside").text())
                .contains("second file of the same kind");
    }

    @Test
    void oneSwitchMakesEveryColumnADraft() {
        List<Finding> all = find("web-h264", 25, DeliverableEdits.addTarget(Catalogue.target("broadcast-avci-100")),
                DeliverableEdits.setDraft(true),
                DeliverableEdits.addTarget(Catalogue.EDIT_PRORES_HQ));
        assertThat(project.isDraft()).as("a column that comes later, too").isTrue();
        assertThat(project.deliverables()).extracting(d -> d.frameFor(Size.of(1920, 1080), PixelAspect.SQUARE).size().toString())
                .containsExactly("960x540", "1920x1080", "960x540");
        Finding draft = one(all, "draft");
        assertThat(mended(draft, 0).isDraft()).isFalse();
    }

    @Test
    void draftsAndFarTooSmallFramesNeedAnExplicitYes() {
        clips = Map.of("s1", new ClipFacts("mov", 250, Rate.FPS_25, null, null, null, Rational.of(10), List.of(), 1, true));
        Finding material = one(find("web-h264", 25), "draft-material");
        assertThat(material.severity()).isEqualTo(Severity.BLOCKER);
        assertThat(mended(material, 0).deliverables().getFirst().accepted()).containsExactly("draft-material");
        assertThat(find("web-h264", 25, DeliverableEdits.accept("web-h264", "draft-material"))).extracting(Finding::severity)
                .doesNotContain(Severity.BLOCKER);
        assertThat(find("web-h264", 25, DeliverableEdits.setDraft(true))).extracting(Finding::id).doesNotContain("draft-material");
        clips = Map.of();
        Edit large = DeliverableEdits.setFraming("web-h264", Framing.of(Size.of(3840, 2160), Fit.BARS));
        Finding small = one(find("web-h264", 25, large), "far-enlarged");
        assertThat(small.text()).contains("enlarged 2.00 times").contains("1920x1080 are far too small for 3840x2160");
        assertThat(one(find("web-h264", 25, large, DeliverableEdits.accept("web-h264", "far-enlarged")), "enlarged").severity())
                .isEqualTo(Severity.WARNING);
        assertThat(mended(one(find("web-h264", 25, large), "far-enlarged"), 1).deliverables().getFirst().framing()).isNull();
    }

    @Test
    void lossyGenerationsAreCounted() {
        clips = Map.of("s1", new ClipFacts("mov", 250, Rate.FPS_25, null, null, null, Rational.of(10), List.of(), 2, false));
        Finding third = one(find("web-h264", 25), "lossy-again");
        assertThat(third.text()).contains("third lossy pass: 2 in the source (a").contains("1 here");
        assertThat(third.severity()).isEqualTo(Severity.WARNING);
        assertThat(find("archive-ffv1", 25)).extracting(Finding::id).doesNotContain("lossy-again");
        clips = Map.of("s1", clips.get("s1").withHistory(1, false));
        assertThat(one(find("web-h264", 25), "lossy-again").text()).contains("second lossy pass");
    }

    private static FileForecast weighing(double bytes) {
        return new FileForecast(Estimate.within(bytes, .1), null, Estimate.exactly(1), Estimate.exactly(1), Estimate.exactly(1));
    }

    @Test
    void whatWasTriedDecidesOnRoomAndOnWhatAContainerHolds() {
        destination = new Observed.Destination("/out", null, 3_000_000);
        assertThat(find("web-h264", 25)).extracting(Finding::id).as("a rough guess").containsAnyOf("space-short", "space-tight");
        foretold = Map.of("web-h264", weighing(1_000_000));
        assertThat(find("web-h264", 25)).extracting(Finding::id).as("twice 1.1 MB have room").doesNotContain("space-short", "space-tight");
        foretold = Map.of("web-h264", weighing(1_450_000));
        assertThat(one(find("web-h264", 25), "space-tight").text()).contains("by test encodes");
        foretold = Map.of("web-h264", weighing(2_000_000));
        assertThat(one(find("web-h264", 25), "space-short").severity()).isEqualTo(Severity.BLOCKER);
        destination = Observed.Destination.UNKNOWN;
        foretold = Map.of("web-webp", weighing(4.1e9));
        assertThat(one(find("web-webp", 25), "container-full").severity()).isEqualTo(Severity.WARNING);
        foretold = Map.of("web-webp", weighing(6e9));
        assertThat(one(find("web-webp", 25), "container-full").severity()).isEqualTo(Severity.BLOCKER);
        foretold = Map.of("web-webp", weighing(1e9));
        assertThat(find("web-webp", 25)).extracting(Finding::id).doesNotContain("container-full");
    }

    @Test
    void flashesAreANoteWithItsCaveat() {
        flashes = List.of(FrameRange.of(40, 66));
        Finding note = one(find("web-h264", 25), "flashes");
        assertThat(note.severity()).isEqualTo(Severity.NOTE);
        assertThat(note.text()).contains("40-66").contains("nobody has verified");
        flashes = List.of();
        assertThat(find("web-h264", 25)).extracting(Finding::id).as("nothing found is no pass: nothing is said").doesNotContain("flashes");
    }
}
