package dev.vat.media.picture;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_BITSTREAM;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_PAL;

import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;
import java.util.Arrays;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/** Reads rows of any decoded picture as display-coded values from 0 to 1. Linear light is held to that and rooted. */
public final class RowReader {

    private static final ValueLayout.OfShort BIG = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.BIG_ENDIAN);
    private static final ValueLayout.OfShort LITTLE = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);

    private record Component(MemorySegment plane, long stride, int offset, int step, int shift, int depth) {
        boolean isWord() {
            return shift + depth > 8;
        }
    }

    private final int width;
    private final boolean floating;
    private final boolean bits;
    private final boolean whiteIsZero;
    private final boolean big;
    private final byte[] byteRow;
    private final short[] wordRow;
    private MemorySegment rowPlane;
    private int rowLine = -1;
    private final Component[] components;
    private final boolean rgb;
    private final boolean alpha;
    private final MemorySegment palette;
    private final float[] green;
    private final float[] blue;
    private boolean eightBit;
    private boolean chromaFlat = true;
    private float firstGreen = Float.NaN;
    private float firstBlue;

    public RowReader(Picture picture) {
        AVPixFmtDescriptor descriptor = picture.descriptor();
        width = picture.width();
        long flags = descriptor.flags();
        bits = (flags & AV_PIX_FMT_FLAG_BITSTREAM) != 0;
        whiteIsZero = picture.formatName().equals("monow");
        floating = (flags & AV_PIX_FMT_FLAG_FLOAT) != 0;
        big = (flags & AV_PIX_FMT_FLAG_BE) != 0;
        palette = (flags & AV_PIX_FMT_FLAG_PAL) != 0 ? picture.palette() : null;
        MemorySegment[] planes = new MemorySegment[picture.planes()];
        for (int p = 0; p < planes.length; p++) {
            planes[p] = palette != null && p > 0 ? null : picture.plane(p);
        }
        components = new Component[palette != null ? 1 : descriptor.nb_components()];
        for (int i = 0; i < components.length; i++) {
            AVComponentDescriptor c = descriptor.comp(i);
            components[i] = new Component(planes[c.plane()], picture.stride(c.plane()), c.offset(), c.step(), c.shift(), c.depth());
        }
        int widest = Arrays.stream(components).mapToInt(c -> c.step).max().orElse(1);
        byteRow = new byte[width * widest];
        wordRow = new short[width * Math.max(1, widest / 2)];
        rgb = picture.isRgb() && components.length >= 3;
        alpha = picture.hasAlpha() && palette == null;
        green = new float[rgb ? width : 0];
        blue = green.clone();
        eightBit = !floating && components[0].depth == 16;
    }

    boolean isPalette() {
        return palette != null;
    }

    /** Whether all 16-bit samples read so far carry their high byte twice. */
    public boolean isEightBit() {
        return eightBit;
    }

    /** Whether, as far as rows were read, nothing but brightness could have differed. */
    public boolean chromaIsFlat() {
        return chromaFlat;
    }

    /** Luma (2R + 5G + B) / 8 of a row; of Y'CbCr pictures Y', of grey ones grey. */
    public void luma(int y, float[] into) {
        if (palette != null) {
            indexed(y, into);
            return;
        }
        component(components[0], y, into);
        if (rgb) {
            component(components[1], y, green);
            component(components[2], y, blue);
            if (Float.isNaN(firstGreen)) {
                firstGreen = green[0];
                firstBlue = blue[0];
            }
            boolean flat = true;
            for (int x = 0; x < width; x++) {
                flat &= green[x] == firstGreen & blue[x] == firstBlue;
                into[x] = (2 * into[x] + 5 * green[x] + blue[x]) * .125f;
            }
            chromaFlat &= flat;
        }
        if (floating) {
            for (int x = 0; x < width; x++) {
                into[x] = (float) Math.sqrt(into[x]);
            }
        }
    }

    /** The brightest of the colours of each pixel of the row that {@link #luma} read last; {@code grey} is what it gave. */
    public void brightest(int y, float[] grey, float[] into) {
        System.arraycopy(grey, 0, into, 0, width);
        if (rgb) {
            component(components[0], y, into);
            for (int x = 0; x < width; x++) {
                into[x] = Math.max(into[x], Math.max(green[x], blue[x]));
            }
        }
    }

    /** Alpha of a row; false if there is none. */
    public boolean alpha(int y, float[] into) {
        if (alpha) {
            component(components[components.length - 1], y, into);
        }
        return alpha;
    }

    private void component(Component c, int y, float[] into) {
        if (bits) {
            packedBits(c, y, into);
        } else if (c.depth == 32) {
            singles(c, y, into);
        } else if (c.isWord() || floating) {
            words(c, y, into);
        } else {
            bytes(c, y, into);
        }
    }

    // Rows are copied into arrays first: loops over these are several times as quick as loops over native memory.

    private void bytes(Component c, int y, float[] into) {
        MemorySegment.copy(c.plane, ValueLayout.JAVA_BYTE, y * c.stride, byteRow, 0, (width - 1) * c.step + c.offset + 1);
        float scale = 1f / ((1 << c.depth) - 1);
        int mask = (1 << c.depth) - 1;
        for (int x = 0, at = c.offset; x < width; x++, at += c.step) {
            into[x] = (byteRow[at] >> c.shift & mask) * scale;
        }
    }

    private void words(Component c, int y, float[] into) {
        int step = c.step / 2;
        int from = c.offset / 2;
        if (rowPlane != c.plane || rowLine != y) {
            int length = (int) Math.min(wordRow.length, c.stride / 2);
            if (big) {
                MemorySegment.copy(c.plane, BIG, y * c.stride, wordRow, 0, length);
            } else {
                MemorySegment.copy(c.plane, LITTLE, y * c.stride, wordRow, 0, length);
            }
            rowPlane = c.plane;
            rowLine = y;
        }
        if (floating) {
            for (int x = 0, at = from; x < width; x++, at += step) {
                into[x] = held(Float.float16ToFloat(wordRow[at]));
            }
            return;
        }
        float scale = 1f / ((1 << c.depth) - 1);
        int mask = (1 << c.depth) - 1;
        boolean doubled = true;
        for (int x = 0, at = from; x < width; x++, at += step) {
            int value = wordRow[at] >> c.shift & mask;
            doubled &= value >> 8 == (value & 0xff);
            into[x] = value * scale;
        }
        eightBit &= doubled;
    }

    private void singles(Component c, int y, float[] into) {
        MemorySegment.copy(c.plane, ValueLayout.JAVA_FLOAT_UNALIGNED, y * c.stride, into, 0, width);
        for (int x = 0; x < width; x++) {
            into[x] = held(into[x]);
        }
    }

    /** Eight pixels a byte, the leftmost in the highest bit; set is white, or black where the format says so. */
    private void packedBits(Component c, int y, float[] into) {
        for (int x = 0; x < width; x++) {
            int bit = c.plane.get(ValueLayout.JAVA_BYTE, y * c.stride + x / 8) >> 7 - x % 8 & 1;
            into[x] = whiteIsZero ? 1 - bit : bit;
        }
    }

    private static float held(float value) {
        // NaN compares false both ways and comes out as 0.
        return value >= 1 ? 1 : value > 0 ? value : 0;
    }

    private void indexed(int y, float[] into) {
        Component c = components[0];
        for (int x = 0; x < width; x++) {
            int colour = palette.get(ValueLayout.JAVA_INT_UNALIGNED, 4L * (c.plane.get(ValueLayout.JAVA_BYTE, y * c.stride + x) & 0xff));
            into[x] = (2 * (colour >> 16 & 0xff) + 5 * (colour >> 8 & 0xff) + (colour & 0xff)) * (1 / (8 * 255f));
        }
    }
}
