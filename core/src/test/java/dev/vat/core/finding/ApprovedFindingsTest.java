package dev.vat.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.PreviewEdits;
import dev.vat.core.project.Project;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Item;
import dev.vat.core.resolved.Remark;
import dev.vat.core.source.Approved;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Frames;
import dev.vat.core.source.Location;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Final frames held to the preview that was approved, and previews that come and take each other's place. */
class ApprovedFindingsTest {

    private static final Approved PIER = new Approved("pier_v002", "pier", FrameRange.of(1, 184), Rate.FPS_25, Size.of(480, 270), 200);

    private static Project project(FrameTable table) {
        return PreviewEdits.hold("s1", PIER)
                .apply(Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY));
    }

    private static List<Finding> find(Project project, FrameTable table) {
        return Findings.of(project, new Observed(Map.of("s1", table), Observed.Destination.UNKNOWN)).all().stream()
                .filter(f -> f.id().startsWith("approved-")).toList();
    }

    @Test
    void whatTheRenderHasOfTheApprovedFramesIsSaid() {
        FrameTable table = Frames.good("pier", 1, 132).faulty(132, FrameState.CUT_SHORT, "ends too soon").table();
        Project project = project(table);
        assertThat(project.source("s1").orElseThrow().reading().rate()).isEqualTo(Rate.FPS_25);
        List<Finding> found = find(project, table);
        assertThat(found).extracting(Finding::text).containsExactly("pier.####.png: the render has 131 of the approved 184.",
                "pier.####.png: in the approved preview the scene ran 200 frames before 0001, so that what drifts has settled. The "
                        + "render has to do the same.");
        assertThat(found.getFirst().severity()).isEqualTo(Severity.WARNING);
        assertThat(found.getFirst().evidence()).isEqualTo("pier_v002, camera pier, 0001-0184");
        assertThat(ResumeAdvice.of(table, project.source("s1").orElseThrow().reading()).wanted()).as("what to render is known")
                .hasToString("132-184");
        FrameTable whole = Frames.good("pier", 1, 184).table();
        assertThat(find(project, whole).getFirst().severity()).isEqualTo(Severity.NOTE);
        assertThat(find(project, whole).getFirst().text()).isEqualTo("pier.####.png: the render has all of the approved 184 frames.");
        assertThat(find(project, Frames.good("pier", 1, 184).unchecked()).getFirst().text()).as("nothing is promised before it was "
                + "looked into").endsWith("are there, and being checked.");
    }

    @Test
    void anotherRateOrShapeIsSaid() {
        FrameTable table = Frames.good("pier", 1, 184, Frames.format("PNG", Size.of(1024, 768), Depth.integer(16), AlphaKind.NONE)).table();
        Project project = SourceEdits.setSourceRate("s1", Rate.of(30)).apply(project(table));
        List<Finding> found = find(project, table);
        assertThat(found).extracting(Finding::id).contains("approved-rate", "approved-shape");
        Finding rate = found.stream().filter(f -> f.id().equals("approved-rate")).findFirst().orElseThrow();
        assertThat(rate.text()).isEqualTo("pier.####.png: the approved preview runs at 25, these frames are read at 30.");
        assertThat(find(((Remedy.Apply) rate.remedies().getFirst()).edit().apply(project), table)).extracting(Finding::id)
                .doesNotContain("approved-rate");
        assertThat(find(PreviewEdits.hold("s1", null).apply(project), table)).isEmpty();
    }

    @Test
    void aNewerPreviewTakesThePlaceOfTheOneBefore() {
        Path place = Path.of("/previews/marram-flats/pier");
        Project project = PreviewEdits.take(Location.ofFile(place.resolve("pier_v001.mp4"))).apply(Project.EMPTY);
        assertThat(project.sources()).singleElement().satisfies(s -> assertThat(s.name()).isEqualTo("pier_v001.mp4"));
        assertThat(project.currentReel()).as("it goes into no reel by itself").isEmpty();
        project = PreviewEdits.reelToShow("director", List.of("s1")).apply(project);
        project = PreviewEdits.take(Location.ofFile(place.resolve("pier_v002.mp4"))).apply(project);
        project = PreviewEdits.take(Location.ofFile(place.resolveSibling("sand").resolve("sand_v001.mp4"))).apply(project);
        assertThat(project.sources()).extracting(s -> s.name()).containsExactly("pier_v002.mp4", "sand_v001.mp4");
        assertThat(project.currentReel().orElseThrow().items()).extracting(Item::source).containsExactly("s1");
        assertThat(project.deliverables()).singleElement().satisfies(d -> assertThat(d.burnIn().isNothing()).isFalse());
        Project marked = Remark.mark(Remark.parse("pier 42 kite too low"), project, null, Map.of(), null).apply(project);
        assertThat(marked.source("s1").orElseThrow().reading().remarks()).as("a camera's name is enough").containsEntry(42L,
                "kite too low");
    }
}
