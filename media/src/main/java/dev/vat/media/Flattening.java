package dev.vat.media;

import dev.vat.core.picture.Rgb;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Lays a picture with straight alpha over one colour, in its own display-coded values, exactly to half a step. */
final class Flattening {

    private Flattening() { }

    /** A new picture without alpha: {@code gbrap16le} becomes {@code gbrp16le}, {@code gbrap} becomes {@code gbrp}. */
    static Picture over(Picture picture, Rgb colour) {
        boolean deep = picture.bits() > 8;
        Picture flat = Picture.allocate(deep ? "gbrp16le" : "gbrp", picture.width(), picture.height());
        int[] ground = {colour.green(), colour.blue(), colour.red()};
        for (int p = 0; p < 3; p++) {
            for (int y = 0; y < picture.height(); y++) {
                MemorySegment from = row(picture, p, y);
                MemorySegment alpha = row(picture, 3, y);
                MemorySegment to = row(flat, p, y);
                if (deep) {
                    blend16(from, alpha, to, ground[p] * 257, picture.width());
                } else {
                    blend8(from, alpha, to, ground[p], picture.width());
                }
            }
        }
        ColourTags.displayRgb(flat);
        return flat;
    }

    /** The same picture with an alpha channel that is full everywhere. */
    static Picture opaque(Picture rgb) {
        Picture full = Picture.allocate(rgb.bits() > 8 ? "gbrap16le" : "gbrap", rgb.width(), rgb.height());
        for (int p = 0; p < 3; p++) {
            rgb.copyPlane(p, full);
        }
        full.plane(3).fill((byte) 0xff);
        ColourTags.displayRgb(full);
        return full;
    }

    private static MemorySegment row(Picture picture, int plane, int y) {
        return picture.plane(plane).asSlice((long) y * picture.stride(plane), picture.rowBytes(plane));
    }

    private static void blend16(MemorySegment from, MemorySegment alpha, MemorySegment to, int ground, int width) {
        for (int x = 0; x < width; x++) {
            long a = alpha.getAtIndex(ValueLayout.JAVA_SHORT, x) & 0xffff;
            long value = from.getAtIndex(ValueLayout.JAVA_SHORT, x) & 0xffff;
            long sum = value * a + ground * (65535 - a) + 32768;
            // an exact division by 65535 with rounding
            to.setAtIndex(ValueLayout.JAVA_SHORT, x, (short) (sum + (sum >>> 16) >>> 16));
        }
    }

    private static void blend8(MemorySegment from, MemorySegment alpha, MemorySegment to, int ground, int width) {
        for (int x = 0; x < width; x++) {
            int a = alpha.get(ValueLayout.JAVA_BYTE, x) & 0xff;
            int value = from.get(ValueLayout.JAVA_BYTE, x) & 0xff;
            int sum = value * a + ground * (255 - a) + 128;
            to.set(ValueLayout.JAVA_BYTE, x, (byte) (sum + (sum >>> 8) >>> 8));
        }
    }
}
