package dev.vat.core.delivery;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;

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

    /**
     * By the words of the command line: {@code bars}, {@code fill}, {@code stretch}, {@code pixels}.
     *
     * @throws IllegalArgumentException naming them
     */
    public static Fit parse(String text) {
        return Arrays.stream(values()).filter(f -> f.id().equals(text.strip().toLowerCase(Locale.ROOT))).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(Fit.class).say("noSuchFit", text,
                        Arrays.stream(values()).map(Fit::id).collect(Collectors.joining(", ")))));
    }

    private String id() {
        return name().toLowerCase(Locale.ROOT);
    }
}
