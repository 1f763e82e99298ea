package dev.vat.media.decode.still;

import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * The flattened picture of a PSD file that was looked into: planes one after the other, plain or in PackBits. The media library takes the
 * filler that some writers put into runs for damage.
 */
public final class PsdPicture {

    private static final Words WORDS = Words.of(PsdPicture.class);

    private static final int HEADER = 26;
    /** Planes of working pictures lie green, blue, red, alpha; the file's red, green, blue, alpha. */
    private static final int[] PLACE = {2, 0, 1, 3};

    private final byte[] data;
    private final int width;
    private final int height;
    /** Those that make the picture; they stand before all others. */
    private final int channels;
    private final int stored;
    private final int sample;

    private PsdPicture(byte[] data) {
        ByteBuffer header = ByteBuffer.wrap(data);
        this.data = data;
        int colours = header.getShort(24) == PsdFile.RGB ? 3 : 1;
        int stored = header.getShort(12);
        this.channels = colours + (PsdFile.hasAlpha(header, stored - colours) ? 1 : 0);
        this.stored = stored;
        this.height = header.getInt(14);
        this.width = header.getInt(18);
        this.sample = header.getShort(22) / 8;
    }

    /** @throws MediaException if runs don't come to whole rows */
    public static Picture read(byte[] data) {
        PsdPicture psd = new PsdPicture(data);
        String deep = psd.sample == 2 ? "16le" : "";
        return psd.channels == 1 ? Picture.filled(psd.sample == 2 ? "gray16le" : "gray", psd.width, psd.height, p -> psd.fill(p, true))
                : Picture.filled((psd.channels % 2 == 0 ? "gbrap" : "gbrp") + deep, psd.width, psd.height, p -> psd.fill(p, false));
    }

    private void fill(Picture picture, boolean grey) {
        ColourTags.displayRgb(picture);
        byte[] planes = planes();
        // The alpha of the flattened picture: that lies over white then.
        if (channels % 2 == 0 && PsdFile.isMerged(ByteBuffer.wrap(data)) && liesOverWhite(planes)) {
            takeWhiteOut(planes);
        }
        int rowBytes = width * sample;
        for (int channel = 0; channel < channels; channel++) {
            // Grey beside alpha stands for all three colours.
            int[] to = grey ? new int[] {0}
                    : channels == 2 ? channel == 0 ? new int[] {0, 1, 2} : new int[] {3} : new int[] {PLACE[channel]};
            for (int plane : to) {
                for (int y = 0; y < height; y++) {
                    row(planes, (channel * height + y) * rowBytes,
                            picture.plane(plane).asSlice((long) y * picture.stride(plane), rowBytes));
                }
            }
        }
    }

    /** Some writers leave the colours as they are: then there is one that is darker than white shining through allows. */
    private boolean liesOverWhite(byte[] planes) {
        int pixels = width * height;
        int white = sample == 2 ? 65_535 : 255;
        int rounding = sample == 2 ? 257 : 1;
        ByteBuffer samples = ByteBuffer.wrap(planes);
        for (int i = 0; i < pixels; i++) {
            int through = white - get(samples, (channels - 1) * pixels + i) - rounding;
            for (int channel = 0; channel < channels - 1; channel++) {
                if (get(samples, channel * pixels + i) < through) {
                    return false;
                }
            }
        }
        return true;
    }

    private void takeWhiteOut(byte[] planes) {
        int pixels = width * height;
        int white = sample == 2 ? 65_535 : 255;
        ByteBuffer samples = ByteBuffer.wrap(planes);
        int alphaPlane = channels - 1;
        for (int i = 0; i < pixels; i++) {
            int alpha = get(samples, alphaPlane * pixels + i);
            for (int channel = 0; channel < alphaPlane; channel++) {
                long over = get(samples, channel * pixels + i) - (white - alpha);
                put(samples, channel * pixels + i, alpha == 0 ? 0 : Math.clamp((over * white + alpha / 2) / alpha, 0, white));
            }
        }
    }

    private int get(ByteBuffer samples, int at) {
        return sample == 2 ? samples.getShort(2 * at) & 0xffff : samples.get(at) & 0xff;
    }

    private void put(ByteBuffer samples, int at, int value) {
        if (sample == 2) {
            samples.putShort(2 * at, (short) value);
        } else {
            samples.put(at, (byte) value);
        }
    }

    private void row(byte[] from, int at, MemorySegment to) {
        if (sample == 1) {
            MemorySegment.copy(from, at, to, ValueLayout.JAVA_BYTE, 0, width);
            return;
        }
        ByteBuffer samples = ByteBuffer.wrap(from, at, 2 * width);
        for (int x = 0; x < width; x++) {
            to.setAtIndex(ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN), x, samples.getShort());
        }
    }

    /** All planes, unpacked. */
    private byte[] planes() {
        ByteBuffer buffer = ByteBuffer.wrap(data);
        int at = HEADER;
        for (int section = 0; section < 3; section++) {
            at += 4 + buffer.getInt(at);
        }
        int rowBytes = width * sample;
        byte[] planes = new byte[Math.multiplyExact(Math.multiplyExact(rowBytes, height), channels)];
        if (buffer.getShort(at) == 0) {
            System.arraycopy(data, at + 2, planes, 0, planes.length);
            return planes;
        }
        int packed = at + 2 + 2 * height * stored;
        for (int row = 0; row < height * channels; row++) {
            int length = buffer.getShort(at + 2 + 2 * row) & 0xffff;
            unpack(packed, packed + length, planes, row * rowBytes, rowBytes);
            packed += length;
        }
        return planes;
    }

    private void unpack(int from, int end, byte[] to, int start, int bytes) {
        int in = from;
        int out = start;
        while (in < end && out < start + bytes) {
            int count = data[in++];
            if (count == Byte.MIN_VALUE) {
                continue;
            }
            int length = count < 0 ? 1 - count : count + 1;
            if (out + length > start + bytes || in + (count < 0 ? 1 : length) > end) {
                throw new MediaException(WORDS.say("runsGoBeyondTheirRow"), 0);
            }
            if (count < 0) {
                Arrays.fill(to, out, out + length, data[in++]);
            } else {
                System.arraycopy(data, in, to, out, length);
                in += length;
            }
            out += length;
        }
        if (out < start + bytes) {
            throw new MediaException(WORDS.say("runsEndBeforeTheirRowDoes"), 0);
        }
    }
}
