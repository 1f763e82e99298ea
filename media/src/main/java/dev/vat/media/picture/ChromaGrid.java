package dev.vat.media.picture;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * Pictures whose colour is coarser than their brightness and whose size isn't a whole number of its steps: what the last samples of colour
 * cover beyond the edge is filled with the edge itself, since resampling knows only whole steps.
 */
public final class ChromaGrid {

    private ChromaGrid() {}

    /** Whether there is a sample of colour for every pixel. */
    public static boolean isFine(Picture picture) {
        return across(picture) == 1 && down(picture) == 1;
    }

    /** Whether every sample of colour covers its full share of pixels. */
    public static boolean isWhole(Picture picture) {
        return picture.width() % across(picture) == 0 && picture.height() % down(picture) == 0 || picture.planes() < 3;
    }

    private static int across(Picture picture) {
        return 1 << picture.descriptor().log2_chroma_w();
    }

    private static int down(Picture picture) {
        return 1 << picture.descriptor().log2_chroma_h();
    }

    /** A planar picture filled up to whole steps to the right and below. */
    public static Picture filled(Picture picture) {
        int width = Math.ceilDiv(picture.width(), across(picture)) * across(picture);
        int height = Math.ceilDiv(picture.height(), down(picture)) * down(picture);
        return Picture.filled(picture.formatName(), width, height, whole -> {
            int bytes = picture.bits() > 8 ? 2 : 1;
            for (int p = 0; p < picture.planes(); p++) {
                boolean coarse = p == 1 || p == 2;
                fill(picture.plane(p), picture.stride(p), whole.plane(p), whole.stride(p), bytes,
                        coarse ? Math.ceilDiv(picture.width(), across(picture)) : picture.width(),
                        coarse ? Math.ceilDiv(picture.height(), down(picture)) : picture.height(),
                        coarse ? width / across(picture) : width, coarse ? height / down(picture) : height);
            }
            ColourTags.like(picture, whole);
        });
    }

    private static void fill(MemorySegment from, long stride, MemorySegment to, long wideStride, int bytes, int width, int height,
            int wide, int high) {
        for (int y = 0; y < high; y++) {
            long source = Math.min(y, height - 1) * stride;
            MemorySegment.copy(from, source, to, y * wideStride, (long) width * bytes);
            for (int x = width; x < wide; x++) {
                MemorySegment.copy(from, ValueLayout.JAVA_BYTE, source + (long) (width - 1) * bytes, to, ValueLayout.JAVA_BYTE,
                        y * wideStride + (long) x * bytes, bytes);
            }
        }
    }
}
