package dev.vat.media.measure;

import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * Where two working pictures of the same size and samples differ, made visible at any size: of all pixels that fall into one of the shown
 * picture the one that differs most is shown, so that not even a single one is lost.
 */
public final class Differences {

    private static final Words WORDS = Words.of(Differences.class);

    private static final ValueLayout.OfShort WORD = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);
    private static final int WHITE = 65535;
    private static final int MIDDLE = 32768;
    private static final int ALPHA_PLANE = 3;

    /**
     * What is shown of a difference.
     *
     * @param gain times that it is shown as strong as it is
     * @param signed whether grey stands for none, brighter for where the second is, darker for where the first is; else black for none
     * @param alpha whether that of alpha is shown
     */
    public record Show(int gain, boolean signed, boolean alpha) {
        public Show {
            if (gain < 1 || gain > 1024) {
                throw new IllegalArgumentException(WORDS.say("aGainIsFrom1To1024Not", gain));
            }
        }
    }

    private Differences() {}

    /**
     * A picture of 16 bits without alpha, {@code width} by {@code height}.
     *
     * @param first of 16 bits, as {@link Composer} makes it
     * @param second likewise
     * @throws MediaException if they aren't alike
     */
    public static Picture of(Picture first, Picture second, Show how, int width, int height) {
        if (first.width() != second.width() || first.height() != second.height() || first.bits() != 16 || second.bits() != 16
                || !first.isRgb() || !second.isRgb()) {
            throw new MediaException(WORDS.say("picturesOfXAndXCantBeCompared", first.width(), first.height(), first.formatName(),
                    second.width(), second.height(), second.formatName()), 0);
        }
        Picture shown = Picture.allocate("gbrp16le", width, height);
        for (int plane = 0; plane < 3; plane++) {
            int from = how.alpha() ? ALPHA_PLANE : plane;
            if (from >= first.planes() || from >= second.planes()) {
                shown.plane(plane).fill((byte) 0);
            } else {
                plane(first, second, from, shown, plane, how);
            }
        }
        ColourTags.displayRgb(shown);
        return shown;
    }

    private static void plane(Picture first, Picture second, int from, Picture shown, int to, Show how) {
        MemorySegment a = first.plane(from);
        MemorySegment b = second.plane(from);
        MemorySegment out = shown.plane(to);
        int[] most = new int[shown.width()];
        for (int y = 0; y < shown.height(); y++) {
            int top = (int) ((long) y * first.height() / shown.height());
            int bottom = Math.max(top + 1, (int) ((long) (y + 1) * first.height() / shown.height()));
            Arrays.fill(most, 0);
            for (int line = top; line < bottom; line++) {
                row(a, (long) line * first.stride(from), b, (long) line * second.stride(from), first.width(), most);
            }
            for (int x = 0; x < most.length; x++) {
                long strong = (long) most[x] * how.gain();
                long value = how.signed() ? MIDDLE + strong / 2 : Math.abs(strong);
                out.set(WORD, (long) y * shown.stride(to) + 2L * x, (short) Math.clamp(value, 0, WHITE));
            }
        }
    }

    /** Keeps for every shown pixel what differs most, with its sign: second less first. */
    private static void row(MemorySegment a, long atA, MemorySegment b, long atB, int width, int[] most) {
        for (int shown = 0; shown < most.length; shown++) {
            int left = (int) ((long) shown * width / most.length);
            int right = Math.max(left + 1, (int) ((long) (shown + 1) * width / most.length));
            for (int x = left; x < right; x++) {
                int off = (b.get(WORD, atB + 2L * x) & 0xffff) - (a.get(WORD, atA + 2L * x) & 0xffff);
                if (Math.abs(off) > Math.abs(most[shown])) {
                    most[shown] = off;
                }
            }
        }
    }

    /**
     * How far apart two pictures are at most.
     *
     * @param most the strongest difference of any sample, alpha included where both have it, in codes of 16 bits
     * @param whiter the share of samples of R, G and B that are at the highest code in the second and not in the first, from 0 to 1
     */
    public record Extremes(int most, double whiter) {}

    public static Extremes extremes(Picture first, Picture second) {
        int most = 0;
        long whiter = 0;
        for (int plane = 0; plane < Math.min(first.planes(), second.planes()); plane++) {
            MemorySegment a = first.plane(plane);
            MemorySegment b = second.plane(plane);
            for (int y = 0; y < first.height(); y++) {
                long atA = (long) y * first.stride(plane);
                long atB = (long) y * second.stride(plane);
                for (int x = 0; x < first.width(); x++) {
                    int one = a.get(WORD, atA + 2L * x) & 0xffff;
                    int other = b.get(WORD, atB + 2L * x) & 0xffff;
                    most = Math.max(most, Math.abs(one - other));
                    if (other == WHITE && one != WHITE && plane != ALPHA_PLANE) {
                        whiter++;
                    }
                }
            }
        }
        return new Extremes(most, (double) whiter / ALPHA_PLANE / first.width() / first.height());
    }

    /**
     * The mean difference of green, second less first, of every cell of a grid: what flickers is seen in how these change. In codes of 16
     * bits.
     */
    public static float[] cells(Picture first, Picture second, int columns, int rows) {
        float[] cells = new float[columns * rows];
        MemorySegment a = first.plane(0);
        MemorySegment b = second.plane(0);
        for (int row = 0; row < rows; row++) {
            int top = row * first.height() / rows;
            int bottom = Math.max(top + 1, (row + 1) * first.height() / rows);
            for (int column = 0; column < columns; column++) {
                int left = column * first.width() / columns;
                int right = Math.max(left + 1, (column + 1) * first.width() / columns);
                long sum = 0;
                for (int y = top; y < bottom; y++) {
                    for (int x = left; x < right; x++) {
                        sum += (b.get(WORD, (long) y * second.stride(0) + 2L * x) & 0xffff)
                                - (a.get(WORD, (long) y * first.stride(0) + 2L * x) & 0xffff);
                    }
                }
                cells[row * columns + column] = (float) sum / ((bottom - top) * (right - left));
            }
        }
        return cells;
    }
}
