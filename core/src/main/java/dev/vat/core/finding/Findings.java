package dev.vat.core.finding;

import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** All findings on a project's current reel and its deliverables, blockers first: a pure function. */
public final class Findings {

    private static final Words WORDS = Words.of(Findings.class);

    private final List<Finding> all;

    private Findings(List<Finding> all) {
        this.all = List.copyOf(all);
    }

    /** Judges the current reel with what is known of the disk by now. */
    public static Findings of(Project project, Observed observed) {
        List<Finding> found = new ArrayList<>();
        ResolvedReel programme = ResolvedReel.of(project, observed.tables()).orElse(null);
        if (programme == null || programme.entries().isEmpty() && programme.unknownItems() == 0) {
            found.add(Finding.of(Rule.NOTHING_IN, Severity.REQUEST, WORDS.say("thereIsNothingInTheReel")));
        } else {
            SourceRules.check(project, programme, observed, found);
            BurnInRules.check(project, programme, observed, found);
            DeliveryRules.check(project, programme, observed, found);
        }
        found.sort(Comparator.comparing(Finding::severity));
        // A source that stands in a reel twice has its faults but once.
        Set<String> said = new HashSet<>();
        return new Findings(
                found.stream().filter(f -> said.add(f.id() + "\n" + f.source() + "\n" + f.target() + "\n" + f.text())).toList());
    }

    /** The findings of several reels as one list, each said once. */
    public static Findings merged(List<Finding> several) {
        return new Findings(several.stream().distinct().sorted(Comparator.comparing(Finding::severity)).toList());
    }

    public List<Finding> all() {
        return all;
    }

    public List<Finding> blockers() {
        return all.stream().filter(Finding::isBlocker).toList();
    }

    public long count(Severity severity) {
        return all.stream().filter(f -> f.severity() == severity).count();
    }

    public boolean mayRun() {
        return blockers().isEmpty();
    }

    /** Whether the rate is all that stands in the way, so that the main action may offer to confirm one. */
    public boolean onlyRateIsMissing() {
        return !blockers().isEmpty() && blockers().stream().allMatch(f -> f.rule() == Rule.RATE_UNKNOWN);
    }
}
