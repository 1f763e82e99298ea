package dev.vat.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunPlanTest {

    private static RunPlan plan() {
        Expectation expected = Expectation.of(Catalogue.WEB_H264.settings(), 15, Rate.FPS_25, Size.of(64, 48), PixelAspect.SQUARE, null);
        return new RunPlan(1, "20310504-120000-abcdef", "2031-05-04T12:00:00Z", "0", "lib", "Kite Week", "opening", Rate.FPS_25, "chosen",
                Size.of(64, 48),
                PixelAspect.SQUARE, WorkingFormat.W16,
                List.of(new RunSource("a", "/a", new SequencePattern("a.", 4, ".png"), FileKind.PNG,
                        PictureReading.of(AlphaKind.NONE, false), 16, Size.of(64, 48), null, 0, false, List.of()),
                        new RunSource("b", "/b", new SequencePattern("b.", 1, ".exr"), FileKind.EXR,
                                PictureReading.of(AlphaKind.NONE, true), 16, Size.of(64, 48), null, 0, false, List.of())),
                List.of(new RunSpan(0, 0, 1001, 1, 1, 10,
                        List.of(new RunFill(3, new ReelFrame(0, 1004, new ReelFrame.SourceFrame(1003))),
                                new RunFill(4, new ReelFrame(0, 1005, new ReelFrame.Card("missing"))))),
                        new RunSpan(1, 10, 0, 5, 1, 5, List.of())),
                "/out", "face", null,
                List.of(new RunFile("web-h264", "H.264 for the web", "h264-high-420", "opening_web.mp4",
                        Treatment.plain(Catalogue.codec("h264-high-420"), Size.of(64, 48)), null, 2, 1, Map.of("crf", "17"),
                        List.of(new RunPart(0, 0, 15)), expected, null, null)),
                null);
    }

    @Test
    void eachReelFrameKnowsItsSourceFrameOrWhatStandsIn() {
        RunPlan plan = plan();
        assertThat(plan.frames()).isEqualTo(15);
        assertThat(plan.frameAt(0).content()).isEqualTo(new ReelFrame.SourceFrame(1001));
        assertThat(plan.frameAt(3)).isEqualTo(new ReelFrame(0, 1004, new ReelFrame.SourceFrame(1003)));
        assertThat(plan.frameAt(4).content()).isEqualTo(new ReelFrame.Card("missing"));
        assertThat(plan.frameAt(10).wanted()).isZero();
        assertThat(plan.frameAt(14).wanted()).isEqualTo(20);
        assertThat(plan.sourceOf(plan.frameAt(14)).name()).isEqualTo("b");
    }

    @Test
    void aPlanComesBackFromItsTextAsItWas() throws Exception {
        JsonMapper json = JsonMapper.builder().build();
        assertThat(json.readValue(json.writeValueAsString(plan()), RunPlan.class)).isEqualTo(plan());
        ReelFrame from = new ReelFrame(0, 1004, new ReelFrame.Blend(1003, 1004, Rational.of(1, 3)), false);
        ReelFrame black = new ReelFrame(RunSpan.DRAWN, 0, new ReelFrame.Plain(Rgb.BLACK), false);
        RunPlan drawn = plan().withSpans(List.of(new RunSpan(RunSpan.DRAWN, 0, 0, 1, 1, 4,
                List.of(new RunFill(0,
                        new ReelFrame(RunSpan.DRAWN, 0, new ReelFrame.Cross(from, black, Rational.of(1, 2)), false))),
                new ReelFrame.Plain(Rgb.BLACK), null)));
        assertThat(json.readValue(json.writeValueAsString(drawn), RunPlan.class)).isEqualTo(drawn);
        assertThat(drawn.frameAt(0).seen()).extracting(ReelFrame::wanted).containsExactly(1003L, 1004L);
        assertThat(RunPlan.isDrawn(drawn.frameAt(3))).isTrue();
    }

    /** Long-GOP parts are whole groups of frames, at least ten seconds; boundaries depend on the plan alone. */
    @ParameterizedTest
    @CsvSource({"web-h264, 25, 2200, 1000", "web-h264, 24000/1001, 2000, 960", "web-h264, 25, 96, 1000", "edit-prores-hq, 25, 250, 100",
        "alpha-prores-4444, 24, 97, 96"})
    void partsCoverEverythingOnceInOrder(String target, String rate, long frames, long length) {
        List<RunPart> parts = PartCutting.cut(Catalogue.target(target).settings(), Rate.parse(rate), frames);
        long next = 0;
        for (RunPart part : parts) {
            assertThat(part.first()).isEqualTo(next);
            assertThat(part.count()).isEqualTo(Math.min(length, frames - next));
            next = part.end();
        }
        assertThat(next).isEqualTo(frames);
        long group = Catalogue.target(target).settings().groupFrames(Rate.parse(rate));
        assertThat(parts).allSatisfy(p -> assertThat(p.first() % group).isZero());
    }

    private static FileFacts asPlanned(Expectation e) {
        return new FileFacts(e.frames(), e.rate(), true, Rational.ZERO, e.seconds(), Rational.of(1, 24000), e.size(), e.pixelAspect(), null,
                e.container().title(), e.codec(), e.profile(), 31,
                e.readBits(), e.chroma().label(), e.alphaBits(), stated(e.matrix()), stated(e.primaries()), stated(e.transfer()),
                stated(e.range()), 0, null, e.indexInFront(), e.scan().title(), e.loops(), 1000, e.timecode(), null);
    }

    private static String stated(String tag) {
        return tag == null ? "unknown" : tag;
    }

    @Test
    void aFileThatIsAsPlannedAgreesInEveryLine() {
        for (var target : Catalogue.targets()) {
            Expectation e = Expectation.of(target.settings(), 97, Rate.of(24000, 1001), Size.of(64, 48), PixelAspect.of(16, 15), null);
            assertThat(Comparison.of(e, asPlanned(e)).disagreements()).isEmpty();
        }
    }

    @Test
    void eachDeviationIsOneLineThatDisagrees() {
        Expectation e = Expectation.of(Catalogue.WEB_H264.settings(), 97, Rate.of(24000, 1001), Size.of(64, 48), PixelAspect.SQUARE, null);
        FileFacts f = asPlanned(e);
        Expectation.Level level = new Expectation.Level(-23, -23, -1, 96_000, 480_000, 2);
        Expectation loud = e.withSound(new Expectation.SoundTrack("aac", 2, 48_000, e.seconds())).withLevel(level);
        assertThat(loud.withFrames(1).level()).as("it ends before the programme begins").isNull();
        assertThat(e.withSound(new Expectation.SoundTrack("aac", 2, 48_000, e.seconds()))
                .withLevel(new Expectation.Level(-23, -23, -1, 0, 480_000, 2)).withFrames(1).level().to())
                .as("up to where it ends").isEqualTo(e.rate().seconds(1).times(48_000).round());
        Expectation labelled = e.withTimecode(Timecode.parse("10:00:00:00", e.rate()));
        assertThat(Comparison.of(labelled, f).disagreements()).extracting(Comparison.Line::name).containsExactly("timecode");
        assertThat(Comparison.of(labelled, asPlanned(labelled)).disagreements()).isEmpty();
        Map<String, FileFacts> wrong = new java.util.TreeMap<>();
        wrong.put("frames", with(f, 96, f.rate(), f.size(), f.range(), f.soundTracks(), f.bits()));
        wrong.put("rate", with(f, 97, Rate.of(24), f.size(), f.range(), f.soundTracks(), f.bits()));
        wrong.put("size", with(f, 97, f.rate(), Size.of(48, 64), f.range(), f.soundTracks(), f.bits()));
        wrong.put("range", with(f, 97, f.rate(), f.size(), "full", f.soundTracks(), f.bits()));
        wrong.put("sound tracks", with(f, 97, f.rate(), f.size(), f.range(), 1, f.bits()));
        wrong.put("depth", with(f, 97, f.rate(), f.size(), f.range(), 0, 10));
        wrong.forEach((line, facts) -> assertThat(Comparison.of(e, facts).disagreements()).extracting(Comparison.Line::name)
                .containsExactly(line));
        assertThat(Comparison.of(e, wrong.get("rate")).allAgree()).isFalse();
    }

    private static FileFacts with(FileFacts f, long frames, Rate rate, Size size, String range, int sound, int bits) {
        return new FileFacts(frames, rate, f.evenSpacing(), f.startSeconds(), f.durationSeconds(), f.clock(), size, f.pixelAspect(), null,
                f.container(), f.codec(), f.profile(),
                f.level(), bits, f.chroma(), f.alphaBits(), f.matrix(), f.primaries(), f.transfer(), range, sound, null, f.indexInFront(),
                f.scan(), f.loops(), f.bytes(), f.timecode(), null);
    }

    private static ResolvedReel programme(FrameTable... tables) {
        Project project = Edits.bringIn(List.of(tables).stream().map(t -> t.sequence().location()).toList(), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY);
        project = Edits.setRate(Rate.FPS_25).apply(project);
        Map<String, FrameTable> byId = new java.util.HashMap<>();
        for (int i = 0; i < tables.length; i++) {
            byId.put("s" + (i + 1), tables[i]);
        }
        return ResolvedReel.of(project, byId).orElseThrow();
    }

    @Test
    void theWorkingPictureHasEightBitsOnlyWhereNothingIsLostByIt() {
        var eight = Frames.format("PNG", Size.of(64, 48), Depth.integer(8), AlphaKind.NONE);
        var alpha = Frames.format("PNG", Size.of(64, 48), Depth.integer(8), AlphaKind.STRAIGHT);
        assertThat(programme(Frames.good("a", 1, 2, eight).table()).working()).isEqualTo(WorkingFormat.W8);
        assertThat(programme(Frames.good("a", 1, 2, alpha).table()).working()).isEqualTo(WorkingFormat.W16);
        assertThat(programme(Frames.good("a", 1, 2).table()).working()).isEqualTo(WorkingFormat.W16);
        assertThat(programme(Frames.good("a", 1, 2, eight).table(), Frames.good("b", 1, 2).table()).deepest()).isEqualTo(16);
    }

    @Test
    void whatWillBeMadeIsSaidInWords() {
        FrameTable table = Frames.good("a", 1001, 1432).table();
        assertThat(programme(table).describe()).isEqualTo("whole reel, 432 frames");
        Project project = SourceEdits.setRange("s1", FrameRange.of(1021, 1332))
                .apply(Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY));
        assertThat(ResolvedReel.of(project, Map.of("s1", table)).orElseThrow().describe()).isEqualTo("only 1021-1332, 312 frames");
    }
}
