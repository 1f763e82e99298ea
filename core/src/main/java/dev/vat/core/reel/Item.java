package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import java.util.Map;

/** One use of a source in a reel; for now always the whole of what the source's reading takes. */
public record Item(String source, @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Item {
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Item of(String source) {
        return new Item(source, Map.of());
    }
}
