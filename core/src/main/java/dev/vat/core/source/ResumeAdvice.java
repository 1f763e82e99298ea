package dev.vat.core.source;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.stream.Collectors;

/**
 * What to render next, worked out from the state of every file.
 *
 * @param lastGood the last sound frame, if there is one
 * @param next the frame after it
 * @param missing numbers in the range without a file
 * @param wanted missing, faulty and marked frames together, as ranges to paste into a renderer
 * @param strays frames that seem to be numbered wrongly, where nobody said what there should be; what lies between them and the others
 *     isn't missing until it is known
 */
public record ResumeAdvice(OptionalLong lastGood, OptionalLong next, FrameSet missing, FrameSet wanted, Optional<Strays> strays) {

    private static final Words WORDS = Words.of(ResumeAdvice.class);

    /** What a reading makes of it: the frames that are used or expected, and those that were marked. */
    public static ResumeAdvice of(FrameTable table, Reading reading) {
        Sequence sequence = table.sequence();
        FrameRange range = reading.rangeIn(sequence);
        long step = reading.stepIn(sequence);
        OptionalLong lastGood = OptionalLong.empty();
        for (int i = sequence.count() - 1; i >= 0 && lastGood.isEmpty(); i--) {
            if (table.stateAt(i) == FrameState.GOOD && range.contains(sequence.number(i))) {
                lastGood = OptionalLong.of(sequence.number(i));
            }
        }
        Optional<Strays> strays = reading.range() == null && reading.expected() == null ? Strays.in(sequence) : Optional.empty();
        FrameSet missing = strays.map(s -> sequence.missing(s.others(), step)).orElseGet(() -> sequence.missing(range, step));
        FrameSet.Builder faulty = FrameSet.builder();
        table.faults().stream().map(FrameTable.Fault::frame).filter(range::contains).forEach(faulty::add);
        FrameSet wanted = missing.plus(faulty.build()).plus(marked(sequence, reading));
        OptionalLong next = lastGood.isPresent()
                ? OptionalLong.of(lastGood.getAsLong() + step) : OptionalLong.empty();
        return new ResumeAdvice(lastGood, next, missing, wanted, strays);
    }

    /** How many of the missing frames come after the last one that is there: a renderer that goes on will write them. */
    public long toCome(Sequence sequence) {
        return missing.ranges().stream().filter(r -> r.last() > sequence.last())
                .mapToLong(r -> FrameRange.of(Math.max(r.first(), sequence.last() + 1), r.last()).count()).sum();
    }

    /** Whether there is all that there should be, and nothing that leaves this open. */
    public boolean isComplete() {
        return wanted.isEmpty() && strays.isEmpty();
    }

    /** Whether all that is wanted is still to come, or just being written. */
    public boolean isOnlyToCome(FrameTable table) {
        return !wanted.isEmpty() && wanted.frames()
                .allMatch(f -> f > table.sequence().last() || table.state(f) == FrameState.ARRIVING);
    }

    /** Frames that were marked and are in the range that is used. */
    public static FrameSet marked(Sequence sequence, Reading reading) {
        FrameRange used = reading.rangeIn(sequence);
        long step = reading.stepIn(sequence);
        FrameSet.Builder marks = FrameSet.builder();
        for (FrameRange r : reading.marked().ranges()) {
            long first = Math.max(r.first(), used.first());
            for (long frame = sequence.firstOnGrid(first, step); frame <= Math.min(r.last(), used.last()); frame += step) {
                marks.add(frame);
            }
        }
        return marks.build();
    }

    /** The wanted ranges with the sequence's own padding: {@code 0412-0416, 0440}. */
    public String toText(SequencePattern pattern) {
        return wanted.toText(pattern::number);
    }

    /**
     * What is to be said about the digits of a sequence's numbers, if anything: {@code 3 digits, last frame 1206: use 4}.
     * Names in which some numbers are longer than others sort wrongly in many programs.
     */
    public static Optional<String> digits(Sequence sequence, FrameRange range) {
        int digits = sequence.pattern().digits();
        int needed = Long.toString(Math.max(Math.abs(range.first()), Math.abs(range.last()))).length();
        boolean mixed = Long.toString(Math.abs(range.first())).length() != needed;
        if (sequence.pattern().isSingle() || digits >= needed || digits == 1 && !mixed) {
            return Optional.empty();
        }
        return Optional
                .of(digits == 1 ? WORDS.say("numbersWithoutPaddingFrom", range.first(), range.last(), needed)
                        : WORDS.say("digitsLastFrameUse", digits, range.last(), needed));
    }

    /** The wanted frames one by one, for renderers that take no ranges: {@code 412,413,414}. */
    public String toList(SequencePattern pattern) {
        return wanted.frames().mapToObj(pattern::number).collect(Collectors.joining(","));
    }
}
