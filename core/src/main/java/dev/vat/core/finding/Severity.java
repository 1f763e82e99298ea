package dev.vat.core.finding;

import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;

/** How much a finding matters. */
public enum Severity {
    /** Nothing is made while it stands. */
    BLOCKER(Words.of(Severity.class).say("blocker")),
    /** Something has to be chosen, or waited for, before anything can be made; nothing is wrong. */
    REQUEST(Words.of(Severity.class).say("request")),
    /** Something is lost or unusual; the run may go on. */
    WARNING(Words.of(Severity.class).say("warning")),
    /** Worth knowing. */
    NOTE(Words.of(Severity.class).say("note"));

    private final String label;

    Severity(String label) {
        this.label = label;
    }

    @JsonValue
    public String label() {
        return label;
    }
}
