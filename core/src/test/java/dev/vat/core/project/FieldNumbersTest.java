package dev.vat.core.project;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A movie whose fields are counted as frames: twice the frames at twice the rate, and all that was said of frames still holds. */
class FieldNumbersTest {

    private static final Sequence MOVIE = Sequence.ofMovie(Path.of("/kites"), "kite_tape.mov", 10, 1000, 0);

    private final FrameTable table = checked();
    private final Project kept = Edits.bringIn(List.of(MOVIE.location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);

    private static FrameTable checked() {
        PictureFormat format = new PictureFormat("MPEG-2", new Size(720, 576), Depth.integer(8), AlphaKind.NONE, PixelAspect.SQUARE, false,
                List.of()).withStated(Stated.NOTHING.withTime(Rate.FPS_25, null));
        FrameTable.Collector collector = FrameTable.collect(MOVIE);
        for (int i = 0; i < 10; i++) {
            collector.add(i == 4 ? FrameCheck.fault(i, FrameState.UNREADABLE, "a tape fault") : FrameCheck.sound(i, format, null, null));
        }
        return collector.build();
    }

    private Project each(Project project) {
        return SourceEdits.setFields("s1", FieldReading.EACH).apply(project);
    }

    private FrameTable asRead(Project project) {
        return project.source("s1").orElseThrow().reading().picture().asRead(table);
    }

    @Test
    void thereAreTwiceAsManyFramesAtTwiceTheRate() {
        Project read = each(kept);
        FrameTable fields = asRead(read);
        assertThat(fields.sequence().range()).isEqualTo(FrameRange.of(0, 19));
        assertThat(fields.format().orElseThrow().stated().rate()).isEqualTo(Rate.of(50));
        assertThat(fields.faults()).extracting(FrameTable.Fault::frame).containsExactly(8L, 9L);
        assertThat(fields.faults()).extracting(FrameTable.Fault::why).containsOnly("a tape fault");
        ResolvedReel reel = ResolvedReel.of(read, Map.of("s1", fields)).orElseThrow();
        assertThat(reel.plan().count()).isEqualTo(20);
        assertThat(reel.rate()).contains(Rate.of(50));
    }

    @Test
    void rangesAndMarksGoOnMeaningTheSamePictures() {
        Project said = SourceEdits.setRange("s1", FrameRange.of(2, 6)).apply(kept);
        said = SourceEdits.setSourceRate("s1", Rate.of(24)).apply(said);
        said = SourceEdits.mark("s1", FrameRange.of(5, 6), true).apply(said);
        Project read = each(said);
        var reading = read.source("s1").orElseThrow().reading();
        assertThat(reading.range()).isEqualTo(FrameRange.of(4, 13));
        assertThat(reading.rate()).isEqualTo(Rate.of(48));
        assertThat(reading.marked()).isEqualTo(new FrameSet(List.of(FrameRange.of(10, 13))));
        assertThat(SourceEdits.setFields("s1", null).apply(read)).isEqualTo(said);
    }

    @Test
    void otherWaysToTakeFieldsChangeNoNumber() {
        Project said = SourceEdits.setRange("s1", FrameRange.of(2, 6)).apply(kept);
        Project read = SourceEdits.setFields("s1", FieldReading.DEINTERLACED).apply(said);
        assertThat(read.source("s1").orElseThrow().reading().range()).isEqualTo(FrameRange.of(2, 6));
        assertThat(asRead(read)).isSameAs(table);
    }
}
