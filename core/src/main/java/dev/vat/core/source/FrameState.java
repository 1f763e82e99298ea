package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** What is known of one frame of a sequence. */
public enum FrameState {
    /** Listed, but not looked into yet. */
    UNCHECKED("not checked yet"),
    /** Whole, decoded, and like its neighbours. */
    GOOD("good"),
    /** There is no file with this number. */
    MISSING("missing"),
    /** The file has zero bytes. */
    EMPTY("empty"),
    /** The file ends before its picture does. */
    CUT_SHORT("cut short"),
    /** The file is still being written. */
    ARRIVING("arriving"),
    /** The file can't be opened or decoded. */
    UNREADABLE("unreadable"),
    /** Sound, but of another size, depth or kind than the other frames. */
    MISMATCH("mismatch");

    private final String id;

    FrameState(String id) {
        this.id = id;
    }

    /** As it is stored, and told to other programs: the same in every language. */
    @JsonValue
    public String id() {
        return id;
    }

    public String label() {
        return Words.of(FrameState.class).say(id.replace(' ', '-'));
    }

    /** Whether a frame in this state can't be used as it is. */
    public boolean isFault() {
        return this != GOOD && this != UNCHECKED;
    }
}
