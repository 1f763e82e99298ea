package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.CodecLevel;
import dev.vat.core.delivery.Mpeg2Level;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;

/**
 * What was asked of the bits that a file's pictures take. Bits a second, decimal.
 *
 * @param average over the whole file, or null where nobody said
 * @param within how many percent of the average
 * @param most at which a decoder's buffer is filled, or null where nobody said: with it, no picture comes too late (the hypothetical
 *         reference decoder of ITU-T H.264, annex C, and H.265, annex C)
 * @param buffer in bits
 * @param constant whether the buffer never runs over either: as many bits in every stretch, as far as the buffer makes up for it
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RatePromise(Long average, int within, Long most, Long buffer, @JsonProperty("constant") boolean constant) {

    /** What two passes keep to. */
    private static final int TWO_PASSES = 1;

    /**
     * What settings promise, or null where quality or profile decides.
     *
     * @param frames of the file
     * @param channels of its sound, 0 for none: a wish for a size leaves the rest for pictures
     */
    public static RatePromise of(Settings settings, Size size, Rate rate, long frames, int channels) {
        return switch (settings.control()) {
            case RateControl.Average(long bits) -> averaged(settings, bits, inOnePass(settings.codec()), size, rate);
            case RateControl.TwoPass(long bits) -> averaged(settings, bits, TWO_PASSES, size, rate);
            case RateControl.Steady(long bits) -> new RatePromise(bits, TWO_PASSES, bits, isMpeg2(settings.codec())
                    ? Mpeg2Level.of(size).bufferAt(bits) : bits, true);
            case RateControl.Capped(int _, long bits, long buffer) -> new RatePromise(null, 0, bits, buffer, false);
            case RateControl.ByProfile _ -> null;
            case RateControl.Constant _ -> null;
            case RateControl.FileSize _ -> of(settings.solved(frames, rate, channels, size), size, rate, frames, channels).capAlone();
            case RateControl.Lossless _ -> null;
        };
    }

    /** What encoders that learn while they go were measured to keep to, in percent. */
    private static int inOnePass(Codec codec) {
        return switch (codec.reportedName()) {
            case "av1" -> 10;
            case "vp9" -> 25;
            default -> 3;
        };
    }

    private static boolean isMpeg2(Codec codec) {
        return codec.reportedName().equals("mpeg2video");
    }

    /** A level is a limit: of all that have room for the rate, the least is kept to. */
    private static RatePromise averaged(Settings settings, long bits, int within, Size size, Rate rate) {
        if (isMpeg2(settings.codec())) {
            Mpeg2Level level = Mpeg2Level.of(size);
            return new RatePromise(bits, within, level.bitsPerSecond(), level.buffer(), false);
        }
        return CodecLevel.bounds(settings.codec(), size, rate, bits)
                .map(bounds -> new RatePromise(bits, within, bounds.bitsPerSecond(), bounds.buffer(), false))
                .orElseGet(() -> new RatePromise(bits, within, null, null, false));
    }

    /** What holds where the average can't: of a file that ends early, or that may weigh so much at most. Null if nothing does. */
    public RatePromise capAlone() {
        return most == null ? null : constant ? this : new RatePromise(null, 0, most, buffer, false);
    }
}
