package dev.vat.engine.proof;

import com.fasterxml.jackson.databind.JsonNode;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import com.networknt.schema.ValidationMessage;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** The schema of receipts in the documentation. */
public final class ReceiptSchema {

    private static final JsonSchema SCHEMA = schema();

    private ReceiptSchema() {}

    private static JsonSchema schema() {
        try {
            return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                    .getSchema(Files.readString(Path.of("../docs/receipt.schema.json")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** In words, what of a receipt isn't as published. */
    static List<String> faults(JsonNode receipt) {
        return SCHEMA.validate(receipt).stream().map(ValidationMessage::getMessage).toList();
    }

    /** The same of one that lies somewhere. */
    public static List<String> faults(Path receipt) throws IOException {
        return faults(Json.MAPPER.readTree(Files.readString(receipt)));
    }
}
