package dev.vat.media.decode.still;

import com.twelvemonkeys.imageio.plugins.tiff.TIFFImageReaderSpi;
import com.twelvemonkeys.imageio.stream.ByteArrayImageInputStream;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import java.awt.image.BufferedImage;
import java.awt.image.DataBuffer;
import java.awt.image.IndexColorModel;
import java.awt.image.Raster;
import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Map;
import javax.imageio.ImageReader;

/**
 * The samples of a TIFF file as they are stored: strips or tiles, planes together or apart, packed in any way of TIFF 6.0 and its technical
 * notes. Whole numbers of 32 bits keep their highest 16.
 */
public final class TiffPicture {

    private static final Words WORDS = Words.of(TiffPicture.class);

    private static final int WHOLE_BYTES = 8;
    private static final int DEEP = 16;
    private static final TIFFImageReaderSpi READERS = new TIFFImageReaderSpi();
    private static final int RED = 2;
    private static final int ALPHA = 3;
    /** Planes of the library's RGB lie green, blue, red, alpha. */
    private static final int[] PLANES = {RED, 0, 1, ALPHA};

    private TiffPicture() {}

    /**
     * @param data of a file whose structure was found whole
     * @param alpha whether the first sample after the colour is alpha
     * @param floating whether samples are floating-point numbers, which may lie outside of 0 to 1
     * @throws MediaException if the picture's data is damaged
     */
    public static Picture read(byte[] data, boolean alpha, boolean floating) {
        if (floating) {
            return planar(read(data, reader -> reader.readRaster(0, null)), alpha, 32, false);
        }
        Map<Integer, long[]> tags = TiffFile.tags(data);
        BufferedImage image = read(data, reader -> reader.read(0));
        // Bits come with colours, too: black and white.
        TiffPalette palette = TiffPalette.of(tags)
                .orElseGet(() -> image.getColorModel() instanceof IndexColorModel colours ? TiffPalette.of(colours) : null);
        return palette != null ? indexed(image.getRaster(), palette)
                : planar(image.getRaster(), alpha, (int) TiffFile.first(tags, TiffFile.BITS, 1),
                        TiffFile.first(tags, TiffFile.PHOTOMETRIC, 1) == 0);
    }

    /** @param bits of a sample in the file @param fromWhite whether 0 is white there, which the reader has turned over already */
    private static Picture planar(Raster raster, boolean alpha, int bits, boolean fromWhite) {
        int bands = raster.getNumBands();
        boolean grey = bands < RED + 1;
        int[] from = grey ? new int[] {0, 0, 0, 1} : new int[] {0, 1, 2, ALPHA};
        int channels = alpha && bands > (grey ? 1 : ALPHA) ? ALPHA + 1 : ALPHA;
        int type = raster.getDataBuffer().getDataType();
        return type == DataBuffer.TYPE_FLOAT || type == DataBuffer.TYPE_DOUBLE ? floating(raster, from, channels)
                : whole(raster, from, channels, new Widening(bits, raster.getSampleModel().getSampleSize(0), fromWhite));
    }

    /**
     * From samples of any number of bits to 8, or to 16 where there are more: exactly, by repeating the bits.
     *
     * @param held bits of the samples that the reader makes of them, at whose lower end they lie
     */
    private record Widening(int bits, int held, boolean fromWhite) {

        boolean isDeep() {
            return bits > WHOLE_BYTES;
        }

        int of(int sample) {
            int most = (int) ((1L << bits) - 1);
            // Turned over in all the bits that hold it.
            int own = fromWhite && held > bits ? sample - (int) ((1L << held) - 1) + most : sample;
            return !isDeep() ? (own * 510 / most + 1) / 2
                    : bits >= DEEP ? own >>> bits - DEEP : own << DEEP - bits | own >> 2 * bits - DEEP;
        }
    }

    private interface Reading<T> {
        T of(ImageReader reader) throws IOException;
    }

    private static <T> T read(byte[] data, Reading<T> reading) {
        ImageReader reader = READERS.createReaderInstance(null);
        try (ByteArrayImageInputStream input = new ByteArrayImageInputStream(data)) {
            reader.setInput(input);
            return reading.of(reader);
        } catch (IOException | RuntimeException e) {
            if (e.getMessage() != null && e.getMessage().startsWith("Unsupported ")) {
                throw MediaException.unsupported(WORDS.say("tiffWith", e.getMessage().substring("Unsupported ".length())));
            }
            throw new MediaException("TIFF: " + (e.getMessage() == null ? WORDS.say("itCantBeUnpacked") : e.getMessage()), 0);
        } finally {
            reader.dispose();
        }
    }

    private static Picture indexed(Raster raster, TiffPalette palette) {
        boolean deep = palette.bits() > WHOLE_BYTES;
        int[][] channels = {palette.channel(0), palette.channel(1), palette.channel(2)};
        return Picture.filled(deep ? "gbrp16le" : "gbrp", raster.getWidth(), raster.getHeight(), picture -> {
            int[] row = new int[picture.width()];
            int[] own = new int[row.length];
            for (int y = 0; y < picture.height(); y++) {
                raster.getSamples(0, y, row.length, 1, 0, row);
                for (int c = 0; c < ALPHA; c++) {
                    for (int x = 0; x < own.length; x++) {
                        if (row[x] >= channels[c].length) {
                            throw new MediaException(WORDS.say("tiffAPixelHasAColourThat"), 0);
                        }
                        own[x] = channels[c][row[x]];
                    }
                    put(own, deep, picture.plane(PLANES[c]), (long) y * picture.stride(PLANES[c]));
                }
            }
            ColourTags.displayRgb(picture);
        });
    }

    private static Picture whole(Raster raster, int[] from, int channels, Widening widening) {
        String format = (channels > ALPHA ? "gbrap" : "gbrp") + (widening.isDeep() ? "16le" : "");
        return Picture.filled(format, raster.getWidth(), raster.getHeight(), picture -> {
            int[] row = new int[picture.width()];
            for (int y = 0; y < picture.height(); y++) {
                for (int c = 0; c < channels; c++) {
                    raster.getSamples(0, y, row.length, 1, from[c], row);
                    for (int x = 0; x < row.length; x++) {
                        row[x] = widening.of(row[x]);
                    }
                    put(row, widening.isDeep(), picture.plane(PLANES[c]), (long) y * picture.stride(PLANES[c]));
                }
            }
            ColourTags.displayRgb(picture);
        });
    }

    private static void put(int[] row, boolean deep, MemorySegment plane, long at) {
        for (int x = 0; x < row.length; x++) {
            if (deep) {
                plane.set(ValueLayout.JAVA_SHORT_UNALIGNED, at + 2L * x, (short) row[x]);
            } else {
                plane.set(ValueLayout.JAVA_BYTE, at + x, (byte) row[x]);
            }
        }
    }

    private static Picture floating(Raster raster, int[] from, int channels) {
        float[][] values = new float[channels][];
        for (int c = 0; c < channels; c++) {
            values[c] = raster.getSamples(0, 0, raster.getWidth(), raster.getHeight(), from[c], (float[]) null);
        }
        return FloatSamples.picture(raster.getWidth(), raster.getHeight(), values);
    }
}
