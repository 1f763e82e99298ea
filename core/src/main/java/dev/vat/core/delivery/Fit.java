package dev.vat.core.delivery;

/** How a picture is brought into a frame of another shape. */
public enum Fit {
    /** Whole, with black bars where it doesn't reach. */
    BARS("whole, with bars"),
    /** Over the whole frame; what stands out is cut off. */
    FILL("fill, cut off the rest"),
    /** To the frame's own width and height, whatever that does to circles. */
    STRETCH("stretch"),
    /** One stored pixel for one, cut off or with bars. */
    PIXELS("pixel for pixel");

    private final String title;

    Fit(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
