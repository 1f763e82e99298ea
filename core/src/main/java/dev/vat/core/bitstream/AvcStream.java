package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.time.Rational;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Sequence parameter sets of ITU-T H.264, 7.3.2.1.1 and Annex E. */
public final class AvcStream {

    static final int SPS = 7;
    private static final int EXTENDED_SAR = 255;
    private static final List<Integer> HIGH = List.of(100, 110, 122, 244, 44, 83, 86, 118, 128, 138, 139, 134, 135);
    static final int[][] SAR = {{0, 0}, {1, 1}, {12, 11}, {10, 11}, {16, 11}, {40, 33}, {24, 11}, {20, 11}, {32, 11}, {80, 33}, {18, 11},
        {15, 11}, {64, 33}, {160, 99}, {4, 3}, {3, 2}, {2, 1}};

    private AvcStream() {}

    /** @param record the decoder configuration of ISO/IEC 14496-15, 5.3.3.1 (avcC) @return its first parameter set, without one empty */
    public static Optional<StreamFacts> ofConfiguration(byte[] record) {
        if (record.length < 8 || (record[5] & 31) == 0) {
            return Optional.empty();
        }
        int length = (record[6] & 0xff) << 8 | record[7] & 0xff;
        return Optional.of(facts(Arrays.copyOfRange(record, 8, Math.min(record.length, 8 + length))));
    }

    /** @param units of an access unit */
    public static Optional<StreamFacts> of(List<byte[]> units) {
        return units.stream().filter(u -> u.length > 4 && (u[0] & 31) == SPS).findFirst().map(AvcStream::facts);
    }

    private static StreamFacts facts(byte[] unit) {
        Bits b = Bits.ofPayload(unit, 1);
        int profile = b.i(8);
        int constraints = b.i(8);
        int level = b.i(8);
        b.ue();
        int chroma = 1;
        int bits = 8;
        if (HIGH.contains(profile)) {
            chroma = b.ue();
            if (chroma == 3) {
                b.skip(1);
            }
            bits = 8 + b.ue();
            b.ue();
            b.skip(1);
            if (b.flag()) {
                skipScaling(b, chroma == 3 ? 12 : 8);
            }
        }
        b.ue();
        int order = b.ue();
        if (order == 0) {
            b.ue();
        } else if (order == 1) {
            b.skip(1);
            b.se();
            b.se();
            for (int i = b.ue(); i > 0 && !b.isOver(); i--) {
                b.se();
            }
        }
        b.ue();
        b.skip(1);
        int across = b.ue() + 1;
        int mapUnits = b.ue() + 1;
        boolean framesOnly = b.flag();
        if (!framesOnly) {
            b.skip(1);
        }
        b.skip(1);
        int width = 16 * across;
        int height = (framesOnly ? 1 : 2) * 16 * mapUnits;
        if (b.flag()) {
            int stepX = chroma == 1 || chroma == 2 ? 2 : 1;
            int stepY = (chroma == 1 ? 2 : 1) * (framesOnly ? 1 : 2);
            width -= stepX * (b.ue() + b.ue());
            height -= stepY * (b.ue() + b.ue());
        }
        Vui vui = b.flag() ? Vui.of(b) : Vui.NOTHING;
        return new StreamFacts("ITU-T H.264", profile(profile, constraints), level(level, profile, constraints), width, height, bits,
                vui.colour != null && vui.colour.matrix() == 0 && chroma == 3 ? "RGB" : StreamFacts.chroma(chroma), 0, vui.colour,
                vui.pixelAspect, vui.perSecond, framesOnly ? Fields.PROGRESSIVE : null);
    }

    private static void skipScaling(Bits b, int lists) {
        for (int i = 0; i < lists; i++) {
            if (b.flag()) {
                int next = 8;
                for (int last = 8, j = 0; j < (i < 6 ? 16 : 64) && next != 0; j++) {
                    next = last + b.se() + 256 & 255;
                    last = next == 0 ? last : next;
                }
            }
        }
    }

    private static String profile(int idc, int constraints) {
        boolean intra = (constraints & 0x10) != 0;
        return switch (idc) {
            case 66 -> (constraints & 0x40) != 0 ? "Constrained Baseline" : "Baseline";
            case 77 -> "Main";
            case 88 -> "Extended";
            case 100 -> "High";
            case 110 -> intra ? "High 10 Intra" : "High 10";
            case 122 -> intra ? "High 4:2:2 Intra" : "High 4:2:2";
            case 244 -> intra ? "High 4:4:4 Intra" : "High 4:4:4 Predictive";
            case 44 -> "CAVLC 4:4:4 Intra";
            default -> Integer.toString(idc);
        };
    }

    private static String level(int idc, int profile, int constraints) {
        boolean oneB = idc == 9 || idc == 11 && (constraints & 0x10) != 0 && (profile == 66 || profile == 77 || profile == 88);
        return oneB ? "1b" : idc / 10 + (idc % 10 == 0 ? "" : "." + idc % 10);
    }

    /** What of the usability information counts here. */
    private record Vui(Rational pixelAspect, Colour colour, Rational perSecond) {
        static final Vui NOTHING = new Vui(null, null, null);

        static Vui of(Bits b) {
            Rational aspect = b.flag() ? AvcStream.aspect(b) : null;
            if (b.flag()) {
                b.skip(1);
            }
            Colour colour = b.flag() ? AvcStream.colour(b) : null;
            if (b.flag()) {
                b.ue();
                b.ue();
            }
            Rational rate = null;
            if (b.flag()) {
                long ticks = b.u(32);
                long scale = b.u(32);
                // A tick is a field's, so a frame has two.
                rate = ticks > 0 && scale > 0 ? Rational.of(scale, 2 * ticks) : null;
            }
            return new Vui(aspect, colour, rate);
        }
    }

    static Rational aspect(Bits b) {
        int code = b.i(8);
        long width = code == EXTENDED_SAR ? b.u(16) : code < SAR.length ? SAR[code][0] : 0;
        long height = code == EXTENDED_SAR ? b.u(16) : code < SAR.length ? SAR[code][1] : 0;
        return width > 0 && height > 0 ? Rational.of(width, height) : null;
    }

    static Colour colour(Bits b) {
        b.skip(3);
        boolean full = b.flag();
        return b.flag() ? new Colour(b.i(8), b.i(8), b.i(8), full) : new Colour(2, 2, 2, full);
    }
}
