package dev.vat.media.encode;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.run.EncoderOptions;
import dev.vat.core.run.RunFile;
import dev.vat.core.time.Rate;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;

/**
 * Everything an encoder is opened with.
 *
 * @param colour what the samples mean
 * @param rate of the file's frames, of which an interlaced one shows two moments
 * @param threads fixed by the plan, since it can change bits
 * @param options by the library's names, see {@link EncoderOptions}
 * @param loops how often a moving still is played, 0 for ever; null elsewhere
 * @param pass which of two passes, or null where there is but one
 */
public record EncoderSpec(Codec codec, ColourCoding colour, Size size, PixelAspect pixelAspect, Rate rate, Scan scan, Integer loops,
        int threads,
        Map<String, String> options, Pass pass) {

    /**
     * One of two passes.
     *
     * @param first whether it only takes notes
     * @param notes the file in which the first pass leaves them for the second
     */
    public record Pass(boolean first, Path notes) {}

    public EncoderSpec {
        options = Map.copyOf(options);
    }

    /** What the file around the pictures is told, by the library's names. */
    Map<String, String> containerOptions() {
        if (loops == null || !codec.partContainer().isMovingStill()) {
            return Map.of();
        }
        return switch (codec.partContainer()) {
            case APNG -> Map.of("plays", loops.toString());
            // GIF counts repeats, and once is said by saying nothing.
            case GIF -> Map.of("loop", loops == 0 ? "0" : loops == 1 ? "-1" : Integer.toString(loops - 1));
            default -> Map.of("loop", loops.toString());
        };
    }

    /** The same for one of two passes. */
    public EncoderSpec inPass(boolean first, Path notes) {
        Pass which = new Pass(first, notes);
        return new EncoderSpec(codec, colour, size, pixelAspect, rate, scan, loops, threads,
                EncoderOptions.inPass(codec, options, first, notes.toString()), which);
    }

    /** With one of the library's options set otherwise. */
    public EncoderSpec withOption(String name, String value) {
        Map<String, String> changed = new TreeMap<>(options);
        changed.put(name, value);
        return new EncoderSpec(codec, colour, size, pixelAspect, rate, scan, loops, threads, changed, pass);
    }

    /** With the options that settings have now. */
    public static EncoderSpec of(Settings settings, Size size, PixelAspect pixelAspect, Rate rate, int threads) {
        return new EncoderSpec(settings.codec(), settings.colourFor(size), size, pixelAspect, rate, settings.framing().scanInUse(),
                settings.container().isMovingStill() ? settings.loops() : null, threads,
                EncoderOptions.options(settings, rate, size), null);
    }

    /** As a plan has it, which may have been made earlier. */
    public static EncoderSpec of(RunFile file) {
        Expectation expected = file.expected();
        return new EncoderSpec(file.codecInCatalogue(), file.treatment().colour(), expected.size(), expected.pixelAspect(), expected.rate(),
                file.treatment().scan(), expected.loops(),
                file.threads(), file.options(), null);
    }
}
