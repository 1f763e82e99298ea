package dev.vat.protocol.feed;

import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * How the bytes of a picture lie behind an answer: rows from the top, without gaps, red first, coded as a display shows them (IEC
 * 61966-2-1).
 */
public enum RawFormat {
    /** Where nothing shows through. */
    @JsonProperty("rgb8")
    RGB8("rgb8", 3),
    /** With straight alpha. */
    @JsonProperty("rgba8")
    RGBA8("rgba8", 4);

    private final String id;
    private final int bytesPerPixel;

    RawFormat(String id, int bytesPerPixel) {
        this.id = id;
        this.bytesPerPixel = bytesPerPixel;
    }

    public int bytesPerPixel() {
        return bytesPerPixel;
    }

    public boolean hasAlpha() {
        return this == RGBA8;
    }

    long bytes(int width, int height) {
        return (long) width * height * bytesPerPixel;
    }

    @Override
    public String toString() {
        return id;
    }
}
