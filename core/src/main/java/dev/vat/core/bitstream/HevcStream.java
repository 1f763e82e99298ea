package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Sequence parameter sets of ITU-T H.265, 7.3.2.2 and Annex E. */
public final class HevcStream {

    private static final int SPS = 33;
    private static final int MOST_SETS = 64;

    private HevcStream() {}

    /** @param record the decoder configuration of ISO/IEC 14496-15, 8.3.3.1 (hvcC) @return its first parameter set, without one empty */
    public static Optional<StreamFacts> ofConfiguration(byte[] record) {
        int at = 23;
        for (int array = 0; record.length > 22 && array < (record[22] & 0xff) && at + 3 <= record.length; array++) {
            int type = record[at] & 63;
            int count = (record[at + 1] & 0xff) << 8 | record[at + 2] & 0xff;
            at += 3;
            for (int i = 0; i < count && at + 2 <= record.length; i++) {
                int length = (record[at] & 0xff) << 8 | record[at + 1] & 0xff;
                at += 2;
                if (type == SPS) {
                    return Optional.of(facts(Arrays.copyOfRange(record, at, Math.min(record.length, at + length))));
                }
                at += length;
            }
        }
        return Optional.empty();
    }

    /** @param units of an access unit */
    public static Optional<StreamFacts> of(List<byte[]> units) {
        return units.stream().filter(u -> u.length > 4 && (u[0] >> 1 & 63) == SPS).findFirst().map(HevcStream::facts);
    }

    private static StreamFacts facts(byte[] unit) {
        Bits b = Bits.ofPayload(unit, 2);
        b.skip(4);
        int layers = b.i(3);
        b.skip(1);
        int tierAndProfile = b.i(8);
        long compatible = b.u(32);
        b.skip(4);
        boolean[] limits = new boolean[9];
        for (int i = 0; i < limits.length; i++) {
            limits[i] = b.flag();
        }
        b.skip(35);
        int level = b.i(8);
        skipLayers(b, layers);
        b.ue();
        int chroma = b.ue();
        if (chroma == 3) {
            b.skip(1);
        }
        int width = b.ue();
        int height = b.ue();
        if (b.flag()) {
            int stepX = chroma == 1 || chroma == 2 ? 2 : 1;
            int stepY = chroma == 1 ? 2 : 1;
            width -= stepX * (b.ue() + b.ue());
            height -= stepY * (b.ue() + b.ue());
        }
        int bits = 8 + b.ue();
        b.ue();
        int order = b.ue() + 4;
        boolean each = b.flag();
        for (int i = each ? 0 : layers; i <= layers; i++) {
            b.ue();
            b.ue();
            b.ue();
        }
        for (int i = 0; i < 6; i++) {
            b.ue();
        }
        boolean scalesByList = b.flag();
        if (scalesByList && b.flag()) {
            skipScaling(b);
        }
        b.skip(2);
        if (b.flag()) {
            b.skip(8);
            b.ue();
            b.ue();
            b.skip(1);
        }
        skipReferences(b, order);
        b.skip(2);
        Rational aspect = null;
        Colour colour = null;
        Rational rate = null;
        if (b.flag()) {
            aspect = b.flag() ? AvcStream.aspect(b) : null;
            if (b.flag()) {
                b.skip(1);
            }
            colour = b.flag() ? AvcStream.colour(b) : null;
            if (b.flag()) {
                b.ue();
                b.ue();
            }
            b.skip(3);
            if (b.flag()) {
                for (int i = 0; i < 4; i++) {
                    b.ue();
                }
            }
            if (b.flag()) {
                long ticks = b.u(32);
                long scale = b.u(32);
                rate = ticks > 0 && scale > 0 ? Rational.of(scale, ticks) : null;
            }
        }
        String tier = (tierAndProfile & 0x20) != 0 ? " High" : "";
        return new StreamFacts("ITU-T H.265", profile(tierAndProfile & 31, compatible, limits), level(level) + tier, width, height, bits,
                colour != null && colour.matrix() == 0 && chroma == 3 ? "RGB" : StreamFacts.chroma(chroma), 0, colour, aspect, rate,
                null);
    }

    private static String level(int idc) {
        return idc / 30 + (idc % 30 == 0 ? "" : "." + idc % 30 / 3);
    }

    private static String profile(int idc, long compatible, boolean[] limits) {
        int number = idc == 0 ? Long.numberOfLeadingZeros(compatible << 32) : idc;
        return switch (number) {
            case 1 -> "Main";
            case 2 -> "Main 10";
            case 3 -> "Main Still Picture";
            case 4 -> limits[6] ? "Range extensions Intra" : "Range extensions";
            default -> Integer.toString(number);
        };
    }

    private static void skipLayers(Bits b, int layers) {
        boolean[] profile = new boolean[layers];
        boolean[] level = new boolean[layers];
        for (int i = 0; i < layers; i++) {
            profile[i] = b.flag();
            level[i] = b.flag();
        }
        if (layers > 0) {
            b.skip(2L * (8 - layers));
        }
        for (int i = 0; i < layers; i++) {
            b.skip((profile[i] ? 88 : 0) + (level[i] ? 8 : 0));
        }
    }

    private static void skipScaling(Bits b) {
        for (int size = 0; size < 4; size++) {
            for (int matrix = 0; matrix < 6; matrix += size == 3 ? 3 : 1) {
                if (!b.flag()) {
                    b.ue();
                } else {
                    if (size > 1) {
                        b.se();
                    }
                    for (int i = 0; i < Math.min(64, 1 << 4 + (size << 1)); i++) {
                        b.se();
                    }
                }
            }
        }
    }

    private static void skipReferences(Bits b, int order) {
        int sets = Math.min(MOST_SETS, b.ue());
        int[] counts = new int[sets];
        for (int i = 0; i < sets; i++) {
            if (i > 0 && b.flag()) {
                b.skip(1);
                b.ue();
                int kept = 0;
                for (int j = 0; j <= counts[i - 1]; j++) {
                    boolean used = b.flag();
                    boolean delta = used || b.flag();
                    kept += delta ? 1 : 0;
                }
                counts[i] = kept;
            } else {
                int before = b.ue();
                int after = b.ue();
                counts[i] = before + after;
                for (int j = 0; j < before + after && !b.isOver(); j++) {
                    b.ue();
                    b.skip(1);
                }
            }
        }
        if (b.flag()) {
            for (int i = b.ue(); i > 0 && !b.isOver(); i--) {
                b.skip(order + 1L);
            }
        }
    }
}
