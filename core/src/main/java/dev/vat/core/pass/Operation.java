package dev.vat.core.pass;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * What a pass does to what lies under it, in linear light. Colours are premultiplied by alpha; a pass without alpha is opaque where it
 * is laid over something, and elsewhere says nothing of alpha.
 */
public enum Operation {
    /** The greater of both alphas is kept; what lies under it without alpha stays opaque. */
    @JsonProperty("add")
    ADD("add", "Its light is added."),
    /** Alpha stays what it is. */
    @JsonProperty("multiply")
    MULTIPLY("multiply", "What lies under it is multiplied by it, as by light and shadow."),
    @JsonProperty("over")
    OVER("over", "It is laid over by its alpha."),
    /** Alphas are screened likewise. */
    @JsonProperty("screen")
    SCREEN("screen", "Added so that nothing goes above white."),
    @JsonProperty("matte")
    MATTE("matte", "What lies under it is kept where it is white: colour and alpha."),
    @JsonProperty("alpha")
    ALPHA("alpha from", "Only its alpha is taken.");

    private final String title;
    private final String sentence;

    Operation(String title, String sentence) {
        this.title = title;
        this.sentence = sentence;
    }

    public String title() {
        return title;
    }

    /** By its title. @throws IllegalArgumentException naming those there are */
    public static Operation parse(String title) {
        return Arrays.stream(values()).filter(o -> o.title.equals(title.strip())).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no operation '" + title + "'; there are "
                        + Arrays.stream(values()).map(Operation::title).collect(Collectors.joining(", "))));
    }

    public String sentence() {
        return sentence;
    }
}
