package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;

/** Cineon, scanned film as printing density, from which DPX came: headers of fixed size, then one plain picture. There is no checksum. */
final class CineonFile {

    private static final Words WORDS = Words.of(CineonFile.class);

    static final int MAGIC = 0x802a5fd7;
    private static final int HEADER = 1024;
    private static final int ORIENTATION = 192;
    private static final int CHANNELS = 193;
    private static final int BITS = 198;
    private static final int WIDTH = 200;
    private static final int HEIGHT = 204;
    private static final int INTERLEAVE = 680;
    private static final int PACKING = 681;
    private static final int SIGNED = 682;
    private static final int NEGATIVE = 683;
    private static final int LINE_PADDING = 684;
    private static final int WORDS_FILLED_FROM_ABOVE = 5;
    private static final int MOST_PADDING = 1 << 16;

    private CineonFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < HEADER) {
            return Inspection.cut(FileKind.CINEON, WORDS.say("itEndsInsideItsHeader"), null);
        }
        DpxLayout layout;
        try {
            layout = layout(data);
        } catch (IllegalArgumentException e) {
            return Inspection.unreadable(FileKind.CINEON, e.getMessage());
        }
        PictureFormat format = new PictureFormat(FileKind.CINEON.title(), Size.of(layout.width(), layout.height()),
                Depth.integer(layout.bits()), AlphaKind.NONE, PixelAspect.SQUARE, false, List.of())
                .withStated(ColourHints.film());
        if (layout.end() > data.length) {
            return Inspection.cut(FileKind.CINEON,
                    WORDS.say("theFileEndsAtByteItsPicture", data.length, layout.end()), format);
        }
        return Inspection.whole(FileKind.CINEON, format, data).standing(Orientation.ofDpx(data[ORIENTATION]));
    }

    /** @throws IllegalArgumentException in words, where Vat doesn't read such a picture */
    static DpxLayout layout(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        if (buffer.getInt(0) != MAGIC) {
            buffer.order(ByteOrder.LITTLE_ENDIAN);
        }
        int width = buffer.getInt(WIDTH);
        int height = buffer.getInt(HEIGHT);
        int bits = data[BITS];
        int channels = data[CHANNELS];
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
            throw new IllegalArgumentException(WORDS.say("itsHeaderStatesNoPicture"));
        }
        if (channels != 1 && channels != 3 || bits != 8 && bits != 10 && bits != 16) {
            throw new IllegalArgumentException(WORDS.say("cineonOfChannelsOfBitsVat", channels, bits));
        }
        if (channels == 3 && data[INTERLEAVE] != 0 || data[SIGNED] != 0 || data[NEGATIVE] != 0
                || bits == 10 && data[PACKING] != WORDS_FILLED_FROM_ABOVE) {
            throw new IllegalArgumentException(WORDS.say("cineonWithItsSamplesInAnother"));
        }
        int samples = Math.multiplyExact(width, channels);
        long bytes = bits == 10 ? (samples + 2L) / 3 * 4 : samples * (bits / 8L);
        long padding = buffer.getInt(LINE_PADDING) & 0xffffffffL;
        long start = buffer.getInt(4) & 0xffffffffL;
        long stride = padding > 0 && padding < MOST_PADDING ? bytes + padding : (bytes + 3) / 4 * 4;
        if (start + stride * (height - 1) + bytes > data.length && start + bytes * height <= data.length) {
            stride = bytes;
        }
        return new DpxLayout(width, height, channels == 3 ? DpxLayout.Descriptor.RGB : DpxLayout.Descriptor.LUMA, bits, 1, buffer.order(),
                samples, start, stride);
    }
}
