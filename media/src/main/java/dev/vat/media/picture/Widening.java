package dev.vat.media.picture;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * Whole-number samples of 9 to 15 bits brought to 16, and those of 4 to 6 that share a word to 8, by repeating their highest bits below
 * their lowest: 0 stays 0, the highest code becomes the highest, and narrowing with rounding gives every code back. The library's own
 * conversions shift or interpolate instead.
 */
public final class Widening {

    private static final int WIDE = 16;

    private Widening() {}

    /** Whether the picture is RGB or grey in planes of 9 to 15 bits, or RGB in words of 12 to 16. */
    public static boolean isNeeded(Picture picture) {
        String name = picture.formatName();
        return SharedWord.of(name) != null
                || picture.bits() > 8 && picture.bits() < WIDE && name.endsWith("le") && (name.startsWith("gbr") || name.startsWith("gray"))
                        && !FloatSamples.isFloat(picture);
    }

    /** A code of so many bits as one of 16. */
    public static int widened(int code, int bits) {
        int wide = code << WIDE - bits;
        for (int have = bits; have < WIDE; have += bits) {
            wide |= code << WIDE - bits >>> have;
        }
        return wide & 0xffff;
    }

    /** The same picture in 16 bits a sample, or in 8 where samples share a word. */
    public static Picture of(Picture picture) {
        SharedWord word = SharedWord.of(picture.formatName());
        return word != null ? word.planes(picture) : planes(picture);
    }

    private static Picture planes(Picture picture) {
        int bits = picture.bits();
        String name = picture.formatName();
        return Picture.filled(name.replaceAll("\\d+le$", "") + WIDE + "le", picture.width(), picture.height(), wide -> {
            short[] table = new short[1 << bits];
            for (int code = 0; code < table.length; code++) {
                table[code] = (short) widened(code, bits);
            }
            short[] row = new short[picture.width()];
            for (int p = 0; p < picture.planes(); p++) {
                MemorySegment from = picture.plane(p);
                MemorySegment to = wide.plane(p);
                for (int y = 0; y < picture.height(); y++) {
                    MemorySegment.copy(from, ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * picture.stride(p), row, 0, row.length);
                    for (int x = 0; x < row.length; x++) {
                        row[x] = table[row[x] & table.length - 1];
                    }
                    MemorySegment.copy(row, 0, to, ValueLayout.JAVA_SHORT_UNALIGNED, (long) y * wide.stride(p), row.length);
                }
            }
            ColourTags.like(picture, wide);
        });
    }
}
