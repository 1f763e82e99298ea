package dev.vat.protocol.storage;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.document.Documents;

/** How plans, journals, receipts and messages are put into JSON: fields that aren't known are passed over. */
public final class Json {

    public static final JsonMapper MAPPER = Documents.mapper()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    private Json() {}

    public static String line(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("Can't be put into JSON: " + e.getOriginalMessage(), e);
        }
    }

    public static String page(Object value) {
        try {
            return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("Can't be put into JSON: " + e.getOriginalMessage(), e);
        }
    }
}
