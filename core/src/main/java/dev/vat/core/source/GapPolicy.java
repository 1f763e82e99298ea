package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;

/** What is to stand where a frame is missing or can't be used. */
public enum GapPolicy {
    REFUSE("refuse", "Refuse", "Nothing is made until every frame is there."),
    HOLD("hold", "Hold previous", "The frame before the hole is shown until the next good one."),
    CARD("card", "Labelled card", "A card with the frame's number and fault stands in its place.");

    private final String id;
    private final String title;
    private final String sentence;

    GapPolicy(String id, String title, String sentence) {
        this.id = id;
        this.title = title;
        this.sentence = sentence;
    }

    @JsonCreator
    public static GapPolicy parse(String id) {
        return Arrays.stream(values()).filter(p -> p.id.equals(id)).findFirst().orElseThrow(
                () -> new IllegalArgumentException("'" + id + "' is not a gap policy: use refuse, hold or card"));
    }

    @JsonValue
    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    public String sentence() {
        return sentence;
    }
}
