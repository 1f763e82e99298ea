package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Colour;
import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.time.Rational;
import java.util.Optional;

/** Sequence and picture heads of ITU-T H.262, 6.2.2 and 6.2.3. */
public final class Mpeg2Stream {

    private static final int SEQUENCE = 0xb3;
    private static final int EXTENSION = 0xb5;
    private static final int GROUP = 0xb8;
    private static final Rational[] RATES = {null, Rational.of(24000, 1001), Rational.of(24), Rational.of(25), Rational.of(30000, 1001),
        Rational.of(30), Rational.of(50), Rational.of(60000, 1001), Rational.of(60)};

    private Mpeg2Stream() {}

    /** @param picture the first sample of the track; empty where no sequence begins in it */
    public static Optional<StreamFacts> of(byte[] picture) {
        Head head = new Head();
        for (byte[] unit : NalUnits.behindStartCodes(picture)) {
            if (unit.length > 3) {
                head.take(unit[0] & 0xff, new Bits(unit).skip(8));
            }
        }
        return head.width == 0 ? Optional.empty() : Optional.of(head.facts());
    }

    private static final class Head {
        private int width;
        private int height;
        private int aspect;
        private Rational rate;
        private String profile = "MPEG-1";
        private String level;
        private int chroma = 1;
        private boolean progressive = true;
        private Colour colour;
        private Fields fields;
        private String label;

        void take(int code, Bits b) {
            switch (code) {
                case SEQUENCE -> {
                    width = b.i(12);
                    height = b.i(12);
                    aspect = b.i(4);
                    int number = b.i(4);
                    rate = number < RATES.length ? RATES[number] : null;
                }
                case EXTENSION -> extension(b);
                case GROUP -> label = label == null ? label(b) : label;
                default -> {
                    // Pictures and their slices.
                }
            }
        }

        /** 6.2.2.6: with a marker bit between minutes and seconds. */
        private static String label(Bits b) {
            boolean drop = b.flag();
            int hours = b.i(5);
            int minutes = b.i(6);
            b.skip(1);
            int seconds = b.i(6);
            return "%02d:%02d:%02d%s%02d".formatted(hours, minutes, seconds, drop ? ";" : ":", b.i(6));
        }

        private void extension(Bits b) {
            switch (b.i(4)) {
                case 1 -> {
                    int said = b.i(8);
                    profile = profile(said);
                    level = level(said & 15);
                    progressive = b.flag();
                    chroma = b.i(2);
                    width |= b.i(2) << 12;
                    height |= b.i(2) << 12;
                    b.skip(21);
                    if (rate != null) {
                        rate = rate.times(Rational.of(b.i(2) + 1, b.i(5) + 1));
                    }
                }
                case 2 -> {
                    b.skip(3);
                    colour = b.flag() ? new Colour(b.i(8), b.i(8), b.i(8), null) : null;
                }
                case 8 -> {
                    b.skip(20);
                    boolean top = b.flag();
                    b.skip(6);
                    boolean whole = b.flag();
                    fields = whole ? Fields.PROGRESSIVE : top ? Fields.TOP_FIRST : Fields.BOTTOM_FIRST;
                }
                default -> {
                    // Matrices and what scalable streams have.
                }
            }
        }

        private static String profile(int said) {
            if ((said & 0x80) != 0) {
                return "4:2:2";
            }
            return switch (said >> 4 & 7) {
                case 1 -> "High";
                case 4 -> "Main";
                case 5 -> "Simple";
                default -> Integer.toString(said >> 4 & 7);
            };
        }

        private static String level(int code) {
            return switch (code) {
                case 2, 4 -> "High";
                case 6 -> "High 1440";
                case 5, 8 -> "Main";
                case 10 -> "Low";
                default -> Integer.toString(code);
            };
        }

        StreamFacts facts() {
            Rational display = switch (aspect) {
                case 2 -> Rational.of(4, 3);
                case 3 -> Rational.of(16, 9);
                case 4 -> Rational.of(221, 100);
                default -> null;
            };
            Rational pixel = display == null ? Rational.ONE : display.times(Rational.of(height, width));
            return new StreamFacts("ITU-T H.262", profile, level, width, height, 8, StreamFacts.chroma(chroma), 0, colour, pixel,
                    rate, progressive ? Fields.PROGRESSIVE : fields).withLabel(label);
        }
    }
}
