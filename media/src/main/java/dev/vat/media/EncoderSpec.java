package dev.vat.media;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import java.util.Map;

/**
 * Everything an encoder is opened with.
 *
 * @param colour what the samples mean
 * @param threads fixed by the plan, since it can change bits
 * @param options by the library's names, see {@link EncoderSettings}
 */
public record EncoderSpec(Codec codec, ColourCoding colour, Size size, PixelAspect pixelAspect, Rate rate, int threads,
                          Map<String, String> options) {

    public EncoderSpec {
        options = Map.copyOf(options);
    }

    /** With the options that settings have now. */
    public static EncoderSpec of(Settings settings, Size size, PixelAspect pixelAspect, Rate rate, int threads) {
        return of(settings.codec(), size, pixelAspect, rate, threads, EncoderSettings.options(settings, rate));
    }

    /** With the options of a plan that may have been made earlier. */
    public static EncoderSpec of(Codec codec, Size size, PixelAspect pixelAspect, Rate rate, int threads, Map<String, String> options) {
        return new EncoderSpec(codec, codec.ownColour() != null ? codec.ownColour() : ColourCoding.usualFor(size), size, pixelAspect, rate,
                threads, options);
    }
}
