package dev.vat.media.decode.still;

import java.awt.image.IndexColorModel;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;

/**
 * The colours that a TIFF's samples stand for, in 16 bits each as TIFF 6.0 has them: all reds, then all greens, then all blues.
 *
 * @param values of which some writers use the lower eight bits only
 */
record TiffPalette(long[] values) {

    static Optional<TiffPalette> of(Map<Integer, long[]> tags) {
        long[] map = tags.getOrDefault(TiffFile.COLOUR_MAP, new long[0]);
        return TiffFile.first(tags, TiffFile.PHOTOMETRIC, 1) != TiffFile.PALETTE || map.length < 3 ? Optional.empty()
                : Optional.of(new TiffPalette(Arrays.stream(map).allMatch(v -> v < 256) ? Arrays.stream(map).map(v -> v * 257).toArray()
                        : map));
    }

    static TiffPalette of(IndexColorModel colours) {
        int count = colours.getMapSize();
        long[] values = new long[3 * count];
        for (int i = 0; i < values.length; i++) {
            values[i] = 257L * (colours.getRGB(i % count) >> 16 - 8 * (i / count) & 0xff);
        }
        return new TiffPalette(values);
    }

    /** Eight where no colour needs more: written as its upper byte twice, or with nothing below it. */
    int bits() {
        return Arrays.stream(values).allMatch(v -> (v & 0xff) == 0 || v % 257 == 0) ? 8 : 16;
    }

    /** Each colour's share of one channel, 0 for red, in as many bits. */
    int[] channel(int channel) {
        int colours = values.length / 3;
        int shift = bits() == 8 ? 8 : 0;
        return Arrays.stream(values, channel * colours, (channel + 1) * colours).mapToInt(v -> (int) (v >> shift)).toArray();
    }
}
