package dev.vat.engine.proof;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vat.core.proof.Loudness;
import dev.vat.core.proof.Receipt;
import dev.vat.engine.KiteFrames;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RepackOrder;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.worker.repack.Repack;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Receipts are what the schema in the documentation says; it knows every field of theirs. */
class ReceiptSchemaTest {

    @TempDir
    Path folder;

    @Test
    void everyKindOfReceiptIsAsPublished() throws Exception {
        Path frames = KiteFrames.png(folder.resolve("frames"), "kite", 1, 3, true);
        List<FileProgress> made;
        try (Run run = Run.start(
                KiteFrames.plan(frames, folder.resolve("out"), List.of("edit-prores-hq", "frames-png", "web-gif", "archive-ffv1")),
                TestPlaces.in(folder), _ -> {})) {
            made = run.outcome().get(300, TimeUnit.SECONDS).files();
        }
        for (FileProgress file : made) {
            Path lies = ReceiptFile.of(Path.of(file.path()));
            assertThat(ReceiptSchema.faults(Json.MAPPER.readTree(Files.readString(lies)))).as(file.target()).isEmpty();
            Receipt receipt = ReceiptFile.read(lies);
            assertThat(ReceiptSchema.faults(Json.MAPPER.readTree(Json.page(receipt.withUse("2031-05-04T12:00:00Z"))))).isEmpty();
        }
        Path copy = folder.resolve("copy.mkv");
        Repack.of(new RepackOrder.Rewrap(made.getFirst().path(), copy.toString(), null, null, null, false, null, null), _ -> {});
        assertThat(ReceiptSchema.faults(Json.MAPPER.readTree(Files.readString(ReceiptFile.of(copy))))).as("of a copy").isEmpty();
        ObjectNode one = (ObjectNode) Json.MAPPER.readTree(Files.readString(ReceiptFile.of(Path.of(made.getFirst().path()))));
        one.set("loudness", Json.MAPPER.valueToTree(new Loudness(-23.0, 4.2, null)));
        assertThat(ReceiptSchema.faults(one)).isEmpty();
        one.put("folder", "/somewhere");
        one.put("sha256", "short");
        assertThat(ReceiptSchema.faults(one)).as("it isn't so wide that anything passes").hasSize(2);
    }
}
