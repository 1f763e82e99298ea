package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** What is known of one frame of a sequence. */
public enum FrameState {
    /** Listed, but not looked into yet. */
    UNCHECKED(Words.of(FrameState.class).say("notCheckedYet")),
    /** Whole, decoded, and like its neighbours. */
    GOOD(Words.of(FrameState.class).say("good")),
    /** There is no file with this number. */
    MISSING(Words.of(FrameState.class).say("missing")),
    /** The file has zero bytes. */
    EMPTY(Words.of(FrameState.class).say("empty")),
    /** The file ends before its picture does. */
    CUT_SHORT(Words.of(FrameState.class).say("cutShort")),
    /** The file is still being written. */
    ARRIVING("arriving"),
    /** The file can't be opened or decoded. */
    UNREADABLE("unreadable"),
    /** Sound, but of another size, depth or kind than the other frames. */
    MISMATCH("mismatch");

    private final String label;

    FrameState(String label) {
        this.label = label;
    }

    @JsonValue
    public String label() {
        return label;
    }

    /** Whether a frame in this state can't be used as it is. */
    public boolean isFault() {
        return this != GOOD && this != UNCHECKED;
    }
}
