package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** What a picture's alpha channel means. */
public enum AlphaKind {
    /** No alpha channel. */
    NONE("none"),
    /** Colour is stored as it is, independent of alpha (unassociated). */
    STRAIGHT("straight"),
    /** Colour is stored multiplied by alpha (associated). */
    PREMULTIPLIED("premultiplied"),
    /** There is a channel, but every pixel of every checked frame is fully opaque: it carries nothing. */
    OPAQUE("opaque");

    private final String id;

    AlphaKind(String id) {
        this.id = id;
    }

    /** Whether transparency would be lost by leaving the channel out. */
    public boolean carriesTransparency() {
        return this == STRAIGHT || this == PREMULTIPLIED;
    }

    /** As it is stored, and told to other programs: the same in every language. */
    @JsonValue
    public String id() {
        return id;
    }

    public String label() {
        return Words.of(AlphaKind.class).say(id.replace(' ', '-'));
    }
}
