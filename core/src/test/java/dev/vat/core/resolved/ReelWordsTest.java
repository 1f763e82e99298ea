package dev.vat.core.resolved;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.WrittenWords;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.BroadcastHead;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a reel says of its frames, in pictures and as text, and what people say of them. */
class ReelWordsTest {

    private static final FrameTable A = Frames.good("sh010_camB_v03", 1001, 1010).table();
    private static final FrameTable B = Frames.good("sh020", 1, 6).table();
    private static final Map<String, FrameTable> TABLES = Map.of("s1", A, "s2", B);

    private static Project project(Edit... edits) {
        Project project = Edits.setRate(Rate.FPS_25).apply(
                Edits.bringIn(List.of(A.sequence().location(), B.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY));
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        return project;
    }

    private static ResolvedReel programme(Edit... edits) {
        return ResolvedReel.of(project(edits), TABLES).orElseThrow();
    }

    private static List<String> words(ResolvedReel programme, long frame) {
        return programme.letteringAt(PictureWords.of(programme, null, "2031-05-04").orElseThrow(), frame).lines().stream()
                .map(Lettering.Written::text).toList();
    }

    @Test
    void everyFieldSaysWhatItsNamePromises() {
        BurnIn all = BurnIn.NOTHING;
        for (Field field : Field.values()) {
            all = all.with(Line.of(Wording.of(field), Spot.TOP));
        }
        ResolvedReel programme = programme(ReelEdits.burnIn(all), ReelEdits.setStart("01:00:00:00"));
        assertThat(words(programme, 3)).containsExactly("1004", "3", "01:00:00:03", "sh010_camB_v03", "camB", "v03", "2031-05-04",
                "00:00:00:16", programme.reel().name(), "960x540", "25");
        assertThat(words(programme, 11)).as("sh020 names no camera and no version").containsExactly("0002", "11", "01:00:00:11", "sh020",
                "2031-05-04", "00:00:00:16", programme.reel().name(), "960x540", "25");
    }

    /** The programme is as long as its own frames, and begins where they do, whatever stands in front. */
    @Test
    void aSlateTellsOfTheProgrammeBehindIt() {
        ResolvedReel programme = programme(
                ReelEdits.addHead(BroadcastHead.of(Rate.FPS_25, Size.of(960, 540), PixelAspect.SQUARE, "2031-05-04")));
        ReelFrame slate = programme.plan().at(510);
        assertThat(((ReelFrame.Slate) slate.content()).entries()).extracting(e -> e.label() + "=" + e.words().text()).containsExactly(
                "Programme=" + programme.reel().name(), "Length=00:00:00:16",
                "Starts at=10:00:00:00", "Picture=960x540, 25", "Date=2031-05-04");
        assertThat(programme.plan().programmeStart()).isEqualTo(750);
        assertThat(programme.plan().programmeEnd()).isEqualTo(766);
        assertThat(words(programme, 0)).isEmpty();
    }

    @Test
    void aPlanIsPrintedLineByLine() {
        ResolvedReel programme = programme(ReelEdits.trimItem(0, FrameRange.of(1001, 1004)),
                ReelEdits.playItem(0, Playing.PLAIN.withTail(1)), ReelEdits.setRate(Rate.FPS_25), ReelEdits.joinItem(1, Joint.dissolve(2)),
                ReelEdits.trimItem(1, FrameRange.of(1, 4)), ReelEdits.addDrawn(0, new GeneratedItem.Leader(1, null, 3)),
                ReelEdits.setStart("10:00:00:00"));
        assertThat(PlanText.of(programme)).isEqualTo("""
                0 10:00:00:00 -> leader 3
                1 10:00:00:01 -> leader 2
                2 10:00:00:02 -> colour #000000
                3 10:00:00:03 -> sh010_camB_v03 1001
                4 10:00:00:04 -> sh010_camB_v03 1002
                5 10:00:00:05 -> sh010_camB_v03 1003
                6 10:00:00:06 -> sh010_camB_v03 1004 + sh020 0001 (1/3 of the later)
                7 10:00:00:07 -> sh010_camB_v03 1004 + sh020 0002 (2/3 of the later)
                8 10:00:00:08 -> sh020 0003
                9 10:00:00:09 -> sh020 0004""");
        assertThat(PlanText.of(programme, 1).lines()).hasSize(5);
        ResolvedReel mixed = programme(SourceEdits.setSourceRate("s1", Rate.of(50)), ReelEdits.setRate(Rate.of(60)),
                ReelEdits.playItem(0, Playing.PLAIN.withConform(Conform.BLEND)));
        assertThat(PlanText.of(mixed, 0).lines().skip(1).findFirst()).contains("1 00:00:00:01 -> sh010_camB_v03 1001 + 1002 (5/6 of "
                + "the later)");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            0264 ribbon jumps              |       | 0264        | ribbon jumps
            1040-1044                      |       | 1040-1044   |
            sh010 1040-1044 string thick   | sh010 | 1040-1044   | string thick
            12, 14-16: too dark            |       | 12, 14-16   | too dark
            10:00:01:12 too dark           |       | 10:00:01:12 | too dark
            01:00:01;12 - flickers         |       | 01:00:01;12 | - flickers
            3 kites, 2 strings             |       | 3           | kites, 2 strings
            """)
    void aLineOfMarksIsRead(String line, String name, String frames, String words) {
        assertThat(Remark.parse(line + "\n\n")).containsExactly(new Remark(name, frames, words == null ? "" : words));
    }

    @Test
    void marksComeBackAsRangesToRenderAgain() {
        Project project = project(ReelEdits.setStart("10:00:00:00"));
        ResolvedReel programme = ResolvedReel.of(project, TABLES).orElseThrow();
        List<Remark> remarks = Remark.parse("1003 ribbon jumps\nsh020 4-5 too dark\n10:00:00:06 string\n10:00:00:12");
        Project marked = Remark.mark(remarks, project, programme, TABLES, "s1").apply(project);
        assertThat(ResumeAdvice.of(A, marked.source("s1").orElseThrow().reading()).wanted()).hasToString("1003, 1007");
        assertThat(ResumeAdvice.of(B, marked.source("s2").orElseThrow().reading()).wanted()).hasToString("3-5");
        assertThat(marked.source("s1").orElseThrow().reading().remarks())
                .containsExactlyInAnyOrderEntriesOf(Map.of(1003L, "ribbon jumps", 1007L, "string"));
        assertThat(Remark.toText(marked)).isEqualTo("sh010_camB_v03 1003 ribbon jumps\nsh010_camB_v03 1007 string\nsh020 0003-0005");
        Project mended = SourceEdits.mark("s1", FrameRange.of(1003, 1003), false).apply(marked);
        assertThat(mended.source("s1").orElseThrow().reading().remarks()).as("what was said goes with the mark").containsOnlyKeys(1007L);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            no number at all  | names no frame
            sh099 3           | No source is called sh099
            1011              | has no frame 1011: it goes from 1001 to 1010
            09:59:59:24       | isn't in the reel
            """)
    void aMarkThatMeansNoFrameSaysWhy(String line, String why) {
        Project project = project(ReelEdits.setStart("10:00:00:00"));
        ResolvedReel programme = ResolvedReel.of(project, TABLES).orElseThrow();
        assertThatThrownBy(() -> Remark.mark(Remark.parse(line), project, programme, TABLES, "s1")).hasMessageContaining(why);
    }

    /** Frames 1001 to 1010 as an item, its edges moved along the reel; twice as slow, they move by half as many frames. */
    @ParameterizedTest
    @CsvSource({
        "true, 3, 1, false, 1004-1010",
        "true, -5, 1, false, 1001-1010",
        "false, -4, 1, false, 1001-1006",
        "false, 9, 1, false, 1001-1010",
        "true, 99, 1, false, 1010-1010",
        "false, -99, 1, false, 1001-1001",
        "true, 4, 1/2, false, 1003-1010",
        "false, -4, 1/2, false, 1001-1008",
        "true, 3, 1, true, 1001-1007",
        "false, -3, 1, true, 1004-1010"})
    void anEdgeThatIsDraggedTrims(boolean start, long by, String speed, boolean reversed, FrameRange taken) {
        Playing playing = Playing.PLAIN.withSpeed(Rational.parse(speed)).withReversed(reversed);
        Project project = project(ReelEdits.playItem(0, playing));
        ResolvedReel programme = ResolvedReel.of(project, TABLES).orElseThrow();
        Project trimmed = EdgeTrim.of(programme, programme.plan().spans().getFirst(), start, by).map(e -> e.apply(project)).orElse(project);
        FrameRange range = trimmed.currentReel().orElseThrow().items().getFirst().range();
        assertThat(range == null ? A.sequence().range() : range).isEqualTo(taken);
    }

    @Test
    void whatIsDrawnIsStretchedByItsEdges() {
        Project project = project(ReelEdits.addDrawn(0, GeneratedItem.Plain.black(10)));
        ResolvedReel programme = ResolvedReel.of(project, TABLES).orElseThrow();
        Project longer = EdgeTrim.of(programme, programme.plan().spans().getFirst(), false, 5).orElseThrow().apply(project);
        assertThat(longer.currentReel().orElseThrow().items().getFirst().drawn().frames()).isEqualTo(15);
        assertThat(EdgeTrim.of(programme, programme.plan().spans().getFirst(), true, 0)).isEmpty();
    }

    private static List<Finding> find(Map<String, String> unusable, Map<String, String> lacking, Edit... edits) {
        Project project = DeliverableEdits.addTarget(Catalogue.target("web-h264")).apply(project(edits));
        return Findings.of(project, new Observed(TABLES, Map.of(), Map.of(), Observed.Destination.UNKNOWN, Set.of(), unusable, lacking))
                .all();
    }

    private static Finding one(List<Finding> all, String id) {
        return all.stream().filter(f -> f.id().equals(id)).findFirst().orElseThrow(() -> new AssertionError(id + " isn't in " + all));
    }

    /** An item's words are set in the file's face, and the file's words in an item's. */
    @Test
    void lettersAreLookedForInTheFaceThatTheyAreSetIn() {
        Edit reel = ReelEdits.burnIn(BurnIn.of(Line.of(new Wording("kite"), Spot.TOP)));
        Edit item = ReelEdits.burnInItem(1, BurnIn.of(Line.of(new Wording("dune"), Spot.BOTTOM)));
        Edit file = DeliverableEdits.follow("web-h264",
                d -> d.withBurnIn(BurnIn.of(Line.of(new Wording("sky"), Spot.TOP)).withFace("/file.ttf")));
        Edit faced = ReelEdits.burnInItem(1, BurnIn.of(Line.of(new Wording("dune"), Spot.BOTTOM)).withFace("/item.ttf"));
        Edit target = DeliverableEdits.addTarget(Catalogue.target("web-h264"));
        assertThat(WrittenWords.byFace(project(reel, target, file, item))).isEqualTo(Map.of("", "deikntu", "/file.ttf", "deknsuy"));
        assertThat(WrittenWords.byFace(project(reel, target, file, faced)))
                .isEqualTo(Map.of("", "eikt", "/file.ttf", "ksy", "/item.ttf", "deiknstuy"));
        assertThat(WrittenWords.byFace(project(reel, target, DeliverableEdits.follow("web-h264", Deliverable::withCleanPictures))))
                .isEqualTo(Map.of("", "eikt"));
        assertThat(one(find(Map.of(), Map.of("/file.ttf", "u"), reel, target, file, item), "letters-missing").text())
                .contains("The burn-in of item 2").contains("no letter u.");
        assertThat(one(find(Map.of(), Map.of("/item.ttf", "k"), reel, faced), "letters-missing").text()).as("of the reel's own line")
                .contains("The burn-in of item 2").contains("no letter k.");
        assertThat(find(Map.of(), Map.of("", "d"), reel, faced)).extracting(Finding::id).doesNotContain("letters-missing");
    }

    @Test
    void lettersThatAFaceLacksStandInTheWay() {
        Edit kite = ReelEdits.burnIn(BurnIn.of(Line.of(new Wording("\u51e7 {frame}"), Spot.TOP)));
        Finding lacking = one(find(Map.of(), Map.of("", "\u51e7\u98a8"), kite), "letters-missing");
        assertThat(lacking.isBlocker()).isTrue();
        assertThat(lacking.text()).contains("no letter \u51e7.").doesNotContain("\u98a8");
        assertThat(find(Map.of(), Map.of("", "\u98a8"), kite)).extracting(Finding::id).doesNotContain("letters-missing");
        assertThat(find(Map.of(), Map.of("", "{am"), ReelEdits.burnIn(BurnIn.of(Line.of(Wording.of(Field.FRAME), Spot.TOP)))))
                .as("a field's name is never written").extracting(Finding::id).doesNotContain("letters-missing");
        assertThat(one(find(Map.of(), Map.of("", "7"), ReelEdits.burnIn(BurnIn.of(Line.of(Wording.of(Field.FRAME), Spot.TOP)))),
                "letters-missing").text()).contains("no letter 7.");
        assertThat(one(find(Map.of("/gone.ttf", "gone.ttf isn't there any more"), Map.of(),
                ReelEdits.burnIn(BurnIn.forReview().withFace("/gone.ttf"))), "face-unusable").text()).contains("gone.ttf isn't there");
        assertThat(find(Map.of(), Map.of(), ReelEdits.addDrawn(0, GeneratedItem.Leader.of(24)))).extracting(Finding::id)
                .contains("leader-rate");
        Line small = Line.of(Wording.of(Field.FRAME), Spot.TOP).withSize(1);
        assertThat(one(find(Map.of(), Map.of(), ReelEdits.burnIn(BurnIn.of(small))), "burn-in-small").text())
                .contains("5 pixels tall at 960x540");
    }
}
