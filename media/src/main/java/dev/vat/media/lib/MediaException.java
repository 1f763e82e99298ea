package dev.vat.media.lib;

import org.bytedeco.ffmpeg.global.avutil;

/** The media library refused something; the message says what was tried and what it answered. */
public final class MediaException extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final int code;

    public MediaException(String message, int code) {
        super(message);
        this.code = code;
    }

    /** Vat itself can't go on, since something else went wrong. */
    public MediaException(String message, Throwable cause) {
        super(message, cause);
        this.code = 0;
    }

    /** Something is whole, but of a kind that nothing here reads. */
    public static MediaException unsupported(String message) {
        return new MediaException(message, avutil.AVERROR_PATCHWELCOME());
    }

    /** Whether nothing is damaged, as far as anybody knows: it is a kind that can't be read. */
    public boolean isUnsupported() {
        return code == avutil.AVERROR_PATCHWELCOME();
    }

    /** The library's own error number, negative; 0 where Vat itself refused. */
    public int code() {
        return code;
    }
}
