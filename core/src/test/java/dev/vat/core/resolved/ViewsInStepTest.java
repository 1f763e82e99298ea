package dev.vat.core.resolved;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.View;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Reading;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What stands in two views at each place of their layout, by what keeps them together. */
class ViewsInStepTest {

    private final Map<String, FrameTable> tables = new HashMap<>();

    private Source source(String id, long first, long last, Reading reading) {
        Frames frames = Frames.good(id, first, last);
        tables.put(id, frames.table());
        return Source.of(id, Place.of(Path.of("/renders")), frames.sequence().pattern(), reading);
    }

    private ResolvedReel programme(InStep step, Reading left, Reading right) {
        List<Source> sources = List.of(source("left", 1001, 1010, left), source("right", 1004, 1023, right));
        Layout layout = Layout
                .of("Both", Size.of(1920, 540), new Arrangement.Grid(2), List.of(View.of(Item.of("left")), View.of(Item.of("right"))))
                .withStep(step);
        Project project = Project.EMPTY.withSources(sources).withReels(List.of(Reel.of("r1", "both", List.of(Item.of(layout)))), "r1");
        return ResolvedReel.of(project, tables).orElseThrow();
    }

    private static List<Long> at(ResolvedReel programme, long place) {
        return ((ReelFrame.Together) programme.plan().at(place).content()).frames().stream().map(ReelFrame::wanted).toList();
    }

    @Test
    void frameByFrameRatesDontCount() {
        ResolvedReel programme = programme(InStep.FRAMES, Reading.PLAIN.withRate(Rate.FPS_25), Reading.PLAIN.withRate(Rate.of(50)));
        assertThat(programme.plan().count()).isEqualTo(20);
        assertThat(programme.size()).contains(Size.of(1920, 540));
        assertThat(at(programme, 0)).containsExactly(1001L, 1004L);
        assertThat(at(programme, 9)).containsExactly(1010L, 1013L);
    }

    @Test
    void bySecondsEachKeepsItsOwnTime() {
        ResolvedReel programme = programme(InStep.SECONDS, Reading.PLAIN.withRate(Rate.FPS_25), Reading.PLAIN.withRate(Rate.of(50)));
        assertThat(programme.plan().count()).as("twenty frames at 50 are ten at 25").isEqualTo(10);
        assertThat(at(programme, 4)).containsExactly(1005L, 1012L);
    }

    @Test
    void byTimecodeTheSameLabelStandsTogether() {
        Reading ten = Reading.PLAIN.withRate(Rate.FPS_25).withTimecode("10:00:00:05");
        Reading earlier = Reading.PLAIN.withRate(Rate.FPS_25).withTimecode("10:00:00:00");
        ResolvedReel programme = programme(InStep.TIMECODE, ten, earlier);
        assertThat(at(programme, 0)).as("the later one waits").containsExactly(1001L, 1004L);
        assertThat(at(programme, 5)).containsExactly(1001L, 1009L);
        assertThat(at(programme, 7)).containsExactly(1003L, 1011L);
    }

    @Test
    void whereNoTimecodeIsStatedFrameNumbersCount() {
        Reading plain = Reading.PLAIN.withRate(Rate.FPS_25);
        ResolvedReel programme = programme(InStep.TIMECODE, plain, plain);
        assertThat(at(programme, 3)).containsExactly(1004L, 1004L);
        assertThat(at(programme, 8)).containsExactly(1009L, 1009L);
        assertThat(programme.plan().count()).isEqualTo(23);
    }
}
