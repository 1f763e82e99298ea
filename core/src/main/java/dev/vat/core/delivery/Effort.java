package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.stream.Collectors;

/** How much time an encoder takes to pack the same quality into fewer bytes. */
public enum Effort {
    @JsonProperty("quick")
    QUICK(Words.of(Effort.class).say("quick")),
    @JsonProperty("normal")
    NORMAL(Words.of(Effort.class).say("normal")),
    @JsonProperty("thorough")
    THOROUGH(Words.of(Effort.class).say("thorough"));

    private final String title;

    Effort(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** @throws IllegalArgumentException naming those there are */
    public static Effort parse(String text) {
        return Arrays.stream(values()).filter(e -> e.title.equalsIgnoreCase(text.strip())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        Words.of(Effort.class).say("isNoEffortThereAre", text,
                                Arrays.stream(values()).map(Effort::title).collect(Collectors.joining(", ")))));
    }
}
