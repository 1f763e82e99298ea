package dev.vat.core.content;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.Remedy;
import dev.vat.core.finding.Severity;
import dev.vat.core.picture.FieldOrder;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import java.util.function.IntUnaryOperator;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** From measured looks, put together by hand, to what is said and offered. */
class ContentFindingsTest {

    private static final int COUNT = 48;

    /** A look in which every cell has a value and every stripe and sample its own. */
    private static FrameLook look(int pixels, int value, FrameLook.Odd odd, boolean eightBit) {
        byte[] grid = new byte[FrameLook.COLUMNS * FrameLook.ROWS];
        Arrays.fill(grid, (byte) value);
        byte[] stripes = new byte[2 * FrameLook.STRIPES];
        for (int i = 0; i < FrameLook.STRIPES; i++) {
            stripes[2 * i] = (byte) (pixels >> 8);
            stripes[2 * i + 1] = (byte) pixels;
        }
        return new FrameLook(pixels, true, false, eightBit, value / 255f, 1, .1f, odd, null,
                FrameLook.print(grid, stripes, new byte[FrameLook.EDGES]));
    }

    /** Frames 101 and on that change a little each, as {@code looks} has them. */
    private static FrameTable table(IntFunction<FrameLook> looks, IntUnaryOperator minutes) {
        return table(LongStream.range(101, 101 + COUNT).toArray(), looks, minutes);
    }

    private static FrameTable table(long[] numbers, IntFunction<FrameLook> looks, IntUnaryOperator minutes) {
        long[] times = new long[COUNT];
        long[] sizes = new long[COUNT];
        for (int i = 0; i < COUNT; i++) {
            times[i] = minutes.applyAsInt(i) * 60_000L;
            sizes[i] = 9;
        }
        Sequence sequence = Sequence.of(Path.of("/kite"), new SequencePattern("kite.", 4, ".png"), FileKind.PNG, numbers, sizes, times);
        FrameTable.Collector collector = FrameTable.collect(sequence);
        for (int i = 0; i < COUNT; i++) {
            collector.add(FrameCheck.sound(numbers[i], Frames.PNG16, looks.apply(i), null));
        }
        return collector.build();
    }

    private static FrameLook plain(int index) {
        return look(1000 + index, 100 + index % 3, null, false);
    }

    private static List<Finding> findings(FrameTable table, Map<String, ClipFacts> clips) {
        Project project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setRate(Rate.FPS_25).apply(DeliverableEdits.addTarget(Catalogue.WEB_H264).apply(project));
        return Findings.of(project, new Observed(Map.of("s1", table), Map.of("s1", ContentReview.of(table)), clips,
                Observed.Destination.UNKNOWN, Set.of())).all();
    }

    private static Finding one(FrameTable table, String id) {
        return findings(table, Map.of()).stream().filter(f -> f.id().equals(id)).findFirst()
                .orElseThrow(() -> new AssertionError("no " + id + " in " + findings(table, Map.of())));
    }

    private static Project applied(FrameTable table, Remedy remedy) {
        Project project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        return ((Remedy.Apply) remedy).edit().apply(project);
    }

    @Test
    void framesThatGoOnChangingRaiseNothing() {
        assertThat(ContentReview.of(table(ContentFindingsTest::plain, i -> i)).faults()).isEmpty();
    }

    @Test
    void aRepeatedFrameIsAWarningWithItsPairAndNumbers() {
        Finding finding = one(table(i -> plain(i == 20 ? 19 : i), i -> i), "content-repeated");
        assertThat(finding.severity()).isEqualTo(Severity.WARNING);
        assertThat(finding.text()).isEqualTo("kite.####.png: 0121 looks repeated.");
        assertThat(finding.evidence()).contains("0121: the same picture as 0120");
        assertThat(finding.pair()).isEqualTo(new Finding.Pair(121, 120));
        assertThat(finding.remedies()).containsExactly(new Remedy.CopyText("Copy ranges", "0121"), new Remedy.GoTo("Show", "s1", 121));
    }

    @Test
    void manyRepeatsAreMeant() {
        assertThat(ContentReview.of(table(i -> plain(i / 2), i -> i)).faults()).isEmpty();
    }

    @Test
    void aHoleKeepsFramesFromBeingNeighbours() {
        FrameTable.Collector collector = FrameTable.collect(table(ContentFindingsTest::plain, i -> i).sequence());
        for (int i = 0; i < COUNT; i++) {
            collector.add(i == 19 ? FrameCheck.fault(120, FrameState.CUT_SHORT, "it ends early")
                    : FrameCheck.sound(101 + i, Frames.PNG16, plain(i == 20 ? 18 : i), null));
        }
        assertThat(ContentReview.of(collector.build()).faults()).isEmpty();
    }

    @Test
    void stillEndsAreOfferedForTrimming() {
        FrameTable head = table(i -> plain(Math.max(i, 11)), i -> i);
        Finding still = one(head, "content-still-head");
        assertThat(still.severity()).isEqualTo(Severity.NOTE);
        assertThat(applied(head, still.remedies().getFirst()).sources().getFirst().reading().range()).isEqualTo(FrameRange.of(112, 148));
        FrameTable tail = table(i -> plain(Math.min(i, 30)), i -> i);
        assertThat(one(tail, "content-still-tail").text()).isEqualTo("kite.####.png: nothing moves after 0131.");
        assertThat(applied(tail, one(tail, "content-still-tail").remedies().getFirst()).sources().getFirst().reading().range())
                .isEqualTo(FrameRange.of(101, 131));
    }

    @Test
    void aRestlessStartIsOfferedAsALeadIn() {
        FrameTable table = table(i -> look(1000 + i, 100 + (i < 10 ? (10 - i) * (i % 2 == 0 ? 2 : -2) : i % 2), null, false), i -> i);
        Finding finding = one(table, "content-unsettled");
        assertThat(finding.severity()).isEqualTo(Severity.NOTE);
        assertThat(applied(table, finding.remedies().getFirst()).sources().getFirst().reading().cadence().leadIn()).isBetween(8L, 11L);
    }

    @Test
    void whichOfTwoSessionsCountsIsForPeopleToSay() {
        FrameTable table = table(i -> i < 20 ? plain(i) : look(1000 + i, 180 + i % 3, null, false), i -> i < 20 ? 5000 + i : i);
        Finding finding = one(table, "content-overwritten");
        assertThat(finding.severity()).isEqualTo(Severity.WARNING);
        assertThat(finding.remedies()).extracting(Remedy::label).containsExactly("Use the later ones, 0101-0120", "Use the earlier "
                + "ones, 0121-0148", "Show");
        assertThat(applied(table, finding.remedies().getFirst()).sources().getFirst().reading().range()).isEqualTo(FrameRange.of(101, 120));
        assertThat(applied(table, finding.remedies().get(1)).sources().getFirst().reading().range()).isEqualTo(FrameRange.of(121, 148));
    }

    @Test
    void picturesThatComeAgainInARhythmAreNamedOnce() {
        assertThat(one(table(i -> plain(i - i / 5), i -> i), "content-cadence").text()).contains("one picture in 5");
        assertThat(one(table(i -> plain(i - i / 4), i -> i), "content-cadence").text()).contains("one picture in 4");
        assertThat(one(table(i -> plain(i / 4), i -> i), "content-cadence").text()).contains("stands for 4 frames");
        FrameTable seldom = table(i -> plain(i - i / 9), i -> i);
        assertThat(one(seldom, "content-cadence").text()).contains("one picture in 9");
        assertThat(findings(seldom, Map.of())).extracting(Finding::id).doesNotContain("content-repeated");
        for (int held : new int[] {1, 2, 3}) {
            assertThat(findings(table(i -> plain(i / held), i -> i), Map.of())).as("on " + held).extracting(Finding::id)
                    .doesNotContain("content-cadence", "content-repeated");
        }
    }

    /** The second render went on where the first one had ended, and beyond: nothing later is below anything earlier. */
    @Test
    void aRenderOverTheEndOfAnotherIsNamed() {
        FrameTable over = table(i -> i < 14 ? plain(i) : look(1000 + i, 180 + i % 3, null, false), i -> i < 14 ? i : 5000 + i);
        Finding finding = one(over, "content-overwritten");
        assertThat(finding.text()).contains("0115-0148");
        assertThat(finding.evidence()).contains("than the frames up to 0114");
        assertThat(finding.remedies()).extracting(Remedy::label).containsExactly("Use the later ones, 0115-0148", "Use the earlier "
                + "ones, 0101-0114", "Show");
        FrameTable between = table(i -> i < 14 || i > 30 ? plain(i) : look(1000 + i, 180 + i % 3, null, false),
                i -> i < 14 || i > 30 ? i : 5000 + i);
        assertThat(one(between, "content-overwritten").text()).contains("0115-0131");
    }

    /** Behind frames that are missing the picture is another one anyway. */
    @Test
    void aHoleBetweenTwoSessionsIsNoJump() {
        long[] numbers = LongStream.range(101, 101 + COUNT).map(n -> n < 115 ? n : n + 40).toArray();
        FrameTable resumed = table(numbers, i -> i < 14 ? plain(i) : look(1000 + i, 180 + i % 3, null, false), i -> i < 14 ? i : 5000 + i);
        assertThat(findings(resumed, Map.of())).extracting(Finding::id).doesNotContain("content-overwritten", "content-sessions");
    }

    @Test
    void aRenderThatWasStoppedAndTakenUpAgainIsOne() {
        FrameTable resumed = table(ContentFindingsTest::plain, i -> i < 14 ? i : i < 30 ? 5000 + i : 9000 + i);
        assertThat(findings(resumed, Map.of())).extracting(Finding::id).noneMatch(id -> id.matches("content-(overwritten|sessions)"));
        FrameTable mended = table(ContentFindingsTest::plain, i -> i == 9 || i == 12 ? 5000 + i : i);
        assertThat(one(mended, "content-sessions").text()).contains("0110, 0113");
    }

    @Test
    void blankFramesBetweenOthersAreNamed() {
        Finding finding = one(table(i -> i == 30 ? look(7, 0, null, false) : plain(i), i -> i), "content-blank");
        assertThat(finding.evidence()).isEqualTo("0131: black, between frames that show a picture");
    }

    @Test
    void depthThatIsntUsedAndValuesThatAreNoColourAreSaid() {
        FrameTable eight = table(i -> look(1000 + i, 100 + i % 3, null, true), i -> i);
        assertThat(one(eight, "content-eight-bit").text()).contains("8-bit values only");
        FrameTable odd = table(i -> look(1000 + i, 100 + i % 3, i == 4 ? new FrameLook.Odd(3, 1, 2) : null, false), i -> i);
        assertThat(one(odd, "content-odd-values").text()).contains("3 samples are no number, 1 infinite, 2 below zero");
    }

    @Test
    void aMovieOfUnevenRateIsAWarning() {
        FrameTable table = table(ContentFindingsTest::plain, i -> i);
        ClipFacts clip = new ClipFacts("mov", COUNT, Rate.FPS_25, new ClipFacts.Uneven(Rational.of(1, 50), Rational.of(1, 10), 7, 2), null,
                null, Rational.of(2), List.of(), 1, false);
        assertThat(findings(table, Map.of("s1", clip))).filteredOn(f -> f.id().equals("rate-uneven")).singleElement()
                .satisfies(f -> assertThat(f.text()).contains("20 to 100 ms apart, 7 places off",
                        "2 are too short to be seen"));
    }

    @Test
    void anInterlacedMovieIsAWarning() {
        FrameTable table = table(ContentFindingsTest::plain, i -> i);
        ClipFacts clip = new ClipFacts("mov", COUNT, Rate.FPS_25, null, null, null, Rational.of(2), List.of(), 1, false,
                FrameNumbers.FROM_ZERO, FieldOrder.BOTTOM);
        assertThat(findings(table, Map.of("s1", clip))).filteredOn(f -> f.id().equals("interlaced")).singleElement()
                .satisfies(f -> assertThat(f.text()).contains("is interlaced, bottom field first"))
                .satisfies(f -> assertThat(f.remedies()).extracting(Remedy::label).containsExactly("Deinterlace", "Each field a frame",
                        "Keep both fields"));
    }

    @Test
    void whatLiesOutsideTheRangeIsNotSaid() {
        FrameTable table = table(i -> plain(i == 20 ? 19 : i), i -> i);
        Project project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = SourceEdits.setRange("s1", FrameRange.of(101, 110)).apply(project);
        assertThat(Findings.of(project,
                new Observed(Map.of("s1", table), Map.of("s1", ContentReview.of(table)), Map.of(), Observed.Destination.UNKNOWN, Set.of()))
                .all())
                .noneMatch(f -> f.id().equals("content-repeated"));
    }
}
