package dev.vat.core.sound;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;

/** Which of a sound's channels go where. */
public enum Channels {
    /** As they are laid out; another layout is brought to the reel's by the usual coefficients. */
    ALL(Words.of(Channels.class).say("allAsTheyAre")),
    /** The first channel in all. */
    FIRST(Words.of(Channels.class).say("leftInAll")),
    /** The second channel in all: where the first one is dead. */
    SECOND(Words.of(Channels.class).say("rightInAll")),
    /** The first two change places. */
    SWAPPED(Words.of(Channels.class).say("leftAndRightSwapped")),
    /** The mean of the first two in all. */
    MEAN(Words.of(Channels.class).say("meanOfBothInAll"));

    private final String title;

    Channels(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    @JsonValue
    String text() {
        return name().toLowerCase(Locale.ROOT);
    }

    @JsonCreator
    static Channels parse(String text) {
        return valueOf(text.toUpperCase(Locale.ROOT));
    }

    /** Lays the samples of one moment out anew. @param moment a sample for each channel */
    public void apply(float[] moment) {
        if (moment.length < 2) {
            return;
        }
        float first = moment[0];
        float second = moment[1];
        switch (this) {
            case ALL -> {}
            case SWAPPED -> {
                moment[0] = second;
                moment[1] = first;
            }
            case FIRST -> Arrays.fill(moment, first);
            case SECOND -> Arrays.fill(moment, second);
            case MEAN -> Arrays.fill(moment, (first + second) / 2);
        }
    }
}
