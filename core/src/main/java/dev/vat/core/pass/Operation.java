package dev.vat.core.pass;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.stream.Collectors;

/**
 * What a pass does to what lies under it, in linear light. Colours are premultiplied by alpha; a pass without alpha is opaque where it
 * is laid over something, and elsewhere says nothing of alpha.
 */
public enum Operation {
    /** The greater of both alphas is kept; what lies under it without alpha stays opaque. */
    @JsonProperty("add")
    ADD("add", Words.of(Operation.class).say("itsLightIsAdded")),
    /** Alpha stays what it is. */
    @JsonProperty("multiply")
    MULTIPLY("multiply", Words.of(Operation.class).say("whatLiesUnderItIsMultiplied")),
    @JsonProperty("over")
    OVER("over", Words.of(Operation.class).say("itIsLaidOverByItsAlpha")),
    /** Alphas are screened likewise. */
    @JsonProperty("screen")
    SCREEN("screen", Words.of(Operation.class).say("addedSoThatNothingGoesAbove")),
    @JsonProperty("matte")
    MATTE("matte", Words.of(Operation.class).say("whatLiesUnderItIsKeptWhere")),
    @JsonProperty("alpha")
    ALPHA(Words.of(Operation.class).say("alphaFrom"), Words.of(Operation.class).say("onlyItsAlphaIsTaken"));

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
                .orElseThrow(() -> new IllegalArgumentException(Words.of(Operation.class).say("thereIsNoOperationThere", title,
                        Arrays.stream(values()).map(Operation::title).collect(Collectors.joining(", ")))));
    }

    public String sentence() {
        return sentence;
    }
}
