package dev.vat.core.finding;

import com.fasterxml.jackson.annotation.JsonValue;

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

    private final String label;

    Severity(String label) {
        this.label = label;
    }

    @JsonValue
    public String label() {
        return label;
    }
}
