package dev.vat.media.decode.still;

import dev.vat.core.source.FileKind;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ShortBuffer;
import java.util.Optional;

/** The samples of a DPX or Cineon file, each code as it is stored: planar RGB, grey or Y'CbCr of 8, 10, 12 or 16 bits. */
public final class DpxPicture {

    private static final String PLANES_RGB = "gbra";
    private static final String PLANES_YUV = "yuv";

    private final DpxLayout layout;
    private final ByteBuffer buffer;

    private DpxPicture(byte[] data, DpxLayout layout) {
        this.layout = layout;
        this.buffer = ByteBuffer.wrap(data).order(layout.order());
    }

    /**
     * @param data of a file whose structure was found whole
     */
    public static Picture read(byte[] data) {
        boolean cineon = FileKind.ofContent(data).equals(Optional.of(FileKind.CINEON));
        DpxLayout layout = cineon ? CineonFile.layout(data) : DpxLayout.of(data);
        Picture picture = Picture.filled(format(layout), layout.width(), layout.height(), new DpxPicture(data, layout)::fill);
        if (picture.isRgb()) {
            ColourTags.displayRgb(picture);
        }
        return picture;
    }

    private static String format(DpxLayout layout) {
        String depth = layout.bits() == 8 ? "" : layout.bits() + "le";
        return switch (layout.descriptor()) {
            case RGB -> "gbrp" + depth;
            case RGBA, ABGR -> "gbrap" + depth;
            case CBYCRY -> "yuv422p" + depth;
            case CBYCR -> "yuv444p" + depth;
            default -> "gray" + depth;
        };
    }

    private void fill(Picture picture) {
        short[] line = new short[layout.samples()];
        String order = layout.descriptor().order();
        short[] own = new short[picture.width()];
        byte[] narrow = new byte[picture.width()];
        for (int y = 0; y < layout.height(); y++) {
            read((int) (layout.start() + y * layout.stride()), line);
            for (int p = 0; p < picture.planes(); p++) {
                char letter = layout.descriptor().isGrey() ? 'g' : (order.contains("y") ? PLANES_YUV : PLANES_RGB).charAt(p);
                int first = order.indexOf(letter);
                int second = order.lastIndexOf(letter);
                int step = second > first ? second - first : order.length();
                int count = order.equals("uyvy") && letter != 'y' ? Math.ceilDiv(picture.width(), 2) : picture.width();
                for (int x = 0, at = first; x < count; x++, at += step) {
                    own[x] = line[at];
                }
                put(picture.plane(p), (long) y * picture.stride(p), own, narrow, count);
            }
        }
    }

    private void put(MemorySegment plane, long at, short[] codes, byte[] narrow, int count) {
        if (layout.bits() > 8) {
            MemorySegment.copy(codes, 0, plane, ValueLayout.JAVA_SHORT_UNALIGNED, at, count);
            return;
        }
        for (int x = 0; x < count; x++) {
            narrow[x] = (byte) codes[x];
        }
        MemorySegment.copy(narrow, 0, plane, ValueLayout.JAVA_BYTE, at, count);
    }

    private void read(int at, short[] line) {
        switch (layout.bits()) {
            case 8 -> {
                for (int i = 0; i < line.length; i++) {
                    line[i] = (short) (buffer.get(at + i) & 0xff);
                }
            }
            case 16 -> shorts(at, line, 0);
            case 12 -> {
                if (layout.packing() == 0) {
                    packed(at, line);
                } else {
                    shorts(at, line, layout.packing() == 1 ? 4 : 0);
                }
            }
            default -> {
                if (layout.packing() == 0) {
                    packed(at, line);
                } else {
                    thirds(at, line, layout.packing() == 1 ? 2 : 0);
                }
            }
        }
    }

    private void shorts(int at, short[] line, int shift) {
        ShortBuffer words = buffer.slice(at, line.length * 2).order(layout.order()).asShortBuffer();
        words.get(line);
        int mask = (1 << layout.bits()) - 1;
        for (int i = 0; layout.bits() < 16 && i < line.length; i++) {
            line[i] = (short) ((line[i] & 0xffff) >> shift & mask);
        }
    }

    /** Three samples a word, the first one highest; of grey pictures the first one lowest. */
    private void thirds(int at, short[] line, int shift) {
        boolean fromBelow = layout.descriptor().isGrey();
        for (int i = 0; i < line.length; at += 4) {
            int word = buffer.getInt(at);
            for (int k = 0; k < 3 && i < line.length; k++, i++) {
                line[i] = (short) (word >>> shift + 10 * (fromBelow ? k : 2 - k) & 0x3ff);
            }
        }
    }

    /** One after the other, the first one in the lowest bits of the first word. */
    private void packed(int at, short[] line) {
        int bits = layout.bits();
        int mask = (1 << bits) - 1;
        long held = 0;
        int have = 0;
        for (int i = 0; i < line.length; i++) {
            if (have < bits) {
                held |= (buffer.getInt(at) & 0xffffffffL) << have;
                have += 32;
                at += 4;
            }
            line[i] = (short) (held & mask);
            held >>>= bits;
            have -= bits;
        }
    }
}
