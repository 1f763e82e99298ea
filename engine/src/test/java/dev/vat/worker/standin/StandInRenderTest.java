package dev.vat.worker.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import dev.vat.core.content.ContentFault;
import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.process.Task;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.RenderOrder.Flaw;
import dev.vat.protocol.RenderOrder;
import dev.vat.protocol.TaskMessage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes wrong with the stand-in's renders is what Vat finds in them. */
@Tag("slow")
class StandInRenderTest {

    @TempDir
    Path folder;

    private RenderOrder order(String name, boolean exr, Flaw... flaws) {
        return new RenderOrder(folder.resolve(name).toString(), name, "pier", FrameRange.of(41, 88), Size.of(160, 90), exr, 1, 0, 0, false,
                null, List.of(flaws));
    }

    private FrameTable checked(String name, String layer) throws IOException {
        Sequence sequence = SourceFinder.find(folder.resolve(name)).sequences().getFirst();
        try (Viewer viewer = new Viewer(TestPlaces.in(folder))) {
            return viewer.check(sequence, false, PictureChoice.ofLayer(layer), _ -> {}).join();
        }
    }

    @Test
    void everyFlawIsFoundWhereItIs() throws Exception {
        new StandInRender(order("flawed", false, Flaw.parse("cut@45"), Flaw.parse("hole@50"), Flaw.parse("smaller@55"),
                Flaw.parse("torn@62"), Flaw.parse("blank@70"), Flaw.parse("POP@78"))).run((_, _) -> {});
        FrameTable table = checked("flawed", null);
        assertThat(table.faults()).extracting(FrameTable.Fault::frame, FrameTable.Fault::state).contains(tuple(45L, FrameState.CUT_SHORT),
                tuple(55L, FrameState.MISMATCH));
        assertThat(table.sequence().missing().toText(Long::toString)).isEqualTo("50");
        List<ContentFault> content = ContentReview.of(table).faults();
        assertThat(content).filteredOn(f -> f.kind() == ContentFault.Kind.TORN).flatExtracting(ContentFault::frames).containsExactly(62L);
        assertThat(content).filteredOn(f -> f.kind() == ContentFault.Kind.BLANK).flatExtracting(ContentFault::frames).containsExactly(70L);
        assertThat(content).filteredOn(f -> f.kind() == ContentFault.Kind.POP).flatExtracting(ContentFault::frames).containsExactly(78L);
    }

    @Test
    void aSoundRenderHasNoFaultAndComesInTheOrderThatIsAskedFor() throws Exception {
        List<Long> told = new ArrayList<>();
        RenderOrder jumbled = new RenderOrder(folder.resolve("sound").toString(), "sound", "pier", FrameRange.of(41, 88), Size.of(160, 90),
                false, 1, 0, 0, true, null, null);
        new StandInRender(jumbled).run((frame, _) -> told.add(frame));
        assertThat(told.subList(0, 8)).containsExactly(44L, 43L, 42L, 41L, 48L, 47L, 46L, 45L);
        FrameTable table = checked("sound", null);
        assertThat(table.faults()).isEmpty();
        assertThat(ContentReview.of(table).faults()).isEmpty();
        byte[] first = Files.readAllBytes(folder.resolve("sound/sound.0060.png"));
        new StandInRender(jumbled).run((_, _) -> {});
        assertThat(Files.readAllBytes(folder.resolve("sound/sound.0060.png"))).as("the same order, the same bytes").isEqualTo(first);
    }

    @Test
    void passesAreLayersOfExr() throws Exception {
        new StandInRender(new RenderOrder(folder.resolve("layers").toString(), "layers", "tower", FrameRange.of(200, 201), Size.of(160, 90),
                true, 1, 0, 0, false, null, null)).run((_, _) -> {});
        assertThat(checked("layers", null).format().orElseThrow().layers()).contains("base", "light", "shadow", "haze", "depth.Z", "matte");
        assertThat(checked("layers", "light").faults()).isEmpty();
    }

    @Test
    @Tag("process")
    @Tag("slow")
    void aCrashLeavesAFileThatNobodyEnded() throws Exception {
        RenderOrder order = new RenderOrder(folder.resolve("crashed").toString(), "crashed", "pier", FrameRange.of(1, 9), Size.of(160, 90),
                false, 1, 0, 0, false, 5L, null);
        assertThatThrownBy(() -> Task.ask(TestPlaces.in(folder), new TaskMessage.Render(1, order), _ -> {},
                m -> m instanceof TaskMessage.Rendered rendered && rendered.last()))
                .hasMessageContaining("The work was lost");
        FrameTable table = checked("crashed", null);
        assertThat(table.sequence().range()).isEqualTo(FrameRange.of(1, 5));
        assertThat(table.state(5)).isEqualTo(FrameState.CUT_SHORT);
        assertThat(table.good()).isEqualTo(4);
    }

    @Test
    void whatIsNoFlawIsSaid() {
        assertThatThrownBy(() -> Flaw.parse("scratched@4")).hasMessageContaining("'scratched@4' is no flaw")
                .hasMessageContaining("leaving");
        assertThatThrownBy(() -> Flaw.parse("torn")).hasMessageContaining("torn@12");
    }
}
