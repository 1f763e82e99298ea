package dev.vat.media;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.Map;

/**
 * Everything an encoder is opened with.
 *
 * @param colour what the samples mean
 * @param threads fixed by the plan, since it can change bits
 * @param options by the library's names, see {@link EncoderSettings}
 * @param pass which of two passes, or null where there is but one
 */
public record EncoderSpec(Codec codec, ColourCoding colour, Size size, PixelAspect pixelAspect, Rate rate, int threads,
                          Map<String, String> options, Pass pass) {

    /** One of two passes. @param first whether it only takes notes @param notes the file in which the first pass leaves them for the second */
    public record Pass(boolean first, Path notes) { }

    public EncoderSpec {
        options = Map.copyOf(options);
    }

    /** The same for one of two passes. */
    public EncoderSpec inPass(boolean first, Path notes) {
        Pass which = new Pass(first, notes);
        return new EncoderSpec(codec, colour, size, pixelAspect, rate, threads, EncoderSettings.inPass(codec, options, which), which);
    }

    /** With the options that settings have now. */
    public static EncoderSpec of(Settings settings, Size size, PixelAspect pixelAspect, Rate rate, int threads) {
        return of(settings.codec(), size, pixelAspect, rate, threads, EncoderSettings.options(settings, rate));
    }

    /** With the options of a plan that may have been made earlier. */
    public static EncoderSpec of(Codec codec, Size size, PixelAspect pixelAspect, Rate rate, int threads, Map<String, String> options) {
        return new EncoderSpec(codec, codec.ownColour() != null ? codec.ownColour() : ColourCoding.usualFor(size), size, pixelAspect, rate,
                threads, options, null);
    }
}
