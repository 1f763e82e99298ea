package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How pictures that their files say are stored turned or mirrored are taken. */
public enum Standing {
    @JsonProperty("upright")
    UPRIGHT("Upright, as the file says"),
    @JsonProperty("stored")
    STORED("As stored");

    private final String title;

    Standing(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
