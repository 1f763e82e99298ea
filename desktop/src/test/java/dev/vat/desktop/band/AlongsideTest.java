package dev.vat.desktop.band;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.content.ContentReview;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.reel.Item;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;

/** What stands beside what, when a reel is held against a source: frames 11 to 40, of which 21 to 30 follow ten others. */
class AlongsideTest {

    private static FrameTable table(String name) {
        return FrameTable.unchecked(Sequence.of(Path.of("/kite"), new SequencePattern(name + ".", 4, ".png"), FileKind.PNG,
                LongStream.rangeClosed(11, 40).toArray(), LongStream.rangeClosed(11, 40).toArray(), new long[30]));
    }

    private final Map<String, FrameTable> tables = Map.of("s1", table("pier"), "s2", table("tower"));
    private final Project project = Edits.setRate(Rate.FPS_25)
            .apply(Edits.bringIn(List.of(tables.get("s1").sequence().location(), tables.get("s2").sequence().location()),
                    Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY))
            .withCurrentReel(r -> r.withItems(List.of(Item.of("s1").withRange(FrameRange.of(11, 20)),
                    Item.of("s2").withRange(FrameRange.of(21, 30)))));
    private final ReelStrip reel = new ReelStrip(ResolvedReel.of(project, tables).orElseThrow(), null, null);

    private SourceStrip source(String id) {
        return new SourceStrip(project.source(id).orElseThrow(), tables.get(id), ContentReview.NOTHING);
    }

    @Test
    void aReelStandsBesideASourceWhereItBeginsToTakeIt() {
        SourceStrip tower = source("s2");
        Alongside beside = new Alongside(reel, tower, Alongside.usualOffset(tower, reel));
        assertThat(beside.number(tower.placeOf(21))).isEqualTo(reel.number(10));
        assertThat(beside.number(tower.placeOf(30))).isEqualTo(reel.number(19));
        assertThat(beside.number(tower.placeOf(40))).as("the reel is over").isEqualTo("none");
    }

    @Test
    void andTheSourceBesideTheReel() {
        SourceStrip tower = source("s2");
        Alongside beside = new Alongside(tower, reel, Alongside.usualOffset(reel, tower));
        assertThat(beside.number(10)).isEqualTo(tower.number(tower.placeOf(21)));
        assertThat(Alongside.usualOffset(reel, source("s1"))).as("from its first frame on").isZero();
    }
}
