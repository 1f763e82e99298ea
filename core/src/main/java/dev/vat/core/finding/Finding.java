package dev.vat.core.finding;

import java.util.List;

/**
 * One result of checking.
 *
 * @param rule what was looked for
 * @param source the source it is about, or null
 * @param target the deliverable it is about, or null
 * @param text what is the matter and what it leads to, for people
 * @param evidence figures or names that show it; may be empty
 * @param pair two frames of the source that show it side by side, or null
 */
public record Finding(Rule rule, Severity severity, String source, String target, String text, String evidence,
        Pair pair, List<Remedy> remedies) {

    /** The frame in question and one to hold it against. */
    public record Pair(long frame, long beside) {}

    public Finding {
        remedies = List.copyOf(remedies);
    }

    static Finding of(Rule rule, Severity severity, String text) {
        return new Finding(rule, severity, null, null, text, "", null, List.of());
    }

    Finding aboutSource(String id) {
        return new Finding(rule, severity, id, target, text, evidence, pair, remedies);
    }

    Finding aboutTarget(String id) {
        return new Finding(rule, severity, source, id, text, evidence, pair, remedies);
    }

    Finding withEvidence(String shown) {
        return new Finding(rule, severity, source, target, text, shown, pair, remedies);
    }

    Finding withRemedies(Remedy... ways) {
        return new Finding(rule, severity, source, target, text, evidence, pair, List.of(ways));
    }

    Finding withPair(long frame, long beside) {
        return new Finding(rule, severity, source, target, text, evidence, new Pair(frame, beside), remedies);
    }

    /** The rule's stable name, as it stands in JSON: {@code rate-unknown}. */
    public String id() {
        return rule.id();
    }

    /** Whether nothing is made while it stands. */
    public boolean isBlocker() {
        return severity == Severity.BLOCKER || severity == Severity.REQUEST;
    }
}
