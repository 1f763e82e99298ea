package dev.vat.media.decode.still;

import com.twelvemonkeys.imageio.plugins.tiff.TIFFImageReaderSpi;
import com.twelvemonkeys.imageio.stream.ByteArrayImageInputStream;
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
import javax.imageio.ImageReader;

/**
 * The samples of a TIFF file as they are stored: strips or tiles, planes together or apart, packed in any way of TIFF 6.0 and its technical
 * notes. Whole numbers of 32 bits keep their highest 16.
 */
public final class TiffPicture {

    private static final int WHOLE_BYTES = 8;
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
            return planar(read(data, reader -> reader.readRaster(0, null)), alpha);
        }
        BufferedImage image = read(data, reader -> reader.read(0));
        return image.getColorModel() instanceof IndexColorModel colours ? indexed(image.getRaster(), colours)
                : planar(image.getRaster(), alpha);
    }

    private static Picture planar(Raster raster, boolean alpha) {
        int bands = raster.getNumBands();
        boolean grey = bands < RED + 1;
        int[] from = grey ? new int[] {0, 0, 0, 1} : new int[] {0, 1, 2, ALPHA};
        int channels = alpha && bands > (grey ? 1 : ALPHA) ? ALPHA + 1 : ALPHA;
        int type = raster.getDataBuffer().getDataType();
        return type == DataBuffer.TYPE_FLOAT || type == DataBuffer.TYPE_DOUBLE ? floating(raster, from, channels)
                : whole(raster, from, channels);
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
            throw new MediaException("TIFF: " + (e.getMessage() == null ? "it can't be unpacked" : e.getMessage()), 0);
        } finally {
            reader.dispose();
        }
    }

    private static Picture indexed(Raster raster, IndexColorModel colours) {
        return Picture.filled("gbrp", raster.getWidth(), raster.getHeight(), picture -> {
            int[] row = new int[picture.width()];
            byte[] own = new byte[picture.width()];
            for (int y = 0; y < picture.height(); y++) {
                raster.getSamples(0, y, row.length, 1, 0, row);
                for (int c = 0; c < ALPHA; c++) {
                    for (int x = 0; x < own.length; x++) {
                        own[x] = (byte) (colours.getRGB(row[x]) >> 16 - 8 * c);
                    }
                    MemorySegment.copy(own, 0, picture.plane(PLANES[c]), ValueLayout.JAVA_BYTE, (long) y * picture.stride(PLANES[c]),
                            own.length);
                }
            }
            ColourTags.displayRgb(picture);
        });
    }

    private static Picture whole(Raster raster, int[] from, int channels) {
        int bits = raster.getSampleModel().getSampleSize(0);
        String format = (channels > ALPHA ? "gbrap" : "gbrp") + (bits > WHOLE_BYTES ? "16le" : "");
        return Picture.filled(format, raster.getWidth(), raster.getHeight(), picture -> {
            int[] row = new int[picture.width()];
            for (int y = 0; y < picture.height(); y++) {
                for (int c = 0; c < channels; c++) {
                    raster.getSamples(0, y, row.length, 1, from[c], row);
                    put(row, bits, picture.plane(PLANES[c]), (long) y * picture.stride(PLANES[c]));
                }
            }
            ColourTags.displayRgb(picture);
        });
    }

    private static void put(int[] row, int bits, MemorySegment plane, long at) {
        if (bits > WHOLE_BYTES) {
            short[] own = new short[row.length];
            for (int x = 0; x < own.length; x++) {
                own[x] = (short) (bits > 16 ? row[x] >>> 16 : row[x]);
            }
            MemorySegment.copy(own, 0, plane, ValueLayout.JAVA_SHORT_UNALIGNED, at, own.length);
            return;
        }
        byte[] own = new byte[row.length];
        for (int x = 0; x < own.length; x++) {
            own[x] = (byte) (row[x] * 255 / ((1 << bits) - 1));
        }
        MemorySegment.copy(own, 0, plane, ValueLayout.JAVA_BYTE, at, own.length);
    }

    private static Picture floating(Raster raster, int[] from, int channels) {
        float[][] values = new float[channels][];
        for (int c = 0; c < channels; c++) {
            values[c] = raster.getSamples(0, 0, raster.getWidth(), raster.getHeight(), from[c], (float[]) null);
        }
        return FloatSamples.picture(raster.getWidth(), raster.getHeight(), values);
    }
}
