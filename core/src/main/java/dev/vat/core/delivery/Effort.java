package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.stream.Collectors;

/** How much time an encoder takes to pack the same quality into fewer bytes. */
public enum Effort {
    @JsonProperty("quick")
    QUICK("quick"),
    @JsonProperty("normal")
    NORMAL("normal"),
    @JsonProperty("thorough")
    THOROUGH("thorough");

    private final String id;

    Effort(String id) {
        this.id = id;
    }

    /** As it is stored and typed: the same in every language. */
    public String id() {
        return id;
    }

    public String title() {
        return Words.of(Effort.class).say(id.replace(' ', '-'));
    }

    /** @throws IllegalArgumentException naming those there are */
    public static Effort parse(String text) {
        return Arrays.stream(values()).filter(e -> e.id.equalsIgnoreCase(text.strip())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        Words.of(Effort.class).say("isNoEffortThereAre", text,
                                Arrays.stream(values()).map(Effort::id).collect(Collectors.joining(", ")))));
    }
}
