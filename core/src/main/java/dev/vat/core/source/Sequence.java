package dev.vat.core.source;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.LongStream;

/**
 * The numbered files of one pattern in one folder, as a listing of the folder shows them, or the frames of one movie clip,
 * as a rule counted from 0; nothing of their content is known here. Numbers ascend. A million frames take some 24 MB.
 */
public final class Sequence {

    private static final Words WORDS = Words.of(Sequence.class);

    /** Fewer files than this are never taken as counting in steps: two of them may as well have a hole between. */
    private static final int FEWEST_FOR_STEP = 4;

    private final Path folder;
    private final SequencePattern pattern;
    private final FileKind kind;
    private final long[] numbers;
    private final long[] sizes;
    private final long[] modified;
    /** What each name ends in after its number, if that isn't the pattern's everywhere; else null. */
    private final String[] endings;
    private final long step;

    private Sequence(Path folder, SequencePattern pattern, FileKind kind, long[] numbers, long[] sizes, long[] modified,
            String[] endings) {
        if (numbers.length == 0) {
            throw new IllegalArgumentException(WORDS.say("aSequenceHoldsAtLeastOne", pattern.name()));
        }
        this.folder = folder;
        this.pattern = pattern;
        this.kind = kind;
        this.numbers = numbers;
        this.sizes = sizes;
        this.modified = modified;
        this.endings = endings;
        this.step = stepOf(numbers);
    }

    /**
     * @param numbers ascending, without repeats
     * @param sizes bytes of each file
     * @param modified last change of each file in milliseconds since 1970, UTC
     */
    public static Sequence of(Path folder, SequencePattern pattern, FileKind kind, long[] numbers, long[] sizes,
            long[] modified) {
        for (int i = 1; i < numbers.length; i++) {
            if (numbers[i] <= numbers[i - 1]) {
                throw new IllegalArgumentException(WORDS.say("frameNumbersMustAscend", numbers[i - 1], numbers[i]));
            }
        }
        return new Sequence(folder, pattern, kind, numbers.clone(), sizes.clone(), modified.clone(), null);
    }

    /** The same files, some of whose names end in other letters after the number: {@code .PNG} beside {@code .png}. */
    Sequence withEndings(String[] each) {
        return new Sequence(folder, pattern, kind, numbers, sizes, modified, each);
    }

    /** The same files by another pattern that is like its own. */
    public Sequence by(SequencePattern other) {
        if (!pattern.isLike(other)) {
            throw new IllegalArgumentException(WORDS.say("doesntNameTheFilesOf", other.name(), pattern.name()));
        }
        String[] each = endings;
        if (each == null && !other.after().equals(pattern.after())) {
            each = new String[numbers.length];
            Arrays.fill(each, pattern.after());
        }
        return new Sequence(folder, other, kind, numbers, sizes, modified, each);
    }

    /** A clip of {@code count} frames, counted from 0, which all lie in one file. */
    public static Sequence ofMovie(Path folder, String fileName, int count, long size, long modified) {
        return ofMovie(folder, fileName, count, FrameNumbers.FROM_ZERO, size, modified);
    }

    /** A clip whose frames have numbers of their own. */
    public static Sequence ofMovie(Path folder, String fileName, int count, FrameNumbers frames, long size, long modified) {
        long[] sizes = new long[count];
        long[] times = new long[count];
        Arrays.fill(sizes, size);
        Arrays.fill(times, modified);
        return new Sequence(folder, SequencePattern.single(fileName), FileKind.MOVIE,
                LongStream.range(0, count).map(frames::number).toArray(),
                sizes, times, null);
    }

    /** Each field of a movie's frames as a frame. */
    Sequence ofFields() {
        long[] fields = new long[numbers.length * 2];
        long[] each = new long[fields.length];
        long[] times = new long[fields.length];
        for (int i = 0; i < fields.length; i++) {
            fields[i] = numbers[i / 2] * 2 + i % 2;
            each[i] = sizes[i / 2];
            times[i] = modified[i / 2];
        }
        return new Sequence(folder, pattern, kind, fields, each, times, null);
    }

    /** One picture without a number, as a sequence of one frame numbered 0. */
    public static Sequence ofStill(Path folder, String fileName, FileKind kind, long size, long modified) {
        return new Sequence(folder, SequencePattern.single(fileName), kind, new long[1], new long[] {size},
                new long[] {modified}, null);
    }

    private static long stepOf(long[] numbers) {
        if (numbers.length < FEWEST_FOR_STEP) {
            return 1;
        }
        long divisor = 0;
        for (int i = 1; i < numbers.length && divisor != 1; i++) {
            long a = numbers[i] - numbers[i - 1];
            while (divisor != 0) {
                long rest = a % divisor;
                a = divisor;
                divisor = rest;
            }
            divisor = a;
        }
        return divisor;
    }

    public Path folder() {
        return folder;
    }

    public Location location() {
        return new Location(folder, pattern);
    }

    public SequencePattern pattern() {
        return pattern;
    }

    public FileKind kind() {
        return kind;
    }

    /** How many files there are. */
    public int count() {
        return numbers.length;
    }

    public long first() {
        return numbers[0];
    }

    public long last() {
        return numbers[numbers.length - 1];
    }

    public FrameRange range() {
        return FrameRange.of(first(), last());
    }

    /** The distance between neighbours when all frames lie on one grid: 1 as a rule, 5 for every fifth frame. */
    public long step() {
        return step;
    }

    public long number(int index) {
        return numbers[index];
    }

    public long size(int index) {
        return sizes[index];
    }

    public long modified(int index) {
        return modified[index];
    }

    /** The place of a frame in this listing, or a negative number if it has no file. */
    public int indexOf(long number) {
        return Arrays.binarySearch(numbers, number);
    }

    /** The place of the last file numbered below {@code number}, or -1 if there is none. */
    public int indexBefore(long number) {
        return insertion(number) - 1;
    }

    public boolean has(long number) {
        return indexOf(number) >= 0;
    }

    public Path file(long number) {
        return folder.resolve(fileName(number));
    }

    /** The name of a frame's file, as it is or would be. */
    public String fileName(long number) {
        return pattern.withAfter(ending(indexOf(number))).fileName(number);
    }

    /** What the name of the file at a place of this listing ends in after its number, if that isn't the pattern's; else null. */
    public String ending(int index) {
        return endings == null || index < 0 || endings[index].equals(pattern.after()) ? null : endings[index];
    }

    public String name() {
        return pattern.name();
    }

    /** The frames on this sequence's grid, inside {@code range}, that have no file. */
    public FrameSet missing(FrameRange range) {
        return missing(range, step);
    }

    /** @param step how far the numbers lie apart that should be there: a divisor of this sequence's own */
    FrameSet missing(FrameRange range, long step) {
        FrameSet.Builder missing = FrameSet.builder();
        long expected = firstOnGrid(range.first(), step);
        int index = Math.max(0, insertion(expected));
        for (; index < numbers.length && numbers[index] <= range.last(); index++) {
            add(missing, expected, numbers[index] - step, step);
            expected = numbers[index] + step;
        }
        add(missing, expected, range.last(), step);
        return missing.build();
    }

    /** The frames of the grid from one that is on it to another, if that isn't before. */
    private static void add(FrameSet.Builder frames, long from, long to, long step) {
        if (step == 1 && from <= to) {
            frames.add(from, to);
            return;
        }
        for (long frame = from; frame <= to; frame += step) {
            frames.add(frame);
        }
    }

    public FrameSet missing() {
        return missing(range());
    }

    /** The first frame on the grid that isn't before {@code number}. */
    public long firstOnGrid(long number) {
        return firstOnGrid(number, step);
    }

    /** @param step of the grid: a divisor of this sequence's own */
    public long firstOnGrid(long number, long step) {
        return number + Math.floorMod(first() - number, step);
    }

    private int insertion(long number) {
        int index = indexOf(number);
        return index >= 0 ? index : -index - 1;
    }

    @Override
    public String toString() {
        return name() + " " + range() + " (" + count() + " files)";
    }
}
