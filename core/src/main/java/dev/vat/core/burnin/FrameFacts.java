package dev.vat.core.burnin;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;

/** What the fields stand for at one frame. */
public final class FrameFacts {

    private final Map<Field, String> known;

    private FrameFacts(Map<Field, String> known) {
        this.known = known;
    }

    public static FrameFacts none() {
        return new FrameFacts(new EnumMap<>(Field.class));
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
