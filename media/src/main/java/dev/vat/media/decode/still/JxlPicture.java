package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Widening;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/** The picture of a JPEG XL file that was looked into, in planes. */
public final class JxlPicture {

    private static final Words WORDS = Words.of(JxlPicture.class);

    /** Planes of working pictures lie green, blue, red, alpha; the decoder's samples red, green, blue, alpha. */
    private static final int[] PLACE = {2, 0, 1, 3};
    private static final int BYTE = 8;
    private static final int WIDE = 16;
    private static final double HIGHEST = 65_535;

    private final JxlDecoding decoding;
    private final int channels;
    private final int bytes;
    private final short[] codes;

    private JxlPicture(JxlDecoding decoding) {
        Depth depth = decoding.depth();
        this.decoding = decoding;
        this.channels = decoding.isGrey() && decoding.alpha() == AlphaKind.NONE ? 1 : decoding.alpha() == AlphaKind.NONE ? 3 : 4;
        this.bytes = depth.floating() ? 4 : depth.bits() <= BYTE ? 1 : 2;
        this.codes = bytes == 2 && depth.bits() < WIDE ? replicated(depth.bits()) : null;
    }

    /**
     * @return null if the file ends before its picture does
     * @throws MediaException if its picture data is damaged
     */
    public static Picture read(byte[] data) {
        JxlLibrary library = JxlLibrary.find().orElseThrow(() -> new MediaException("libjxl is gone", 0));
        try (JxlDecoding decoding = new JxlDecoding(library, data)) {
            if (decoding.header() != JxlDecoding.State.WHOLE) {
                throw new MediaException(WORDS.say("itsHeaderIsDamaged"), 0);
            }
            return new JxlPicture(decoding).read();
        }
    }

    private Picture read() {
        MemorySegment samples = decoding.samples(channels, bytes);
        return switch (decoding.picture()) {
            case CUT -> null;
            case DAMAGED -> throw new MediaException(WORDS.say("itsSamplesCantBeDecoded"), 0);
            case WHOLE -> picture(samples);
        };
    }

    private Picture picture(MemorySegment samples) {
        Size size = decoding.size();
        String format = (channels == 1 ? "gray" : channels == 3 ? "gbrp" : "gbrap") + (bytes == 1 ? "" : bytes == 2 ? "16le" : "f32le");
        return Picture.filled(format, size.width(), size.height(), picture -> {
            ColourTags.displayRgb(picture);
            for (int c = 0; c < channels; c++) {
                int plane = channels == 1 ? 0 : PLACE[c];
                for (int y = 0; y < size.height(); y++) {
                    long from = ((long) y * size.width() * channels + c) * bytes;
                    row(samples, from, picture.plane(plane), (long) y * picture.stride(plane), size.width());
                }
            }
        });
    }

    private void row(MemorySegment samples, long from, MemorySegment to, long at, int width) {
        int step = channels * bytes;
        for (int x = 0; x < width; x++) {
            long source = from + (long) x * step;
            switch (bytes) {
                case 1 -> to.set(ValueLayout.JAVA_BYTE, at + x, samples.get(ValueLayout.JAVA_BYTE, source));
                case 2 -> {
                    short value = samples.get(ValueLayout.JAVA_SHORT_UNALIGNED, source);
                    to.set(ValueLayout.JAVA_SHORT_UNALIGNED, at + 2L * x, codes == null ? value : codes[value & 0xffff]);
                }
                default -> to.set(ValueLayout.JAVA_INT_UNALIGNED, at + 4L * x, samples.get(ValueLayout.JAVA_INT_UNALIGNED, source));
            }
        }
    }

    /** The decoder scales codes to 16 bits: here they are as they were coded, and widened as everywhere. */
    private static short[] replicated(int bits) {
        short[] table = new short[1 << WIDE];
        for (int value = 0; value < table.length; value++) {
            table[value] = (short) Widening.widened((int) Math.round(value * ((1 << bits) - 1) / HIGHEST), bits);
        }
        return table;
    }
}
