package dev.vat.worker.demo;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.project.Project;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.demo.DemoProject;
import dev.vat.engine.source.SourceFinder;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo's frames, drawn small, are what the scenario promises. */
@Tag("slow")
class DemoDataTest {

    @TempDir
    Path folder;

    private FrameTable table(Shot shot) throws IOException {
        return KiteFrames.check(SourceFinder.find(folder.resolve(shot.id())).sequences().getFirst());
    }

    @Test
    void theShotsAreThereWithTheFaultsThatRealRendersHave() throws Exception {
        List<String> told = new ArrayList<>();
        DemoFrames.in(folder, 96, 54).write(shot -> told.add(shot.id()));
        assertThat(told).containsExactly("sh010", "sh020", "title", "glow");
        assertThat(new DemoFolder(folder).isThere()).isTrue();

        FrameTable dunes = table(Shot.DUNES);
        assertThat(dunes.good()).isEqualTo(96);
        assertThat(dunes.format().orElseThrow().depth().bits()).isEqualTo(16);
        FrameTable kite = table(Shot.KITE);
        assertThat(kite.sequence().missing()).hasToString("33-35");
        assertThat(kite.faults()).extracting(FrameTable.Fault::state).containsExactly(FrameState.EMPTY, FrameState.CUT_SHORT);
        assertThat(kite.sequence().pattern().digits()).as("not padded").isEqualTo(1);
        assertThat(table(Shot.TITLE).alpha()).isEqualTo(AlphaKind.STRAIGHT);
        FrameTable glow = table(Shot.GLOW);
        assertThat(glow.format().orElseThrow().linear()).isTrue();
        assertThat(glow.format().orElseThrow().layers()).as("it has a main picture").containsExactly("", "haze", "sand", "sun");

        Map<String, FrameTable> tables = new HashMap<>();
        int id = 1;
        for (Shot shot : Shot.values()) {
            tables.put("s" + id++, table(shot));
        }
        Project project = DemoProject.in(folder);
        assertThat(Findings.of(project, new Observed(tables, Observed.Destination.UNKNOWN)).mayRun()).as("ready to make").isTrue();
        assertThat(Findings.of(DemoProject.faulty(folder), new Observed(tables, Observed.Destination.UNKNOWN)).blockers()).hasSize(1);
    }

    @Test
    void framesThatAreThereAreKept() throws Exception {
        Path own = Files.createDirectories(folder.resolve("title")).resolve("title_001.png");
        Files.writeString(own, "kept");
        DemoFrames.in(folder, 32, 18).write(_ -> {});
        assertThat(own).hasContent("kept");
    }
}
