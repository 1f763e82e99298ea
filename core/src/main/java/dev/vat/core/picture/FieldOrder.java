package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;

/** Which of the two fields of an interlaced frame comes first. */
public enum FieldOrder {
    @JsonProperty("top")
    TOP("top field first"),
    @JsonProperty("bottom")
    BOTTOM("bottom field first");

    private final String title;

    FieldOrder(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
