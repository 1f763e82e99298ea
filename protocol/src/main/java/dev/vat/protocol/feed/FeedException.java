package dev.vat.protocol.feed;

import java.io.IOException;

/** A scene didn't give what it was asked for; the message says what happened, for people. */
public final class FeedException extends IOException {

    private static final long serialVersionUID = 1;

    public FeedException(String message) {
        super(message);
    }

    FeedException(String message, Throwable cause) {
        super(message, cause);
    }
}
