package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Framing;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class FindingsTest {

    private static PictureFormat format(int width, int height, int bits, AlphaKind alpha) {
        return Frames.format("PNG", Size.of(width, height), Depth.integer(bits), alpha);
    }

    @Test
    void aSoundSequenceHasNothingInItsWay() {
        Findings findings = new Case(Frames.good("a", 1, 20).table()).find();
        assertThat(findings.mayRun()).isTrue();
        assertThat(findings.all()).extracting(Finding::id).containsExactly("depth-reduced");
    }

    @Test
    void withNothingBroughtInThatIsAllThereIsToSay() {
        assertThat(Findings.of(Project.EMPTY, new Observed(Map.of(), Case.GOOD_FOLDER)).all()).extracting(Finding::id)
                .containsExactly("nothing-in");
    }

    @Test
    void anUnstatedRateAloneCanBeConfirmedByTheMainAction() {
        Case unrated = new Case(Frames.good("a", 1, 20).table()).edit(SourceEdits.setSourceRate("s1", Rate.FPS_25));
        unrated.project = unrated.project.withSource("s1", s -> s.withReading(s.reading().withRate(null)));
        assertThat(unrated.find().onlyRateIsMissing()).isTrue();
        assertThat(unrated.find().mayRun()).isFalse();
        assertThat(unrated.edit(DeliverableEdits.removeDeliverable("web-h264")).find().onlyRateIsMissing()).isFalse();
    }

    @Test
    void holesBlockWithTheRangesToRenderAndWaysOut() {
        Case holes = new Case(Frames.good("a", 1, 20).without(5, 6).faulty(9, FrameState.CUT_SHORT, "ends at byte 7").table());
        Finding finding = holes.one("frames-wanted");
        assertThat(finding.severity()).isEqualTo(Severity.BLOCKER);
        assertThat(finding.text()).contains("2 missing, 1 cut short").contains("0005-0006, 0009");
        assertThat(finding.evidence()).contains("0009 cut short: ends at byte 7");
        assertThat(finding.remedies().getFirst()).isEqualTo(new Remedy.CopyText("Copy ranges", "0005-0006, 0009"));
        assertThat(holes.mend("frames-wanted", 1).find().mayRun()).isTrue();
        assertThat(holes.one("frames-filled").text()).contains("the previous frame is held at 0005-0006, 0009");
    }

    @Test
    void holdingWithNothingToHoldIsABlockerThatStartsLater() {
        Case start = new Case(Frames.good("a", 1, 20).faulty(1, FrameState.EMPTY, "no bytes").table())
                .edit(SourceEdits.setGap("s1", GapPolicy.HOLD));
        assertThat(start.find().mayRun()).isFalse();
        assertThat(start.mend("hold-no-start", 0).find().mayRun()).isTrue();
        assertThat(start.project.source("s1").orElseThrow().reading().range()).isEqualTo(FrameRange.of(2, 20));
    }

    @Test
    void aSequenceWithoutAnyGoodFrameCantBeFilled() {
        Case none = new Case(
                Frames.good("a", 1, 2).faulty(1, FrameState.EMPTY, "no bytes").faulty(2, FrameState.UNREADABLE, "noise").table())
                .edit(SourceEdits.setGap("s1", GapPolicy.CARD));
        assertThat(none.one("nothing-good").evidence()).contains("no bytes").contains("noise");
    }

    @Test
    void aRangeOutsideTheFramesIsABlocker() {
        Case outside = new Case(Frames.good("a", 10, 20).table()).edit(SourceEdits.setRange("s1", FrameRange.of(30, 40)));
        assertThat(outside.find().mayRun()).isFalse();
        assertThat(outside.mend("range-outside", 0).find().mayRun()).isTrue();
    }

    @Test
    void uncheckedFramesAreANoteOnceOneHasBeenSeen() {
        Finding none = new Case(Frames.good("a", 1, 20).unchecked()).one("unchecked");
        assertThat(none.text()).contains("20 of 20");
        assertThat(none.severity()).isEqualTo(Severity.BLOCKER);
        assertThat(Findings.of(new Case(Frames.good("a", 1, 20).table()).project,
                new Observed(Map.of("s1", Frames.good("a", 1, 20).unchecked()), Case.GOOD_FOLDER, Set.of("s1"))).mayRun())
                .as("it is on its way")
                .isTrue();
        FrameTable some = FrameTable.collect(Frames.good("a", 1, 20).sequence()).add(FrameCheck.sound(3, Frames.PNG16, null, null)).build();
        assertThat(new Case(some).one("unchecked").severity()).isEqualTo(Severity.NOTE);
        assertThat(new Case(some).find().mayRun()).isTrue();
    }

    @Test
    void oddSizesAreCroppedByOnePress() {
        Case odd = new Case(Frames.good("a", 1, 4, format(1919, 1079, 8, AlphaKind.NONE)).table());
        assertThat(odd.one("size-odd").text()).contains("1919x1079").contains("4:2:0");
        assertThat(odd.mend("size-odd", 0).find().mayRun()).isTrue();
        assertThat(odd.one("reshaped").text()).contains("1918x1078");
    }

    @Test
    void alphaIsFlattenedWithAWarningAndKeptWhereItCanBe() {
        Case alpha = new Case(Frames.good("a", 1, 4, format(64, 64, 16, AlphaKind.STRAIGHT)).table())
                .edit(DeliverableEdits.addTarget(Catalogue.ALPHA_PRORES_4444));
        assertThat(alpha.one("alpha-flattened").target()).isEqualTo("web-h264");
        assertThat(alpha.one("alpha-flattened").severity()).isEqualTo(Severity.WARNING);
        assertThat(alpha.find().all()).noneMatch(f -> f.id().equals("alpha-empty"));
        Case opaque = new Case(Frames.good("a", 1, 4).table()).edit(DeliverableEdits.addTarget(Catalogue.ALPHA_PRORES_4444));
        assertThat(opaque.one("alpha-empty").target()).isEqualTo("alpha-prores-4444");
    }

    @Test
    void itemsOfAnotherSizeOrRateSayHowTheyGoIntoTheReel() {
        Case two = new Case(Frames.good("a", 1, 4).table(), Frames.good("b", 1, 4, format(480, 270, 16, AlphaKind.NONE)).table())
                .edit(SourceEdits.setSourceRate("s2", Rate.of(24)));
        assertThat(two.find().mayRun()).isTrue();
        assertThat(two.one("size-differs").text()).contains("480x270").contains("960x540").contains("enlarged 2.00 times");
        assertThat(two.mend("size-differs", 2).one("size-differs").severity()).as("pixel for pixel enlarges nothing")
                .isEqualTo(Severity.NOTE);
        assertThat(two.one("rate-differs").text()).contains("24").contains("0.960x as long");
        Case kept = two.mend("rate-differs", 1);
        assertThat(kept.one("rate-conformed").text()).contains("24 to 25").contains("nearest");
        assertThat(kept.edit(Edits.setRate(Rate.of(24))).find().all()).as("at its own rate nothing is to be said")
                .noneMatch(f -> f.id().startsWith("rate-"));
        Case unfit = two.edit(ReelEdits.playItem(1, Playing.PLAIN.withConform(Conform.PULLDOWN_2_3)));
        assertThat(unfit.one("conform-unfit").severity()).isEqualTo(Severity.BLOCKER);
        assertThat(unfit.mend("conform-unfit", 0).find().mayRun()).isTrue();
        Case joined = two.edit(ReelEdits.joinItem(1, Joint.dissolve(20)));
        assertThat(joined.one("joint-short").text()).contains("dissolve 20");
        assertThat(joined.mend("joint-short", 0).find().all()).noneMatch(f -> f.id().equals("joint-short"));
    }

    @Test
    void coloursThatAreStatedAndNotTakenAreSaid() {
        PictureFormat p3 = format(64, 64, 16, AlphaKind.NONE).withStated(Stated.ofColour("P3-D65 primaries, PQ curve", 12, 16));
        Case stated = new Case(Frames.good("a", 1, 4, p3).table());
        assertThat(stated.one("colour-stated").text()).contains("P3-D65 primaries, PQ curve", "Values are kept and shown as Rec.709");
        assertThat(stated.mend("colour-stated", 0).find().all()).as("converted").noneMatch(f -> f.id().equals("colour-stated"));
        Case kept = new Case(Frames.good("a", 1, 4, p3).table()).mend("colour-stated", 1);
        assertThat(kept.find().all()).as("somebody said so").noneMatch(f -> f.id().equals("colour-stated"));
        Stated profile = Stated.ofColour("ICC profile Dune", null, null).withForeign("ICC profile Dune");
        Case foreign = new Case(Frames.good("a", 1, 4, format(64, 64, 8, AlphaKind.NONE).withStated(profile)).table());
        assertThat(foreign.one("colour-stated").text()).contains("There is no conversion from ICC profile Dune");
        assertThat(foreign.one("colour-stated").remedies()).hasSize(1);
        Case plain = new Case(
                Frames.good("a", 1, 4, format(64, 64, 8, AlphaKind.NONE).withStated(Stated.ofColour("sRGB", 1, 13))).table());
        assertThat(plain.find().all()).noneMatch(f -> f.id().equals("colour-stated"));
    }

    @Test
    void anExrWithoutAMainPictureListsItsLayers() {
        PictureFormat layers = new PictureFormat("EXR", Size.of(64, 64), Depth.floating(16), AlphaKind.NONE, PixelAspect.SQUARE, true,
                List.of("haze", "matte"));
        Case exr = new Case(Frames.good("a", 1, 4, layers).table());
        assertThat(exr.one("layer-unknown").text()).contains("haze, matte");
        assertThat(exr.one("linear-light").severity()).isEqualTo(Severity.NOTE);
        assertThat(exr.find().mayRun()).isFalse();
    }

    @Test
    void namesThatClashAreToldApartByOnePress() {
        Case clash = new Case(Frames.good("a", 1, 4).table()).edit(DeliverableEdits.addTarget(Catalogue.EDIT_PRORES_HQ))
                .edit(DeliverableEdits.addTarget(Catalogue.ALPHA_PRORES_4444)).edit(Edits.setNaming("{reel}"));
        assertThat(clash.one("name-clash").text()).contains("a.mov");
        assertThat(clash.mend("name-clash", 0).find().mayRun()).isTrue();
        assertThat(clash.edit(Edits.setNaming("{nonsense}")).mend("name-pattern", 0).find().mayRun()).isTrue();
    }

    @Test
    void theFolderAndItsRoomAreJudged() {
        Case made = new Case(Frames.good("a", 1, 2000).table());
        assertThat(made.into(new Observed.Destination("/out", "nothing may be written in /out", -1)).one("folder-refused").remedies())
                .singleElement().isInstanceOf(Remedy.ChooseFolder.class);
        assertThat(made.into(new Observed.Destination("/out", null, 1000)).one("space-short").severity()).isEqualTo(Severity.BLOCKER);
        assertThat(made.into(new Observed.Destination("/out", null, 50_000_000)).one("space-tight").severity()).isEqualTo(Severity.WARNING);
        assertThat(made.into(Case.GOOD_FOLDER).find().all()).noneMatch(f -> f.id().startsWith("space"));
    }

    @Test
    void sourcesThatAreGoneAreNamed() {
        Case gone = new Case(Frames.good("a", 1, 4).table(), Frames.good("b", 1, 4).table());
        gone.tables.remove("s2");
        assertThat(gone.one("source-gone").evidence()).contains("b.####.png");
    }

    @Test
    void blockersComeFirstAndReelsAreMergedOnce() {
        Case holes = new Case(Frames.good("a", 1, 9).without(3).table());
        List<Finding> all = holes.find().all();
        assertThat(all).isSortedAccordingTo(java.util.Comparator.comparing(Finding::severity));
        List<Finding> twice = new java.util.ArrayList<>(all);
        twice.addAll(all);
        assertThat(Findings.merged(twice).all()).isEqualTo(all);
    }

    private static Case at(int width, int height, String target) {
        return new Case(Frames.good("a", 1, 100, format(width, height, 16, AlphaKind.NONE)).table())
                .edit(DeliverableEdits.removeDeliverable("web-h264"))
                .edit(DeliverableEdits.addTarget(Catalogue.target(target)));
    }

    @Test
    void whatACodecCantTakeIsABlockerWithTheWayOut() {
        Case rate = at(1920, 1080, "broadcast-avci-100").edit(Edits.setRate(Rate.of(50)));
        assertThat(rate.one("rate-illegal").text()).contains("AVC-Intra class 100").contains("not at 50");
        assertThat(rate.find().mayRun()).isFalse();

        Case size = at(1920, 1080, "edit-dnxhr-hqx")
                .edit(DeliverableEdits.setFraming("edit-dnxhr-hqx", Framing.of(Size.of(128, 72), Fit.BARS)));
        assertThat(size.one("size-illegal").severity()).isEqualTo(Severity.BLOCKER);

        Case odd = at(1920, 1080, "web-h264").edit(DeliverableEdits.setFraming("web-h264", Framing.of(Size.of(853, 480), Fit.BARS)));
        assertThat(odd.one("size-odd").text()).contains("853x480");
        assertThat(odd.mend("size-odd", 0).find().mayRun()).isTrue();
        assertThat(odd.project.deliverables().getFirst().settings().framing().size()).hasToString("852x480");

        Case shape = at(1920, 1080, "web-av1")
                .edit(DeliverableEdits.setFraming("web-av1", Framing.FOLLOWS.withPixelAspect(PixelAspect.of(16, 15))));
        assertThat(shape.one("shape-illegal").text()).contains("16:15");
        assertThat(shape.mend("shape-illegal", 0).find().mayRun()).isTrue();
    }

    @Test
    void whatBecomesOfThePictureIsSaid() {
        assertThat(at(1920, 1080, "social-square").one("reshaped").text()).contains("840 of 1920 columns are cut off");
        assertThat(at(1280, 720, "broadcast-mpeg2-50").one("enlarged").text()).contains("1.50 times");
        Case stretched = at(1920, 1080, "web-h264")
                .edit(DeliverableEdits.setFraming("web-h264", Framing.of(Size.of(1440, 1080), Fit.STRETCH)));
        assertThat(stretched.one("squashed").text()).contains("25.0 % too narrow");
        assertThat(stretched.mend("squashed", 0).find().all()).noneMatch(f -> f.id().equals("squashed"));
        assertThat(at(1920, 1080, "web-h264").find().all()).noneMatch(f -> f.id().equals("reshaped"));
    }

    @Test
    void columnsThatAreOffOrUnknownAreTakenAsSuch() {
        Case off = at(1920, 1080, "web-h264").edit(DeliverableEdits.switchOff("web-h264", true));
        assertThat(off.one("no-target").text()).contains("switched off");
        Case strange = at(1920, 1080, "web-h264");
        strange.project = strange.project
                .withDeliverables(List.of(written("{'id': 'x', 'target': 'hologram'}")));
        assertThat(strange.one("codec-unknown").text()).contains("'hologram'");
        assertThat(strange.mend("codec-unknown", 0).project.deliverables()).isEmpty();
    }

    @Test
    void theCostOfAStopIsSaidBeforehand() {
        Case whole = at(1920, 1080, "anyone-h264");
        assertThat(whole.one("made-whole").text()).contains("good (20), at most 12 Mbit/s").contains("its 100 frames again");
        assertThat(whole.one("made-whole").severity()).isEqualTo(Severity.NOTE);
        assertThat(at(1920, 1080, "web-h264").find().all()).noneMatch(f -> f.id().equals("made-whole"));
    }

    /** As a project from elsewhere has it. @param json with single quotation marks */
    static Deliverable written(String json) {
        try {
            return new ObjectMapper().readValue(json.replace('\'', '"'), Deliverable.class);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException(e);
        }
    }
}
