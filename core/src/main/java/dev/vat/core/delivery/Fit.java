package dev.vat.core.delivery;

import dev.vat.core.words.Words;

/** How a picture is brought into a frame of another shape. */
public enum Fit {
    /** Whole, with black bars where it doesn't reach. */
    BARS(Words.of(Fit.class).say("wholeWithBars")),
    /** Over the whole frame; what stands out is cut off. */
    FILL(Words.of(Fit.class).say("fillCutOffTheRest")),
    /** To the frame's own width and height, whatever that does to circles. */
    STRETCH("stretch"),
    /** One stored pixel for one, cut off or with bars. */
    PIXELS(Words.of(Fit.class).say("pixelForPixel"));

    private final String title;

    Fit(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
