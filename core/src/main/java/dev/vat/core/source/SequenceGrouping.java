package dev.vat.core.source;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Puts the file names of one folder together into sequences. Of several numbers in a name the one that runs is the frame
 * number: the one that the most names share everything else with, and of equals the last.
 */
public final class SequenceGrouping {

    private static final int MOST_DIGITS = 18;

    /** A name with several numbers, of which one has still to be chosen. */
    private record Entry(String name, FileKind kind, long size, long modified) {}

    /** A file whose frame number is known; {@code padded} if the number begins with a zero that isn't all of it. */
    private record Numbered(FileKind kind, long size, long modified, int digits, boolean padded, long value, String ending) {
        boolean isNegative() {
            return value < 0;
        }
    }

    private record Key(String before, String after) {}

    /** Names that are alike but for their number. */
    private record Group(Key key, List<Numbered> frames) {
        boolean holds(String name, int start, int end) {
            return start == key.before.length() && name.length() - end == key.after.length()
                    && name.startsWith(key.before) && name.endsWith(key.after);
        }
    }

    private final Path folder;
    private final Map<Key, Group> groups = new HashMap<>();
    private final List<Entry> undecided = new ArrayList<>();
    private Group latest;

    private SequenceGrouping(Path folder) {
        this.folder = folder;
    }

    public static SequenceGrouping in(Path folder) {
        return new SequenceGrouping(folder);
    }

    /** Takes a file into account if its name has a number and belongs to a kind of still picture; returns whether it does. */
    public boolean add(String fileName, long size, long modifiedMillis) {
        FileKind kind = FileKind.ofName(fileName).orElse(null);
        if (kind == null || kind.isMovie() || NameWords.isUnfinished(fileName)) {
            return false;
        }
        var found = new Object() {
            int numbers;
            int start;
            int end;
        };
        forEachNumber(fileName, (start, end) -> {
            found.numbers++;
            found.start = start;
            found.end = end;
        });
        if (found.numbers == 1) {
            put(fileName, found.start, found.end, kind, size, modifiedMillis);
        } else if (found.numbers > 1) {
            undecided.add(new Entry(fileName, kind, size, modifiedMillis));
        }
        return found.numbers > 0;
    }

    /** Names come in no order, but mostly many of one sequence together: the latest group is tried first. */
    private void put(String name, int start, int end, FileKind kind, long size, long modified) {
        if (latest == null || !latest.holds(name, start, end)) {
            latest = groups.computeIfAbsent(key(name, start, end), key -> new Group(key, new ArrayList<>()));
        }
        int digit = name.charAt(start) == '-' ? start + 1 : start;
        latest.frames.add(new Numbered(kind, size, modified, end - digit, end - digit > 1 && name.charAt(digit) == '0',
                Long.parseLong(name, start, end, 10), latest.key.after));
    }

    /** All sequences, by name. */
    public List<Sequence> sequences() {
        decide();
        return soFar();
    }

    /** Those that are certain while names are still coming: names with several numbers wait for the rest. */
    public List<Sequence> soFar() {
        List<Sequence> found = new ArrayList<>();
        inAnyCase().forEach((key, group) -> byPadding(group.frames).forEach((digits, frames) -> found.add(sequence(key, digits, frames))));
        found.sort(Comparator.comparing(Sequence::name));
        return found;
    }

    /** Groups whose names end alike but for upper and lower case are one, unless they hold a frame twice. */
    private Map<Key, Group> inAnyCase() {
        Map<Key, List<Group>> alike = new HashMap<>();
        groups.values().forEach(g -> alike.computeIfAbsent(new Key(g.key.before, SequencePattern.endingLowered(g.key.after)),
                _ -> new ArrayList<>()).add(g));
        Map<Key, Group> result = new HashMap<>();
        alike.forEach((key, same) -> {
            // Nearly all are alone, and may hold a million frames: these aren't copied.
            List<Numbered> all = same.size() == 1 ? List.of() : same.stream().flatMap(g -> g.frames.stream()).toList();
            if (same.size() == 1 || all.stream().map(Numbered::value).distinct().count() < all.size()) {
                same.forEach(g -> result.put(g.key, g));
            } else {
                // One of the names that there are; the same one however many files have come so far, as soon as there is a small one.
                Key own = same.stream().map(g -> g.key).max(Comparator.comparing(Key::after)).orElseThrow();
                result.put(own, new Group(own, new ArrayList<>(all)));
            }
        });
        return result;
    }

    /**
     * Chooses a number for each name that has several; the number of a version or a take only where there is no other. A name with one
     * number never shares everything else with such a name, so that these can be judged by themselves.
     */
    private void decide() {
        Map<Key, Integer> members = new HashMap<>();
        for (Entry entry : undecided) {
            forEachCandidate(entry.name, (start, end) -> members.merge(key(entry.name, start, end), 1, Integer::sum));
        }
        for (Entry entry : undecided) {
            var best = new Object() {
                int members;
                int start;
                int end;
            };
            forEachCandidate(entry.name, (start, end) -> {
                int count = members.get(key(entry.name, start, end));
                if (count >= best.members) {
                    best.members = count;
                    best.start = start;
                    best.end = end;
                }
            });
            put(entry.name, best.start, best.end, entry.kind, entry.size, entry.modified);
        }
        undecided.clear();
    }

    private interface DigitRun {
        void at(int start, int end);
    }

    private static void forEachCandidate(String name, DigitRun run) {
        List<int[]> plain = new ArrayList<>();
        forEachNumber(name, (start, end) -> {
            if (!NameWords.leadsToTake(name.substring(0, start))) {
                plain.add(new int[] {start, end});
            }
        });
        if (plain.isEmpty()) {
            forEachNumber(name, run);
        }
        plain.forEach(at -> run.at(at[0], at[1]));
    }

    /** Digits of the extension (such as in jp2) don't count as a number. */
    private static void forEachNumber(String name, DigitRun run) {
        int end = name.lastIndexOf('.');
        int i = 0;
        while (i < end) {
            if (!isDigit(name.charAt(i))) {
                i++;
                continue;
            }
            int start = i;
            while (i < end && isDigit(name.charAt(i))) {
                i++;
            }
            if (i - start <= MOST_DIGITS) {
                run.at(isMinus(name, start - 1) ? start - 1 : start, i);
            }
        }
    }

    /** A hyphen is a minus where a number may begin: at the start, or after another mark. {@code a-003} is frame 3. */
    private static boolean isMinus(String name, int at) {
        return at >= 0 && name.charAt(at) == '-' && (at == 0 || "._ ".indexOf(name.charAt(at - 1)) >= 0);
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    private static Key key(String name, int start, int end) {
        return new Key(name.substring(0, start), name.substring(end));
    }

    /**
     * Tells 7, 8, 9, 10 (not padded) from 007, 008 (padded) in one group of names. A number without a leading zero goes with the widest
     * padding that it fills, since 1000 follows 999 in three digits as well. Numbers below zero go with the others; only where there are
     * none are they judged by themselves.
     */
    private static Map<Integer, List<Numbered>> byPadding(List<Numbered> group) {
        List<Numbered> judged = group.stream().filter(n -> !n.isNegative()).toList();
        if (judged.isEmpty()) {
            judged = group;
        }
        int[] paddings = judged.stream().filter(Numbered::padded).mapToInt(Numbered::digits).distinct().sorted().toArray();
        int first = judged.getFirst().digits;
        if (judged.stream().allMatch(n -> n.digits == first)) {
            return Map.of(first, new ArrayList<>(group));
        }
        Map<Integer, List<Numbered>> result = new TreeMap<>();
        for (Numbered frame : group) {
            int filled = frame.isNegative() ? frame.digits + 1 : frame.digits;
            int digits = frame.padded && !frame.isNegative() ? frame.digits
                    : Arrays.stream(paddings).filter(p -> p <= filled).max().orElse(1);
            result.computeIfAbsent(digits, _ -> new ArrayList<>()).add(frame);
        }
        return result;
    }

    private Sequence sequence(Key key, int digits, List<Numbered> found) {
        List<Numbered> frames = found;
        frames.sort(Comparator.comparingLong(Numbered::value));
        // -0 and 0 are one frame; the first of two such files is taken.
        for (int i = frames.size() - 1; i > 0; i--) {
            if (frames.get(i).value == frames.get(i - 1).value) {
                frames = new ArrayList<>(frames);
                frames.remove(i);
            }
        }
        Numbered lowest = frames.getFirst();
        boolean signCounts = lowest.isNegative() && lowest.digits == digits - 1;
        Sequence sequence = Sequence.of(folder, new SequencePattern(key.before, digits, key.after, signCounts), lowest.kind,
                frames.stream().mapToLong(Numbered::value).toArray(),
                frames.stream().mapToLong(Numbered::size).toArray(),
                frames.stream().mapToLong(Numbered::modified).toArray());
        return frames.stream().allMatch(f -> f.ending.equals(key.after)) ? sequence
                : sequence.withEndings(frames.stream().map(Numbered::ending).toArray(String[]::new));
    }
}
