package dev.vat.core.burnin;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Set;

/** What the fields stand for at one frame, or at all alike. @param known none of them empty */
public record FrameFacts(@JsonValue Map<Field, String> known) {

    @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
    public FrameFacts {
        Map<Field, String> copy = new EnumMap<>(Field.class);
        copy.putAll(known);
        known = Collections.unmodifiableMap(copy);
    }

    public static FrameFacts none() {
        return new FrameFacts(Map.of());
    }

    /** One more. @param value null or empty for nothing */
    public FrameFacts with(Field field, String value) {
        Map<Field, String> more = new EnumMap<>(Field.class);
        more.putAll(known);
        if (value == null || value.isEmpty()) {
            more.remove(field);
        } else {
            more.put(field, value);
        }
        return new FrameFacts(more);
    }

    /** What a field stands for; empty for nothing. */
    String of(Field field) {
        return known.getOrDefault(field, "");
    }

    boolean know(Set<Field> fields) {
        return known.keySet().containsAll(fields);
    }
}
