package dev.vat.core.burnin;

import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What can stand in braces in words that Vat writes into pictures: {@code {timecode}}. */
public enum Field {
    /** Number of the source's frame, as its file has it. */
    FRAME(Words.of(Field.class).say("frameNumberOfTheSource")),
    /** Number of the reel's frame, from 0. */
    REEL_FRAME(Words.of(Field.class).say("frameNumberOfTheReel")),
    TIMECODE("timecode"),
    SOURCE(Words.of(Field.class).say("nameOfTheSource")),
    /** Found in the source's name. */
    CAMERA("camera"),
    /** Found in the source's name. */
    VERSION("version"),
    /** The day on which files are made, UTC. */
    DATE("date"),
    /** Of the programme, as timecode. */
    LENGTH("length"),
    REEL(Words.of(Field.class).say("nameOfTheReel")),
    /** Who the file is for; nothing while no file is looked at. */
    TARGET(Words.of(Field.class).say("whoTheFileIsFor")),
    /** Days that are over by a layout's calendar. */
    DAYS(Words.of(Field.class).say("daysThatAreOver")),
    /** By a layout's calendar. */
    CALENDAR(Words.of(Field.class).say("dateInTheStory")),
    SIZE("size"),
    RATE("rate");

    private final String title;

    Field(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /** As it is written in words, with its braces. */
    @Override
    public String toString() {
        return "{" + word() + "}";
    }

    private String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    static Optional<Field> find(String word) {
        return Arrays.stream(values()).filter(f -> f.word().equals(word)).findFirst();
    }
}
