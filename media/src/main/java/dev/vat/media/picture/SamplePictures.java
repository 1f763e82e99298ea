package dev.vat.media.picture;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** Pictures of plain arrays of samples, tagged as display-coded RGB. */
public final class SamplePictures {

    private SamplePictures() {}

    /** A working picture of 16 bits from display-coded samples, clamped to 0 to 1; alpha straight. */
    public static Picture of(Samples s) {
        Picture picture = Picture.allocate(s.alpha() == null ? "gbrp16le" : "gbrap16le", s.width(), s.height());
        float[][] planes = {s.green(), s.blue(), s.red(), s.alpha()};
        short[] row = new short[s.width()];
        for (int p = 0; p < picture.planes(); p++) {
            MemorySegment plane = picture.plane(p);
            int stride = picture.stride(p);
            for (int y = 0, at = 0; y < s.height(); y++) {
                for (int x = 0; x < row.length; x++) {
                    row[x] = (short) (Math.min(Math.max(planes[p][at++], 0f), 1f) * 65535 + .5f);
                }
                MemorySegment.copy(row, 0, plane, ValueLayout.JAVA_SHORT, (long) y * stride, row.length);
            }
        }
        ColourTags.displayRgb(picture);
        return picture;
    }

    /** A working picture of 8 bits from rows of four bytes a pixel, red first; without alpha where nothing shows through. */
    public static Picture ofRgba(int width, int height, byte[] rgba) {
        Picture picture = Picture.allocate(isOpaque(rgba) ? "gbrp" : "gbrap", width, height);
        int[] order = {1, 2, 0, 3};
        byte[] row = new byte[width];
        for (int p = 0; p < picture.planes(); p++) {
            MemorySegment plane = picture.plane(p);
            int stride = picture.stride(p);
            for (int y = 0, at = order[p]; y < height; y++) {
                for (int x = 0; x < width; x++, at += 4) {
                    row[x] = rgba[at];
                }
                MemorySegment.copy(row, 0, plane, ValueLayout.JAVA_BYTE, (long) y * stride, width);
            }
        }
        ColourTags.displayRgb(picture);
        return picture;
    }

    /** A picture of rows of four bytes a pixel, red first, as they come, to be composed; without alpha where nothing shows through. */
    public static Picture packedRgba(int width, int height, byte[] rgba) {
        return packed(isOpaque(rgba) ? "rgb0" : "rgba", width, height, rgba, 4 * width);
    }

    /** The same of three bytes a pixel. */
    public static Picture packedRgb(int width, int height, byte[] rgb) {
        return packed("rgb24", width, height, rgb, 3 * width);
    }

    private static Picture packed(String format, int width, int height, byte[] samples, int row) {
        Picture picture = Picture.allocate(format, width, height);
        MemorySegment plane = picture.plane(0);
        int stride = picture.stride(0);
        int together = stride == row ? height : 1;
        for (int y = 0; y < height; y += together) {
            MemorySegment.copy(samples, y * row, plane, ValueLayout.JAVA_BYTE, (long) y * stride, row * together);
        }
        ColourTags.displayRgb(picture);
        return picture;
    }

    private static boolean isOpaque(byte[] rgba) {
        int together = 255;
        for (int i = 3; i < rgba.length; i += 4) {
            together &= rgba[i];
        }
        return (together & 255) == 255;
    }
}
