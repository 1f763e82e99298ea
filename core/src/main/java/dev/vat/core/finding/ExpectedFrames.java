package dev.vat.core.finding;

import dev.vat.core.preview.Preview;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.resolved.Relatives;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Reading;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.Strays;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Which frames there should be, where nobody said it: numbers in steps, numbers far from the others, and more frames of its kin. */
public final class ExpectedFrames {

    private static final Words WORDS = Words.of(ExpectedFrames.class);

    private ExpectedFrames() {}

    /** What a sequence's own numbers say. @param reading of the source where it is used */
    public static List<Finding> byNumbers(Source source, Reading reading, Sequence sequence) {
        List<Finding> found = new ArrayList<>();
        if (isOpen(reading)) {
            Strays.in(sequence).ifPresent(strays -> found.add(strays(source, sequence, strays)));
        }
        if (reading.stepIn(sequence) > 1 && !reading.isInStepsOf(sequence)) {
            found.add(steps(source, sequence));
        }
        return found;
    }

    /**
     * That the preview which was approved, or its kin, have more frames than a sequence has.
     *
     * @param reading of the source where it is used
     */
    public static Optional<Finding> fewer(Source source, Reading reading, Sequence sequence, Relatives relatives, List<Preview> previews) {
        if (!isOpen(reading) || sequence.pattern().isSingle()) {
            return Optional.empty();
        }
        return Preview.approvedFor(source.location(), previews).stream().filter(a -> isBeyond(a.range(), sequence)).findFirst()
                .map(a -> fewer(Rule.FEWER_THAN_APPROVED, source, sequence, a.range(),
                        WORDS.say("approvedHas", sequence.name(), sequence.range(), a.preview(), a.range())))
                .or(() -> relatives.expected(source).filter(kin -> isBeyond(kin, sequence))
                        .map(kin -> fewer(Rule.FEWER_THAN_KIN, source, sequence, kin,
                                WORDS.say("kinHave", sequence.name(), sequence.range(), kin))));
    }

    private static boolean isBeyond(FrameRange range, Sequence sequence) {
        return range.first() < sequence.first() || range.last() > sequence.last();
    }

    /** Whether nobody said which frames are to be used, or there should be. */
    private static boolean isOpen(Reading reading) {
        return reading.range() == null && reading.expected() == null;
    }

    private static Finding strays(Source source, Sequence sequence, Strays strays) {
        String first = sequence.pattern().number(strays.frames().first());
        return Finding
                .of(Rule.NUMBERS_APART, source.reading().gap() == GapPolicy.REFUSE ? Severity.BLOCKER : Severity.WARNING,
                        WORDS.say("lieApart", sequence.name(), strays.frames(), first, sequence.pattern().number(strays.like())))
                .aboutSource(source.id())
                .withRemedies(new Remedy.Apply(WORDS.say("takeAlone", strays.others()), SourceEdits.setRange(source.id(), strays.others())),
                        new Remedy.Apply(WORDS.say("expectAll", sequence.range()),
                                SourceEdits.setExpected(source.id(), sequence.range())));
    }

    private static Finding steps(Source source, Sequence sequence) {
        long step = sequence.step();
        return Finding.of(Rule.NUMBERS_IN_STEPS, Severity.WARNING, WORDS.say("goInSteps", sequence.name(), step))
                .aboutSource(source.id())
                .withRemedies(
                        new Remedy.Apply(WORDS.say("showEachFor", step),
                                SourceEdits.setCadence(source.id(), source.reading().cadence().withEvery(step).withKeepLength(true))),
                        new Remedy.Apply(WORDS.say("playFaster", step),
                                SourceEdits.setCadence(source.id(), source.reading().cadence().withEvery(step))),
                        new Remedy.Apply(WORDS.say("expectAll", sequence.range()),
                                SourceEdits.setExpected(source.id(), sequence.range())));
    }

    private static Finding fewer(Rule rule, Source source, Sequence sequence, FrameRange wanted, String words) {
        return Finding.of(rule, Severity.WARNING, words).aboutSource(source.id())
                .withRemedies(new Remedy.Apply(WORDS.say("expectAll", wanted), SourceEdits.setExpected(source.id(), wanted)),
                        new Remedy.Apply(WORDS.say("takeAlone", sequence.range()), SourceEdits.setRange(source.id(), sequence.range())));
    }
}
