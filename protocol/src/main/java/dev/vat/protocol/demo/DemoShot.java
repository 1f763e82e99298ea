package dev.vat.protocol.demo;

import dev.vat.core.source.SequencePattern;

/** A shot of the demo's opening, as its files lie in the demo's folder. */
public enum DemoShot {
    /** Kites over dunes at dusk: 16-bit PNG. */
    DUNES("sh010", 1001, 96, new SequencePattern("sh010.", 4, ".png")),
    /** A kite close by: 8-bit TGA, numbers without padding, with a hole, an empty file and one that is cut short. */
    KITE("sh020", 1, 64, new SequencePattern("sh020.", 1, ".tga")),
    /** The lettering: 16-bit PNG with straight alpha. */
    TITLE("title", 1, 48, new SequencePattern("title_", 3, ".png")),
    /** The low sun: linear half-float EXR with its passes as layers. */
    GLOW("glow", 1, 42, new SequencePattern("glow.", 4, ".exr"));

    private final String id;
    private final int first;
    private final int frames;
    private final SequencePattern pattern;

    DemoShot(String id, int first, int frames, SequencePattern pattern) {
        this.id = id;
        this.first = first;
        this.frames = frames;
        this.pattern = pattern;
    }

    /** The name of its folder. */
    public String id() {
        return id;
    }

    /** Number of its first frame. */
    public int first() {
        return first;
    }

    public int frames() {
        return frames;
    }

    /** How its files are named. */
    public SequencePattern pattern() {
        return pattern;
    }
}
