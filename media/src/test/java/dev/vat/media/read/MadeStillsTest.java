package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.media.TestPictures;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import java.nio.file.Path;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Numbered frames that Vat wrote, as an independent image tool reads them: the same samples, whatever the format. */
@Tag("outside")
class MadeStillsTest {

    private static final Size SIZE = Size.of(98, 66);
    /** In codes; of floating-point samples in millionths. */
    private static final double SAME = .51;
    /** Two good decoders of JPEG bring coarse colour to every pixel in their own way. */
    private static final double COARSE = 10;
    /** The other reader makes 16 bits of 12 without repeating their first four behind them. */
    private static final double SHIFTED = 1;
    /** What conversion leaves below black is nothing to Vat, and some millionths to the other reader. */
    private static final double BELOW_BLACK = 60;

    @TempDir
    Path folder;

    private Path written(Settings settings) throws Exception {
        Codec codec = settings.codec();
        EncoderSpec spec = EncoderSpec.of(settings, SIZE, PixelAspect.SQUARE, Rate.FPS_25, 2);
        Expectation asked = Expectation.of(settings, 1, Rate.FPS_25, SIZE, PixelAspect.SQUARE, null)
                .withStills(new Expectation.Stills(new SequencePattern("kite.", 4, "." + codec.extension(Container.FRAMES)), 1));
        WorkingFormat format = settings.colourFor(SIZE).isHighRange() ? WorkingFormat.HIGH : WorkingFormat.W16;
        try (Picture drawn = SamplePictures.of(TestPictures.ramp(SIZE.width(), SIZE.height(), 3, codec.hasAlpha()));
                Composer composer = new Composer(format, codec.hasAlpha());
                Picture working = composer.compose(drawn,
                        PictureReading.of(codec.hasAlpha() ? AlphaKind.STRAIGHT : AlphaKind.NONE, false));
                Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE).withColour(settings.colourFor(SIZE)));
                Picture converted = conversion.convert(working);
                StillsWriter writer = new StillsWriter(folder, asked, spec, 0, true)) {
            writer.write(converted);
            writer.finish();
        }
        return StillsWriter.file(folder, asked.stills(), 0);
    }

    @ParameterizedTest
    @MethodSource("dev.vat.media.StillsOutTest#settings")
    void anotherReaderSeesTheSameSamples(Settings settings) throws Exception {
        Path file = written(settings);
        try (FrameReader reader = new FrameReader()) {
            FrameRead read = reader.read(file, FileKind.ofName(file.getFileName().toString()).orElseThrow(), PictureChoice.MAIN, 0);
            assertThat(read).isInstanceOf(FrameRead.Sound.class);
            FrameRead.Sound sound = (FrameRead.Sound) read;
            PictureFormat format = sound.format();
            try (Picture picture = sound.picture()) {
                double most = Samples.ours(picture, format).from(Samples.theirs(file));
                double codes = format.depth().floating() ? most * 1e6 : most * ((1L << Math.min(16, format.depth().bits())) - 1);
                assertThat(codes).as("codes apart").isLessThan(allowed(settings.codec()));
            }
        }
    }

    private static double allowed(Codec codec) {
        return switch (codec.id()) {
            case "frames-jpeg" -> COARSE;
            case "frames-dpx-12" -> SHIFTED;
            case "frames-exr", "frames-exr-rgba", "frames-exr-32", "frames-exr-rgba-32" -> BELOW_BLACK;
            default -> SAME;
        };
    }
}
