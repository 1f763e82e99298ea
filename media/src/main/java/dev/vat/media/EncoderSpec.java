package dev.vat.media;

import dev.vat.core.delivery.Codec;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.run.PartCutting;
import dev.vat.core.time.Rate;
import java.util.Map;
import java.util.TreeMap;

/**
 * Everything an encoder is opened with.
 *
 * @param encoder the library's name of it
 * @param threads fixed by the plan, since it can change bits
 * @param options by the library's names
 */
public record EncoderSpec(String encoder, Codec codec, Size size, PixelAspect pixelAspect, Rate rate, int threads,
                          Map<String, String> options) {

    public EncoderSpec {
        options = Map.copyOf(options);
    }

    /** With the settings that {@link #optionsFor} gives, or those of a plan made earlier. */
    public static EncoderSpec of(Codec codec, Size size, PixelAspect pixelAspect, Rate rate, int threads,
                                 Map<String, String> options) {
        return new EncoderSpec(encoderOf(codec), codec, size, pixelAspect, rate, threads, options);
    }

    /** The one place where a codec of the catalogue becomes encoder settings. */
    public static Map<String, String> optionsFor(Codec codec, Rate rate) {
        Map<String, String> options = new TreeMap<>();
        switch (codec.id()) {
            case "h264-high-420" -> {
                options.put("preset", "medium");
                options.put("crf", "17");
                options.put("profile", "high");
                options.put("g", Long.toString(PartCutting.groupFrames(codec, rate)));
                options.put("flags", "+cgop");
            }
            case "prores-422-hq" -> options.put("profile", "hq");
            case "prores-4444" -> {
                options.put("profile", "4444");
                options.put("alpha_bits", Integer.toString(codec.alphaBits()));
            }
            default -> throw new IllegalArgumentException("No encoder settings for " + codec.id());
        }
        return options;
    }

    private static String encoderOf(Codec codec) {
        return switch (codec.id()) {
            case "h264-high-420" -> "libx264";
            case "prores-422-hq", "prores-4444" -> "prores_ks";
            default -> throw new IllegalArgumentException("No encoder for " + codec.id());
        };
    }
}
