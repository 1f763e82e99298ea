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

    private record Entry(String name, FileKind kind, long size, long modified) { }

    /** One run of digits in a name: everything else of the name is the key. */
    private record Numbered(Entry entry, String digits, long value) { }

    private record Key(String before, String after) { }

    private final Path folder;
    private final List<Entry> entries = new ArrayList<>();

    private SequenceGrouping(Path folder) {
        this.folder = folder;
    }

    public static SequenceGrouping in(Path folder) {
        return new SequenceGrouping(folder);
    }

    /** Takes a file into account if its name belongs to a kind that Vat reads; returns whether it does. */
    public boolean add(String fileName, long size, long modifiedMillis) {
        FileKind kind = FileKind.ofName(fileName).orElse(null);
        if (kind == null) {
            return false;
        }
        entries.add(new Entry(fileName, kind, size, modifiedMillis));
        return true;
    }

    /** The sequences found so far, by name; files without any number are left out. */
    public List<Sequence> sequences() {
        Map<Key, Integer> members = new HashMap<>(entries.size() * 2);
        for (Entry entry : entries) {
            forEachNumber(entry.name, (start, end) -> members.merge(key(entry.name, start, end), 1, Integer::sum));
        }
        Map<Key, List<Numbered>> groups = new HashMap<>();
        for (Entry entry : entries) {
            var best = new Object() {
                Key key;
                int members;
                String digits;
            };
            forEachNumber(entry.name, (start, end) -> {
                Key key = key(entry.name, start, end);
                int count = members.get(key);
                if (count >= best.members) {
                    best.key = key;
                    best.members = count;
                    best.digits = entry.name.substring(start, end);
                }
            });
            if (best.key != null) {
                groups.computeIfAbsent(best.key, _ -> new ArrayList<>())
                        .add(new Numbered(entry, best.digits, Long.parseLong(best.digits)));
            }
        }
        List<Sequence> found = new ArrayList<>();
        groups.forEach((key, group) -> byPadding(group).forEach((digits, frames) -> found.add(sequence(key, digits, frames))));
        found.sort(Comparator.comparing(Sequence::name));
        return found;
    }

    private interface DigitRun {
        void at(int start, int end);
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
                run.at(start, i);
            }
        }
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    private static Key key(String name, int start, int end) {
        return new Key(name.substring(0, start), name.substring(end));
    }

    /**
     * Tells 7, 8, 9, 10 (not padded) from 007, 008 (padded) in one group of names. A number without a leading zero goes
     * with the widest padding that it fills, since 1000 follows 999 in three digits as well.
     */
    private static Map<Integer, List<Numbered>> byPadding(List<Numbered> group) {
        int[] paddings = group.stream().filter(SequenceGrouping::padded).mapToInt(n -> n.digits.length())
                .distinct().sorted().toArray();
        boolean sameLength = group.stream().mapToInt(n -> n.digits.length()).distinct().count() == 1;
        Map<Integer, List<Numbered>> result = new TreeMap<>();
        for (Numbered frame : group) {
            int length = frame.digits.length();
            int digits = sameLength || padded(frame) ? length
                    : Arrays.stream(paddings).filter(p -> p <= length).max().orElse(1);
            result.computeIfAbsent(digits, _ -> new ArrayList<>()).add(frame);
        }
        return result;
    }

    private static boolean padded(Numbered frame) {
        return frame.digits.length() > 1 && frame.digits.charAt(0) == '0';
    }

    private Sequence sequence(Key key, int digits, List<Numbered> frames) {
        frames.sort(Comparator.comparingLong(Numbered::value));
        return Sequence.of(folder, new SequencePattern(key.before, digits, key.after), frames.getFirst().entry.kind,
                frames.stream().mapToLong(Numbered::value).toArray(),
                frames.stream().mapToLong(f -> f.entry.size).toArray(),
                frames.stream().mapToLong(f -> f.entry.modified).toArray());
    }
}
