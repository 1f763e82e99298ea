package dev.vat.media.compose;

import dev.vat.core.delivery.Ground;
import dev.vat.core.picture.Rgb;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Lays a picture with straight alpha over another, in their own coded values, exactly to half a step. */
public final class Flattening {

    private Flattening() {}

    /** Over one colour, given as displays show it. */
    public static Picture over(Picture picture, Rgb colour) {
        try (Picture ground = Grounds.behind(new Ground.Colour(colour), picture)) {
            return over(picture, ground);
        }
    }

    /**
     * A new picture without alpha: {@code gbrap16le} becomes {@code gbrp16le}, {@code gbrap} becomes {@code gbrp}.
     *
     * @param ground as wide; its last row goes on downwards
     */
    public static Picture over(Picture picture, Picture ground) {
        boolean deep = picture.bits() > 8;
        Picture flat = Picture.allocate(deep ? "gbrp16le" : "gbrp", picture.width(), picture.height());
        for (int p = 0; p < 3; p++) {
            for (int y = 0; y < picture.height(); y++) {
                MemorySegment from = row(picture, p, y);
                MemorySegment alpha = row(picture, 3, y);
                MemorySegment to = row(flat, p, y);
                if (deep) {
                    blend16(from, alpha, row(ground, p, Math.min(y, ground.height() - 1)), to, picture.width());
                } else {
                    blend8(from, alpha, row(ground, p, Math.min(y, ground.height() - 1)), to, picture.width());
                }
            }
        }
        ColourTags.like(picture, flat);
        return flat;
    }

    /** The same picture with an alpha channel that is full everywhere. */
    public static Picture opaque(Picture rgb) {
        Picture full = Picture.allocate(rgb.bits() > 8 ? "gbrap16le" : "gbrap", rgb.width(), rgb.height());
        for (int p = 0; p < 3; p++) {
            rgb.copyPlane(p, full);
        }
        full.plane(3).fill((byte) 0xff);
        ColourTags.like(rgb, full);
        return full;
    }

    /** Alpha as a grey picture, white where there is none. */
    public static Picture matte(Picture picture) {
        Picture grey = Picture.allocate(picture.bits() > 8 ? "gbrp16le" : "gbrp", picture.width(), picture.height());
        for (int p = 0; p < 3; p++) {
            if (!picture.hasAlpha()) {
                grey.plane(p).fill((byte) 0xff);
                continue;
            }
            for (int y = 0; y < picture.height(); y++) {
                row(grey, p, y).copyFrom(row(picture, 3, y));
            }
        }
        ColourTags.displayRgb(grey);
        return grey;
    }

    private static MemorySegment row(Picture picture, int plane, int y) {
        return picture.plane(plane).asSlice((long) y * picture.stride(plane), picture.rowBytes(plane));
    }

    private static void blend16(MemorySegment from, MemorySegment alpha, MemorySegment ground, MemorySegment to, int width) {
        for (int x = 0; x < width; x++) {
            long a = alpha.getAtIndex(ValueLayout.JAVA_SHORT, x) & 0xffff;
            long value = from.getAtIndex(ValueLayout.JAVA_SHORT, x) & 0xffff;
            long sum = value * a + (ground.getAtIndex(ValueLayout.JAVA_SHORT, x) & 0xffff) * (65535 - a) + 32768;
            // an exact division by 65535 with rounding
            to.setAtIndex(ValueLayout.JAVA_SHORT, x, (short) (sum + (sum >>> 16) >>> 16));
        }
    }

    private static void blend8(MemorySegment from, MemorySegment alpha, MemorySegment ground, MemorySegment to, int width) {
        for (int x = 0; x < width; x++) {
            int a = alpha.get(ValueLayout.JAVA_BYTE, x) & 0xff;
            int value = from.get(ValueLayout.JAVA_BYTE, x) & 0xff;
            int sum = value * a + (ground.get(ValueLayout.JAVA_BYTE, x) & 0xff) * (255 - a) + 128;
            to.set(ValueLayout.JAVA_BYTE, x, (byte) (sum + (sum >>> 8) >>> 8));
        }
    }
}
