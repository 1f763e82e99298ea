package dev.vat.core.layout;

/** By what several views are kept together. */
public enum InStep {
    FRAMES("frame by frame", "Every view shows its next frame with each frame of the reel, whatever its rate."),
    TIMECODE("by timecode", "Frames of the same label stand together; a view that begins later waits for its turn. Where a source "
            + "states no timecode, its frame numbers count."),
    SECONDS("by seconds", "Views begin together and keep their own speed; at another rate than the reel's the nearest frame is shown.");

    private final String title;
    private final String sentence;

    InStep(String title, String sentence) {
        this.title = title;
        this.sentence = sentence;
    }

    public String title() {
        return title;
    }

    public String sentence() {
        return sentence;
    }
}
