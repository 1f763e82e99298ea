package dev.vat.media.lib;

/** The media library refused something; the message says what was tried and what it answered. */
public final class MediaException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final int code;

    public MediaException(String message, int code) {
        super(message);
        this.code = code;
    }

    /** The library's own error number, negative; 0 where Vat itself refused. */
    public int code() {
        return code;
    }
}
