package dev.vat.media.decode.still;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.Map;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * The samples of TIFF files that hold floating-point numbers, which the media library doesn't decode: strips, pixel by
 * pixel, of 16 or 32 bits, plain or deflated, with the floating-point predictor of Adobe's Technical Note 3 or without.
 */
public final class FloatTiff {

    private static final int PLAIN = 1;
    private static final int DEFLATE = 8;
    private static final int OLD_DEFLATE = 32946;
    private static final int FLOAT_PREDICTOR = 3;

    /** @param channels red, green, blue and perhaps alpha; of grey pictures three times the same */
    public record Values(int width, int height, float[][] channels) {}

    private final byte[] data;
    private final ByteOrder order;
    private final Map<Integer, long[]> tags;
    private final int width;
    private final int height;
    private final int samples;
    private final int bytes;

    private FloatTiff(byte[] data, ByteOrder order, Map<Integer, long[]> tags) {
        this.data = data;
        this.order = order;
        this.tags = tags;
        width = (int) tag(TiffFile.WIDTH, 0);
        height = (int) tag(TiffFile.HEIGHT, 0);
        samples = (int) tag(TiffFile.SAMPLES, 1);
        bytes = (int) tag(TiffFile.BITS, 32) / 8;
    }

    /**
     * @param data of a file whose structure was found whole
     * @throws IllegalArgumentException with the reason in words, if it is packed in a way that isn't known or damaged
     */
    public static Values read(byte[] data) {
        ByteOrder order = data[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        return new FloatTiff(data, order, TiffFile.tags(data)).values();
    }

    private long tag(int number, long otherwise) {
        long[] values = tags.get(number);
        return values == null || values.length == 0 ? otherwise : values[0];
    }

    private Values values() {
        long packing = tag(TiffFile.COMPRESSION, PLAIN);
        if (packing != PLAIN && packing != DEFLATE && packing != OLD_DEFLATE || tag(TiffFile.PLANAR, 1) != 1
                || !tags.containsKey(TiffFile.STRIP_OFFSETS) || bytes != 2 && bytes != 4) {
            throw new IllegalArgumentException("its floating-point samples are packed in a way that Vat doesn't read: save it plain "
                    + "or deflated, in strips");
        }
        float[][] channels = new float[samples == 2 || samples == 4 ? 4 : 3][width * height];
        long[] offsets = tags.get(TiffFile.STRIP_OFFSETS);
        long[] counts = tags.get(TiffFile.STRIP_BYTES);
        int rows = (int) Math.min(height, tag(TiffFile.ROWS_PER_STRIP, height));
        for (int strip = 0; strip < offsets.length; strip++) {
            int first = strip * rows;
            int lines = Math.min(rows, height - first);
            byte[] plain = unpack((int) offsets[strip], (int) counts[strip], packing != PLAIN);
            if (plain.length < lines * width * samples * bytes) {
                throw new IllegalArgumentException("strip " + strip + " holds less than its lines");
            }
            for (int line = 0; line < lines; line++) {
                row(ByteBuffer.wrap(line(plain, line)).order(predicted() ? ByteOrder.BIG_ENDIAN : order), first + line, channels);
            }
        }
        return new Values(width, height, channels);
    }

    private boolean predicted() {
        return tag(TiffFile.PREDICTOR, 1) == FLOAT_PREDICTOR;
    }

    /** One line's bytes; with the predictor they stand by significance, each the difference from the one before. */
    private byte[] line(byte[] plain, int line) {
        int length = width * samples * bytes;
        byte[] own = Arrays.copyOfRange(plain, line * length, (line + 1) * length);
        if (!predicted()) {
            return own;
        }
        for (int i = samples; i < length; i++) {
            own[i] += own[i - samples];
        }
        byte[] ordered = new byte[length];
        int values = width * samples;
        for (int i = 0; i < values; i++) {
            for (int b = 0; b < bytes; b++) {
                ordered[i * bytes + b] = own[b * values + i];
            }
        }
        return ordered;
    }

    private void row(ByteBuffer line, int y, float[][] channels) {
        for (int x = 0; x < width; x++) {
            for (int s = 0; s < samples; s++) {
                float value = bytes == 2 ? Float.float16ToFloat(line.getShort()) : line.getFloat();
                int at = y * width + x;
                if (samples <= 2 && s == 0) {
                    channels[0][at] = value;
                    channels[1][at] = value;
                    channels[2][at] = value;
                } else if (s < 4) {
                    channels[samples == 2 ? 3 : s][at] = value;
                }
            }
        }
    }

    private byte[] unpack(int at, int length, boolean deflated) {
        if (!deflated) {
            return Arrays.copyOfRange(data, at, at + length);
        }
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(data, at, length);
            byte[] buffer = new byte[1 << 16];
            while (!inflater.finished()) {
                int got = inflater.inflate(buffer);
                if (got == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
                    throw new IllegalArgumentException("a strip ends before its picture does");
                }
                plain.write(buffer, 0, got);
            }
            return plain.toByteArray();
        } catch (DataFormatException e) {
            throw new IllegalArgumentException("a strip can't be unpacked: " + e.getMessage(), e);
        }
    }
}
