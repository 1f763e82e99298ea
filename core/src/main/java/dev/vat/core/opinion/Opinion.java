package dev.vat.core.opinion;

import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.proof.Expectation;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.BiPredicate;

/** What one reader found, field by field, held against what was planned. */
final class Opinion {

    private static final Words WORDS = Words.of(Opinion.class);

    private final String standard;
    private final List<String> agreed = new ArrayList<>();
    private final List<Comparison.Line> others = new ArrayList<>();

    /** @param standard that the reader follows */
    Opinion(String standard) {
        this.standard = standard;
    }

    /** @param found null where the file doesn't say it */
    Opinion line(String field, Object planned, Object found) {
        return line(field, planned, found, (a, b) -> a.toString().equals(b.toString()));
    }

    <A, B> Opinion line(String field, A planned, B found, BiPredicate<A, B> same) {
        return found == null ? this : verdict(field, planned, found, same.test(planned, found));
    }

    Opinion verdict(String field, Object planned, Object found, boolean agrees) {
        if (agrees) {
            agreed.add(field + " " + found);
        } else {
            others.add(new Comparison.Line(WORDS.say("by", field, standard), planned.toString(), found.toString(), false));
        }
        return this;
    }

    /** How bright frames in PQ are. @param found null where the file doesn't say it */
    void light(Expectation planned, ContentLight found) {
        if (planned.light() != null || found != null) {
            verdict(WORDS.say("light"), planned.light() == null ? WORDS.say("none") : planned.light(),
                    found == null ? WORDS.say("none") : found, Objects.equals(planned.light(), found));
        }
    }

    /** The display on which pictures were judged. @param found in the units of SMPTE ST 2086, or null where the file doesn't say it */
    void mastering(Expectation planned, List<Long> found) {
        List<Long> wanted = planned.mastering() == null ? null : planned.mastering().units();
        if (wanted != null || found != null) {
            verdict(WORDS.say("mastering"), wanted == null ? WORDS.say("none") : planned.mastering(),
                    Objects.equals(wanted, found) ? planned.mastering() : found == null ? WORDS.say("none") : found,
                    Objects.equals(wanted, found));
        }
    }

    /** It can't be read at all. */
    Opinion unreadable(String why) {
        others.add(new Comparison.Line(WORDS.say("second", standard), WORDS.say("readable"), why, false));
        return this;
    }

    /** One line of all that agrees, and one of each field that doesn't. */
    List<Comparison.Line> lines() {
        List<Comparison.Line> lines = new ArrayList<>();
        if (!agreed.isEmpty()) {
            lines.add(new Comparison.Line(WORDS.say("second", standard), WORDS.say("asPlanned"), String.join(", ", agreed), true));
        }
        lines.addAll(others);
        return lines;
    }
}
