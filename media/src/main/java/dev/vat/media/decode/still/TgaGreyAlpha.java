package dev.vat.media.decode.still;

import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** TGA pictures of grey and alpha, a byte each, which decoders take for colours of five bits. */
public final class TgaGreyAlpha {

    private static final int GREY = 3;
    private static final int GREY_RUNS = 11;
    private static final int HEADER = 18;
    private static final int FROM_RIGHT = 0x10;
    private static final int FROM_TOP = 0x20;

    private TgaGreyAlpha() {}

    /** @param data of a file whose structure was found whole */
    public static boolean isOne(byte[] data) {
        return (data[2] == GREY || data[2] == GREY_RUNS) && data[16] == 16;
    }

    /** RGB of three times the same, with alpha as it is stored. */
    public static Picture read(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        int width = buffer.getShort(12) & 0xffff;
        int height = buffer.getShort(14) & 0xffff;
        byte[] pixels = pixels(data, HEADER + (data[0] & 0xff), width * height);
        return Picture.filled("gbrap", width, height, picture -> {
            byte[] grey = new byte[width];
            byte[] alpha = new byte[width];
            for (int y = 0; y < height; y++) {
                int line = (data[17] & FROM_TOP) != 0 ? y : height - 1 - y;
                for (int x = 0; x < width; x++) {
                    int at = 2 * (line * width + ((data[17] & FROM_RIGHT) == 0 ? x : width - 1 - x));
                    grey[x] = pixels[at];
                    alpha[x] = pixels[at + 1];
                }
                for (int p = 0; p < picture.planes(); p++) {
                    MemorySegment.copy(p == picture.planes() - 1 ? alpha : grey, 0, picture.plane(p), ValueLayout.JAVA_BYTE,
                            (long) y * picture.stride(p), width);
                }
            }
            ColourTags.displayRgb(picture);
        });
    }

    private static byte[] pixels(byte[] data, int start, int count) {
        byte[] pixels = new byte[2 * count];
        if (data[2] == GREY) {
            System.arraycopy(data, start, pixels, 0, pixels.length);
            return pixels;
        }
        for (int at = start, done = 0; done < pixels.length;) {
            int head = data[at++] & 0xff;
            int length = 2 * ((head & 127) + 1);
            for (int i = 0; i < length && done < pixels.length; i++) {
                pixels[done++] = data[at + (head >= 128 ? i & 1 : i)];
            }
            at += head >= 128 ? 2 : length;
        }
        return pixels;
    }
}
