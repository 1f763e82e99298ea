package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Remedy;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Findings that say the same of several deliverables: one line, whose remedies mend them all. */
record Alike(List<Finding> members, List<String> others) {

    private static final Words WORDS = Words.of(Alike.class);

    /**
     * Puts those together that differ in nothing but the deliverable they begin with, in the order in which they first come.
     *
     * @param deliverable by its id
     */
    static List<Alike> of(List<Finding> findings, Function<String, Optional<Deliverable>> deliverable) {
        Map<String, Alike> groups = new LinkedHashMap<>();
        for (Finding finding : findings) {
            String title = finding.target() == null ? "" : deliverable.apply(finding.target()).map(Deliverable::title).orElse("");
            boolean begins = !title.isEmpty() && finding.text().startsWith(title);
            String said = begins ? finding.text().substring(title.length()) : finding.text();
            Alike group = groups.computeIfAbsent(
                    finding.id() + "\n" + (begins ? "" : finding.target()) + said + "\n" + finding.remedies().size(),
                    _ -> new Alike(new ArrayList<>(), new ArrayList<>()));
            if (!group.members.isEmpty()) {
                group.others.add(title);
            }
            group.members.add(finding);
        }
        return List.copyOf(groups.values());
    }

    Finding first() {
        return members.getFirst();
    }

    String text() {
        if (others.isEmpty()) {
            return first().text();
        }
        String rest = others.size() == 1 ? others.getFirst()
                : WORDS.say("and", String.join(", ", others.subList(0, others.size() - 1)), others.getLast());
        return WORDS.say("theSameFor", first().text(), rest);
    }

    /** What one remedy is for each member. */
    List<Remedy> remedies(int index) {
        return members.stream().map(f -> f.remedies().get(index)).toList();
    }
}
