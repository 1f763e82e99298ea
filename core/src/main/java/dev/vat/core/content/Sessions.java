package dev.vat.core.content;

import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Frames that were written at clearly different times. A render that was stopped and taken up again goes on where it was: the picture
 * doesn't jump between its sessions. Where it jumps just where the time does, another render was written over this one, or behind it.
 * Frames of a later session below those of an earlier one are worth a word in any case: they were rendered again.
 */
final class Sessions {

    private static final Words WORDS = Words.of(Sessions.class);

    private static final long SHORTEST_PAUSE = 10 * 60_000L;
    private static final int PAUSE_IN_FRAMES = 20;
    private static final int FEWEST_FRAMES = 4;

    /** Frames of one session that follow each other. @param first and {@code last}: places in the table */
    private record Run(int session, int first, int last) {}

    private Sessions() {}

    static List<ContentFault> in(FrameTable table) {
        Sequence sequence = table.sequence();
        if (sequence.count() < FEWEST_FRAMES || sequence.pattern().isSingle()) {
            return List.of();
        }
        long[] starts = starts(sequence);
        if (starts.length < 2) {
            return List.of();
        }
        List<Run> runs = runs(sequence, starts);
        List<ContentFault> found = new ArrayList<>();
        List<Long> again = new ArrayList<>();
        for (int i = 0; i < runs.size(); i++) {
            Run run = runs.get(i);
            boolean before = i > 0 && runs.get(i - 1).session < run.session;
            boolean behind = i + 1 < runs.size() && runs.get(i + 1).session < run.session;
            if (behind && jumps(table, run.last + 1)) {
                String other = sequence.pattern().number(sequence.number(run.last + 1));
                found.add(new ContentFault(ContentFault.Kind.OVERWRITTEN, numbers(sequence, run), sequence.number(run.last + 1),
                        WORDS.say("writtenInALaterSessionThan", other)));
            } else if (before && jumps(table, run.first)) {
                String other = sequence.pattern().number(sequence.number(run.first - 1));
                found.add(new ContentFault(ContentFault.Kind.OVERWRITTEN, numbers(sequence, run), sequence.number(run.first - 1),
                        WORDS.say("writtenInALaterSessionThanThoseUpTo", other)));
            } else if (behind) {
                again.addAll(numbers(sequence, run));
            }
        }
        if (!again.isEmpty()) {
            found.add(new ContentFault(ContentFault.Kind.SESSIONS, again, null, WORDS.say("writtenInALaterSessionThan2")));
        }
        return found;
    }

    private static List<Long> numbers(Sequence sequence, Run run) {
        return IntStream.rangeClosed(run.first, run.last).mapToObj(sequence::number).toList();
    }

    private static List<Run> runs(Sequence sequence, long[] starts) {
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < sequence.count(); i++) {
            int found = Arrays.binarySearch(starts, sequence.modified(i));
            int session = found >= 0 ? found : -found - 2;
            if (runs.isEmpty() || runs.getLast().session != session) {
                runs.add(new Run(session, i, i));
            } else {
                runs.set(runs.size() - 1, new Run(session, runs.getLast().first, i));
            }
        }
        return runs;
    }

    /** When each session began, ascending: the first frame, and each that comes after a long pause. */
    private static long[] starts(Sequence sequence) {
        long[] times = IntStream.range(0, sequence.count()).mapToLong(sequence::modified).sorted().toArray();
        double[] steps = new double[times.length - 1];
        for (int i = 1; i < times.length; i++) {
            steps[i - 1] = times[i] - times[i - 1];
        }
        double pause = Math.max(SHORTEST_PAUSE, PAUSE_IN_FRAMES * Series.median(steps));
        return IntStream.range(0, times.length).filter(i -> i == 0 || steps[i - 1] > pause).mapToLong(i -> times[i]).toArray();
    }

    /** Over a hole the picture has gone on: a jump there tells nothing. */
    private static boolean jumps(FrameTable table, int index) {
        Sequence sequence = table.sequence();
        if (sequence.number(index) != sequence.number(index - 1) + sequence.step() || table.stateAt(index) != FrameState.GOOD
                || table.stateAt(index - 1) != FrameState.GOOD
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
