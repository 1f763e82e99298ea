package dev.vat.worker.run;

import dev.vat.core.run.RunPlan;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;

/** Real runs of a shot of the Kite Week. */
abstract class RunCase {

    static final List<String> ALL = List.of("web-h264", "edit-prores-hq", "alpha-prores-4444");

    @TempDir
    Path folder;

    Places places;
    Path frames;
    Path out;

    @BeforeEach
    void layOut() {
        places = TestPlaces.in(folder);
        frames = folder.resolve("frames");
        out = folder.resolve("out");
    }

    Run.Outcome make(RunPlan plan) throws Exception {
        try (Run run = Run.start(plan, places, _ -> {})) {
            return run.outcome().get(300, TimeUnit.SECONDS);
        }
    }

    List<String> names(Path where) throws IOException {
        if (!Files.exists(where)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(where)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }
}
