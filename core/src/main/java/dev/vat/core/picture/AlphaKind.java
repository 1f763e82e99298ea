package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** What a picture's alpha channel means. */
public enum AlphaKind {
    /** No alpha channel. */
    NONE(Words.of(AlphaKind.class).say("none")),
    /** Colour is stored as it is, independent of alpha (unassociated). */
    STRAIGHT(Words.of(AlphaKind.class).say("straight")),
    /** Colour is stored multiplied by alpha (associated). */
    PREMULTIPLIED(Words.of(AlphaKind.class).say("premultiplied")),
    /** There is a channel, but every pixel of every checked frame is fully opaque: it carries nothing. */
    OPAQUE(Words.of(AlphaKind.class).say("opaque"));

    private final String label;

    AlphaKind(String label) {
        this.label = label;
    }

    /** Whether transparency would be lost by leaving the channel out. */
    public boolean carriesTransparency() {
        return this == STRAIGHT || this == PREMULTIPLIED;
    }

    @JsonValue
    public String label() {
        return label;
    }
}
