package dev.vat.core.proof;

import dev.vat.core.time.Rate;
import java.util.OptionalDouble;
import java.util.stream.LongStream;

/**
 * How many bits each picture of a file takes, in the order in which a decoder is given them, one after the other at the file's rate. What a
 * decoder must be able to hold is counted as the standards count it: its buffer is filled at some rate, and each picture leaves it whole at
 * its time.
 */
public final class PictureBits {

    /** So exactly is a rate found, as a share of it. */
    private static final double EXACT = 1e-5;

    private final long[] bits;
    private final double secondsEach;

    private PictureBits(long[] bits, Rate rate) {
        this.bits = bits;
        this.secondsEach = rate.seconds(1).toDouble();
    }

    /** @param bytes of each picture, in coded order */
    public static PictureBits ofBytes(long[] bytes, Rate rate) {
        return new PictureBits(LongStream.of(bytes).map(b -> b * 8).toArray(), rate);
    }

    public int frames() {
        return bits.length;
    }

    public double seconds() {
        return bits.length * secondsEach;
    }

    /** Bits a second over the whole file; 0 if it has no picture. */
    public double average() {
        return bits.length == 0 ? 0 : LongStream.of(bits).sum() / seconds();
    }

    /** Whether no picture comes too late into a buffer that is filled at a rate, and full at the start. */
    public boolean isNeverShort(double bitsPerSecond, long buffer) {
        double fullest = 0;
        double sum = 0;
        for (int i = 0; i < bits.length; i++) {
            double arrived = bitsPerSecond * i * secondsEach;
            fullest = Math.min(fullest, sum - arrived);
            sum += bits[i];
            if (sum - arrived - fullest > buffer) {
                return false;
            }
        }
        return true;
    }

    /** Whether a buffer that is filled without a stop neither runs dry nor over. */
    public boolean isConstant(double bitsPerSecond, long buffer) {
        double least = 0;
        double most = 0;
        double sum = 0;
        for (int i = 0; i < bits.length; i++) {
            double off = sum - bitsPerSecond * i * secondsEach;
            least = Math.min(least, off);
            sum += bits[i];
            most = Math.max(most, off + bits[i]);
            if (most - least > buffer) {
                return false;
            }
        }
        return true;
    }

    /** The least rate at which a buffer is never short; empty if a single picture is larger than it. */
    public OptionalDouble leastRate(long buffer) {
        if (LongStream.of(bits).anyMatch(b -> b > buffer)) {
            return OptionalDouble.empty();
        }
        double enough = 1;
        while (!isNeverShort(enough, buffer)) {
            enough *= 2;
        }
        double tooLittle = 0;
        while (enough - tooLittle > enough * EXACT && enough > 1) {
            double middle = (tooLittle + enough) / 2;
            if (isNeverShort(middle, buffer)) {
                enough = middle;
            } else {
                tooLittle = middle;
            }
        }
        return OptionalDouble.of(enough);
    }
}
