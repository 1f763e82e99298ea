package dev.vat.protocol.run;

import dev.vat.core.time.FrameRange;
import dev.vat.core.trial.FrameCost;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** What a look at a reel gave, as it is kept in a file: what its frames cost, and where it flashes. */
public record ReelLook(List<FrameCost> costs, List<FrameRange> flashes) {

    private static final String NAME = "looked.json";

    public ReelLook {
        costs = List.copyOf(costs);
        flashes = List.copyOf(flashes);
    }

    /** @throws java.nio.file.NoSuchFileException if none is kept in the folder */
    public static ReelLook in(Path folder) throws IOException {
        return Json.MAPPER.readValue(Files.readString(folder.resolve(NAME)), ReelLook.class);
    }

    public void into(Path folder) throws IOException {
        Files.writeString(folder.resolve(NAME), Json.line(this));
    }
}
