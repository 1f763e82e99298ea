package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;

/** Which of the two fields of an interlaced frame comes first. */
public enum FieldOrder {
    @JsonProperty("top")
    TOP(Words.of(FieldOrder.class).say("topFieldFirst")),
    @JsonProperty("bottom")
    BOTTOM(Words.of(FieldOrder.class).say("bottomFieldFirst"));

    private final String title;

    FieldOrder(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
