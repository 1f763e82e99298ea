package dev.vat.core.finding;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** How much a finding matters. */
public enum Severity {
    /** Nothing is made while it stands. */
    BLOCKER("blocker"),
    /** Something has to be chosen, or waited for, before anything can be made; nothing is wrong. */
    REQUEST("request"),
    /** Something is lost or unusual; the run may go on. */
    WARNING("warning"),
    /** Worth knowing. */
    NOTE("note");

    private final String id;

    Severity(String id) {
        this.id = id;
    }

    /** As it is stored, and told to other programs: the same in every language. */
    @JsonValue
    public String id() {
        return id;
    }

    public String label() {
        return Words.of(Severity.class).say(id.replace(' ', '-'));
    }
}
