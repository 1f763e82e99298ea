package dev.vat.core.source;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * A sequence with what checking found out about every file of it: a frozen value that plans are made from.
 *
 * <p>The format that most sound frames share is the sequence's own; sound frames of another size, depth or kind are
 * mismatches.
 */
public final class FrameTable {

    private static final Words WORDS = Words.of(FrameTable.class);

    /** One present file that can't be used, with the reason in words. */
    public record Fault(long frame, FrameState state, String why) {}

    private final Sequence sequence;
    private final FrameState[] states;
    private final Map<Long, String> reasons;
    private final Map<String, FrameSet> notes;
    private final PictureFormat format;
    private final List<PictureFormat> formats;
    private final AlphaKind alpha;
    private final FrameLook[] looks;

    private FrameTable(Sequence sequence, FrameState[] states, Map<Long, String> reasons, Map<String, FrameSet> notes,
            List<PictureFormat> formats, PictureFormat format, AlphaKind alpha, FrameLook[] looks) {
        this.looks = looks;
        this.sequence = sequence;
        this.states = states;
        this.reasons = reasons;
        this.notes = notes;
        this.formats = formats;
        this.format = format;
        this.alpha = alpha;
    }

    /** A table in which nothing has been checked but what the listing tells: empty files. */
    public static FrameTable unchecked(Sequence sequence) {
        return collect(sequence).build();
    }

    public static Collector collect(Sequence sequence) {
        return new Collector(sequence);
    }

    /** Takes in checks in any order, from one thread. */
    public static final class Collector {
        private final Sequence sequence;
        private final FrameCheck[] checks;
        private int checked;

        private Collector(Sequence sequence) {
            this.sequence = sequence;
            this.checks = new FrameCheck[sequence.count()];
        }

        public Collector add(FrameCheck check) {
            int index = sequence.indexOf(check.number());
            if (index < 0) {
                throw new IllegalArgumentException(WORDS.say("frameIsntOneOf", check.number(), sequence));
            }
            if (checks[index] == null) {
                checked++;
            }
            checks[index] = check;
            return this;
        }

        public int checked() {
            return checked;
        }

        public FrameTable build() {
            List<PictureFormat> formats = formatsByCount();
            PictureFormat usual = formats.isEmpty() ? null : formats.getFirst();
            FrameState[] states = new FrameState[checks.length];
            Map<Long, String> reasons = new TreeMap<>();
            Map<String, FrameSet.Builder> notes = new LinkedHashMap<>();
            FrameLook[] looks = new FrameLook[checks.length];
            boolean channel = false;
            boolean transparent = false;
            for (int i = 0; i < checks.length; i++) {
                FrameCheck check = checks[i];
                long number = sequence.number(i);
                if (check == null) {
                    states[i] = sequence.size(i) == 0 ? FrameState.EMPTY : FrameState.UNCHECKED;
                    if (states[i].isFault()) {
                        reasons.put(number, WORDS.say("theFileHasNoBytes"));
                    }
                    continue;
                }
                states[i] = check.state();
                looks[i] = check.look();
                if (check.why() != null) {
                    reasons.put(number, check.why());
                }
                if (check.format() == null) {
                    continue;
                }
                if (!check.format().essence().equals(usual)) {
                    states[i] = FrameState.MISMATCH;
                    reasons.put(number, WORDS.say("isWhereTheOthersAre", check.format().describe(), usual.describe()));
                    continue;
                }
                if (check.note() != null) {
                    notes.computeIfAbsent(check.note(), _ -> FrameSet.builder()).add(number);
                }
                channel |= check.format().alpha() != AlphaKind.NONE;
                transparent |= check.format().alpha() != AlphaKind.NONE && !check.opaque();
            }
            AlphaKind alpha = !channel ? AlphaKind.NONE : transparent ? usual.alpha() : AlphaKind.OPAQUE;
            Map<String, FrameSet> collectedNotes = new LinkedHashMap<>();
            notes.forEach((note, frames) -> collectedNotes.put(note, frames.build()));
            return new FrameTable(sequence, states, reasons, collectedNotes, formats, usualAsStated(usual), alpha, looks);
        }

        /** The usual format with the pixel aspect and the hints that its first frame states. */
        private PictureFormat usualAsStated(PictureFormat usual) {
            for (FrameCheck check : checks) {
                if (check != null && check.format() != null && check.format().essence().equals(usual)) {
                    return check.format();
                }
            }
            return null;
        }

        private List<PictureFormat> formatsByCount() {
            Map<PictureFormat, Integer> counts = new LinkedHashMap<>();
            for (FrameCheck check : checks) {
                if (check != null && check.format() != null) {
                    counts.merge(check.format().essence(), 1, Integer::sum);
                }
            }
            List<PictureFormat> formats = new ArrayList<>(counts.keySet());
            formats.sort(Comparator.comparing(counts::get, Comparator.reverseOrder()));
            return formats;
        }
    }

    /** The same with some frames that can't be judged yet. */
    public FrameTable withArriving(Set<Long> arriving) {
        if (arriving.isEmpty()) {
            return this;
        }
        FrameState[] others = states.clone();
        Map<Long, String> words = new TreeMap<>(reasons);
        for (long number : arriving) {
            int index = sequence.indexOf(number);
            if (index >= 0) {
                others[index] = FrameState.ARRIVING;
                words.put(number, WORDS.say("itIsStillBeingWritten"));
            }
        }
        return new FrameTable(sequence, others, words, notes, formats, format, alpha, looks);
    }

    /**
     * The frames of a movie with each of their fields counted as one, at twice the rate: of frame {@code n} they are {@code 2n} and
     * {@code 2n + 1}. What was measured of both fields together isn't said of either.
     */
    FrameTable ofFields() {
        FrameState[] each = new FrameState[states.length * 2];
        Arrays.setAll(each, i -> states[i / 2]);
        Map<Long, String> words = new TreeMap<>();
        reasons.forEach((frame, why) -> List.of(frame * 2, frame * 2 + 1).forEach(field -> words.put(field, why)));
        Map<String, FrameSet> said = new LinkedHashMap<>();
        notes.forEach((note, frames) -> said.put(note, new FrameSet(
                frames.ranges().stream().map(r -> FrameRange.of(r.first() * 2, r.last() * 2 + 1)).toList())));
        return new FrameTable(sequence.ofFields(), each, words, said, formats, format == null ? null : format.withStated(
                format.stated().atTwiceTheRate()), alpha, new FrameLook[each.length]);
    }

    public Sequence sequence() {
        return sequence;
    }

    public FrameState state(long number) {
        int index = sequence.indexOf(number);
        return index < 0 ? FrameState.MISSING : states[index];
    }

    public FrameState stateAt(int index) {
        return states[index];
    }

    /** What most sound frames hold; empty until one has been decoded. */
    public Optional<PictureFormat> format() {
        return Optional.ofNullable(format);
    }

    /** All formats met, the most frequent first. */
    public List<PictureFormat> formats() {
        return formats;
    }

    /** The alpha kind over all good frames. */
    public AlphaKind alpha() {
        return alpha;
    }

    /** What the frame at a place of the listing looks like; empty if it wasn't decoded. */
    public Optional<FrameLook> lookAt(int index) {
        return Optional.ofNullable(looks[index]);
    }

    public int good() {
        int good = 0;
        for (FrameState state : states) {
            good += state == FrameState.GOOD ? 1 : 0;
        }
        return good;
    }

    public boolean isChecked() {
        for (FrameState state : states) {
            if (state == FrameState.UNCHECKED) {
                return false;
            }
        }
        return true;
    }

    public List<Fault> faults() {
        List<Fault> faults = new ArrayList<>();
        for (int i = 0; i < states.length; i++) {
            if (states[i].isFault()) {
                long number = sequence.number(i);
                faults.add(new Fault(number, states[i], reasons.get(number)));
            }
        }
        return faults;
    }

    public Optional<String> reason(long number) {
        return Optional.ofNullable(reasons.get(number));
    }

    /** Notes on sound files, each with the frames it is true of. */
    public Map<String, FrameSet> notes() {
        return Map.copyOf(notes);
    }

    public Map<FrameState, Integer> counts() {
        Map<FrameState, Integer> counts = new HashMap<>();
        for (FrameState state : states) {
            counts.merge(state, 1, Integer::sum);
        }
        return counts;
    }
}
