package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import java.util.Arrays;
import java.util.Optional;

/** The sequence header of the AV1 bitstream specification, 5.5. */
public final class Av1Stream {

    private static final int SEQUENCE = 1;

    private Av1Stream() {}

    /** @param record the codec configuration of the AV1 in ISOBMFF binding, 2.3 (av1C), also Matroska's private data */
    public static Optional<StreamFacts> ofConfiguration(byte[] record) {
        return record.length > 4 ? of(Arrays.copyOfRange(record, 4, record.length)) : Optional.empty();
    }

    /** @param units open bitstream units, each with its size */
    public static Optional<StreamFacts> of(byte[] units) {
        int at = 0;
        while (at < units.length) {
            int type = units[at] >> 3 & 15;
            int head = (units[at] & 4) != 0 ? 2 : 1;
            boolean sized = (units[at] & 2) != 0;
            at += head;
            long size = units.length - at;
            if (sized) {
                size = 0;
                for (int shift = 0; at < units.length && shift < 56; shift += 7) {
                    int b = units[at++] & 0xff;
                    size |= (long) (b & 127) << shift;
                    if (b < 128) {
                        break;
                    }
                }
            }
            if (type == SEQUENCE) {
                return Optional.of(facts(new Bits(Arrays.copyOfRange(units, at, (int) Math.min(units.length, at + size)))));
            }
            at += (int) size;
        }
        return Optional.empty();
    }

    private static StreamFacts facts(Bits b) {
        int profile = b.i(3);
        b.skip(1);
        boolean reduced = b.flag();
        int level = reduced ? b.i(5) : operatingPoints(b);
        int widthBits = b.i(4) + 1;
        int heightBits = b.i(4) + 1;
        int width = (int) b.u(widthBits) + 1;
        int height = (int) b.u(heightBits) + 1;
        if (!reduced) {
            if (b.flag()) {
                b.skip(7);
            }
            b.skip(3);
            b.skip(4);
            boolean order = b.flag();
            if (order) {
                b.skip(2);
            }
            boolean chooses = b.flag();
            int force = chooses ? 2 : b.i(1);
            if (force > 0 && !b.flag()) {
                b.skip(1);
            }
            if (order) {
                b.skip(3);
            }
        } else {
            b.skip(3);
        }
        b.skip(3);
        boolean high = b.flag();
        int bits = profile == 2 && high ? b.flag() ? 12 : 10 : high ? 10 : 8;
        boolean grey = profile != 1 && b.flag();
        Colour tags = b.flag() ? new Colour(b.i(8), b.i(8), b.i(8), null) : new Colour(2, 2, 2, null);
        boolean rgb = tags.primaries() == 1 && tags.transfer() == 13 && tags.matrix() == 0;
        boolean full = rgb || b.flag();
        String chroma = grey ? "grey" : rgb ? "RGB" : profile == 0 ? "4:2:0" : profile == 1 ? "4:4:4" : bits < 12 ? "4:2:2"
                : b.flag() ? b.flag() ? "4:2:0" : "4:2:2" : "4:4:4";
        return new StreamFacts("AV1", profile == 0 ? "Main" : profile == 1 ? "High" : "Professional",
                level == 31 ? null : 2 + (level >> 2) + "." + (level & 3), width, height, bits, chroma, 0,
                new Colour(tags.primaries(), tags.transfer(), tags.matrix(), full), null, null, null);
    }

    /** @return the level of the first operating point */
    private static int operatingPoints(Bits b) {
        boolean model = false;
        int delayBits = 0;
        if (b.flag()) {
            b.skip(64);
            if (b.flag()) {
                b.ue();
            }
            model = b.flag();
            if (model) {
                delayBits = b.i(5) + 1;
                b.skip(32 + 5 + 5);
            }
        }
        boolean delay = b.flag();
        int points = b.i(5) + 1;
        int level = 31;
        for (int i = 0; i < points; i++) {
            b.skip(12);
            int said = b.i(5);
            level = i == 0 ? said : level;
            if (said > 7) {
                b.skip(1);
            }
            if (model && b.flag()) {
                b.skip(2L * delayBits + 1);
            }
            if (delay && b.flag()) {
                b.skip(4);
            }
        }
        return level;
    }
}
