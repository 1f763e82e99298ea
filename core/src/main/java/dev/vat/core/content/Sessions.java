package dev.vat.core.content;

import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Frames that were written at clearly different times. A render that was taken up again goes on where it had stopped; frames of a later
 * session below those of an earlier one are another matter: if the picture jumps between them as well, a render was written over another.
 */
final class Sessions {

    private static final Words WORDS = Words.of(Sessions.class);

    private static final long SHORTEST_PAUSE = 10 * 60_000L;
    private static final int PAUSE_IN_FRAMES = 20;
    private static final int FEWEST_FRAMES = 4;

    private Sessions() {}

    static List<ContentFault> in(FrameTable table) {
        Sequence sequence = table.sequence();
        int count = sequence.count();
        if (count < FEWEST_FRAMES || sequence.pattern().isSingle()) {
            return List.of();
        }
        long lateFrom = startOfLastSession(sequence);
        if (lateFrom == Long.MIN_VALUE) {
            return List.of();
        }
        int lastEarly = -1;
        for (int i = 0; i < count; i++) {
            lastEarly = sequence.modified(i) < lateFrom ? i : lastEarly;
        }
        List<Long> over = new ArrayList<>();
        Long jump = null;
        for (int i = 0; i < lastEarly; i++) {
            if (sequence.modified(i) < lateFrom) {
                continue;
            }
            over.add(sequence.number(i));
            if (sequence.modified(i + 1) < lateFrom && jumps(table, i + 1)) {
                jump = sequence.number(i + 1);
            }
        }
        if (over.isEmpty()) {
            return List.of();
        }
        return List.of(jump != null
                ? new ContentFault(ContentFault.Kind.OVERWRITTEN, over, jump,
                        WORDS.say("writtenInALaterSessionThan", sequence.pattern().number(jump)))
                : new ContentFault(ContentFault.Kind.SESSIONS, over, null,
                        WORDS.say("writtenInALaterSessionThan2")));
    }

    /** The time at which the last session began, or the least long value if all frames are of one session. */
    private static long startOfLastSession(Sequence sequence) {
        long[] times = new long[sequence.count()];
        for (int i = 0; i < times.length; i++) {
            times[i] = sequence.modified(i);
        }
        Arrays.sort(times);
        double[] steps = new double[times.length - 1];
        for (int i = 1; i < times.length; i++) {
            steps[i - 1] = times[i] - times[i - 1];
        }
        double pause = Math.max(SHORTEST_PAUSE, PAUSE_IN_FRAMES * Series.median(steps));
        for (int i = steps.length - 1; i >= 0; i--) {
            if (steps[i] > pause) {
                return times[i + 1];
            }
        }
        return Long.MIN_VALUE;
    }

    private static boolean jumps(FrameTable table, int index) {
        if (table.stateAt(index) != FrameState.GOOD || table.stateAt(index - 1) != FrameState.GOOD
                || table.lookAt(index).isEmpty() || table.lookAt(index - 1).isEmpty()) {
            return false;
        }
        double change = table.lookAt(index).get().distance(table.lookAt(index - 1).get());
        double[] around = new double[2 * Series.WINDOW + 1];
        int known = 0;
        for (int i = Math.max(1, index - Series.WINDOW); i <= Math.min(table.sequence().count() - 1, index + Series.WINDOW); i++) {
            if (i != index && table.lookAt(i).isPresent() && table.lookAt(i - 1).isPresent()) {
                around[known++] = table.lookAt(i).get().distance(table.lookAt(i - 1).get());
            }
        }
        return change > Math.max(1.5, 4 * Series.median(Arrays.copyOf(around, known)));
    }
}
