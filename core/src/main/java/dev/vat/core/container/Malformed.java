package dev.vat.core.container;

import java.io.IOException;

/** A file isn't built as its format wants it; the message says what is wrong, and at which byte. */
public final class Malformed extends IOException {

    private static final long serialVersionUID = 1L;

    public Malformed(String why) {
        super(why);
    }
}
