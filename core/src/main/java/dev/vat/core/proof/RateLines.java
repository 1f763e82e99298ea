package dev.vat.core.proof;

import dev.vat.core.delivery.BitRate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** What was asked of a file's bit rate against what its pictures take. */
public final class RateLines {

    private static final Words WORDS = Words.of(RateLines.class);

    /** An encoder that learns while it goes needs so much to come out even. */
    private static final double LONG_ENOUGH = 10;
    private static final int FRAMES_ENOUGH = 240;
    /** Less would be shown as nothing. */
    private static final double ANY_RATE = 1000;
    /** Here pictures are off by one code of 8 bits in the mean: more bits would show nothing more. */
    private static final double AS_GOOD_AS_CAN_BE = 48;

    private RateLines() {}

    /**
     * @param asked or null where nothing was
     * @param found or null where pictures aren't coded one after the other
     * @param quality of the file's pictures, or null where nobody measured it
     */
    public static List<Comparison.Line> of(RatePromise asked, PictureBits found, Receipt.Quality quality) {
        List<Comparison.Line> lines = new ArrayList<>();
        if (asked == null || found == null || found.frames() == 0) {
            return lines;
        }
        if (asked.average() != null) {
            lines.add(average(asked, found, quality));
        }
        if (asked.most() != null) {
            lines.add(most(asked, found));
        }
        return lines;
    }

    private static Comparison.Line average(RatePromise asked, PictureBits found, Receipt.Quality quality) {
        double off = found.average() / asked.average() - 1;
        String wanted = BitRate.format(asked.average());
        String is = rate(found.average());
        if (found.seconds() < LONG_ENOUGH || found.frames() < FRAMES_ENOUGH) {
            return new Comparison.Line(WORDS.say("average"), WORDS.say("asNearAsFramesAllow", wanted, found.frames()),
                    is,
                    true);
        }
        boolean sparing = off < 0 && isAsGoodAsCanBe(quality);
        boolean agrees = Math.abs(off) * 100 <= asked.within();
        return new Comparison.Line(WORDS.say("average"), WORDS.say("within", wanted, asked.within()),
                sparing && !agrees ? WORDS.say("thePicturesNeedNoMore", is) : is, agrees || sparing);
    }

    private static boolean isAsGoodAsCanBe(Receipt.Quality quality) {
        return quality != null && (quality.meanPsnr() == null || quality.meanPsnr() >= AS_GOOD_AS_CAN_BE);
    }

    private static Comparison.Line most(RatePromise asked, PictureBits found) {
        String buffer = Rational.of(asked.buffer(), asked.most()).toDecimal(2);
        String wanted = BitRate.format(asked.most());
        if (asked.constant()) {
            boolean even = found.isConstant(asked.most(), asked.buffer());
            return new Comparison.Line(WORDS.say("constant"), WORDS.say("withABufferOf", wanted, buffer),
                    even ? WORDS.say("even") : WORDS.say("theBufferRunsDryOrOver"), even);
        }
        OptionalDouble least = found.leastRate(asked.buffer());
        return new Comparison.Line(WORDS.say("most"), WORDS.say("withABufferOf", WORDS.say("atMost", wanted), buffer),
                least.isEmpty() ? WORDS.say("aPictureIsLargerThanTheBuffer")
                        : least.getAsDouble() < ANY_RATE ? WORDS.say("theBufferHoldsAllOfIt") : rate(least.getAsDouble()),
                least.isPresent() && found.isNeverShort(asked.most(), asked.buffer()));
    }

    /** To three digits. */
    private static String rate(double bitsPerSecond) {
        long unit = Math.max(1, Math.round(Math.pow(10, Math.floor(Math.log10(Math.max(1, bitsPerSecond))) - 2)));
        return BitRate.format(Math.round(bitsPerSecond / unit) * unit);
    }
}
