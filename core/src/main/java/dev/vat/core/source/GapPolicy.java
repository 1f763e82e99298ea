package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.Arrays;
import java.util.stream.Collectors;

/** What is to stand where a frame is missing or can't be used. */
public enum GapPolicy {
    REFUSE("refuse", "Refuse", "Nothing is made until every frame is there."),
    HOLD("hold", "Hold previous", "The frame before the hole is shown until the next good one."),
    NEAREST("nearest", "Hold nearest", "Each place shows the good frame that is nearest to it, of two the earlier one."),
    BLEND("blend", "Blend", "The good frames before and after the hole are mixed, step by step."),
    CARD("card", "Labelled card", "A card with the frame's number and fault stands in its place."),
    CLOSE("close", "Close up", "The hole is left out: what follows moves up, and the length shrinks.");

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
                () -> new IllegalArgumentException("'" + id + "' is not a gap policy: use "
                        + Arrays.stream(values()).map(GapPolicy::id).collect(Collectors.joining(", "))));
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
