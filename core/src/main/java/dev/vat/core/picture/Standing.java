package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;

/** How pictures that their files say are stored turned or mirrored are taken. */
public enum Standing {
    @JsonProperty("upright")
    UPRIGHT(Words.of(Standing.class).say("uprightAsTheFileSays")),
    @JsonProperty("stored")
    STORED(Words.of(Standing.class).say("asStored"));

    private final String title;

    Standing(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
