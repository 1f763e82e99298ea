package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.PartForm;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.run.Comparison;
import dev.vat.core.run.Expectation;
import dev.vat.core.time.Rate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every pair of codec and container that the catalogue calls legal: a short real file is made in two parts, joined, and read back. */
@Tag("zoo")
class DeliveryMatrixTest {

    private static final int FIRST = 6;
    private static final int SECOND = 5;

    @TempDir
    Path folder;

    /** Every build takes every third codec; all of them are taken where there is time. */
    static Stream<Arguments> pairs() {
        List<Codec> all = Catalogue.codecs();
        boolean whole = Boolean.getBoolean("vat.matrix");
        return all.stream().filter(codec -> whole || all.indexOf(codec) % 3 == 0).flatMap(codec -> codec.containers().stream().sorted().map(c -> Arguments.of(codec, c)));
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void whatWasAskedForStandsInTheFile(Codec codec, Container container) throws IOException {
        Size size = codec.limits().sizes().stream().findFirst().orElse(Size.of(256, 144));
        Rate rate = codec.limits().rates().isEmpty() ? Rate.of(24000, 1001) : codec.limits().rates().stream().max(Rate::compareTo).orElseThrow();
        PixelAspect aspect = !codec.pixelAspects().isEmpty() ? codec.pixelAspects().iterator().next()
                : codec.statesPixelAspect(container) ? PixelAspect.of(16, 15) : PixelAspect.SQUARE;
        Settings settings = Settings.of(codec, container).withIndexInFront(true);
        EncoderSpec spec = EncoderSpec.of(settings, size, aspect, rate, 2);
        boolean whole = codec.partForm(settings.control()) == PartForm.WHOLE;
        List<Joining.Part> parts = new ArrayList<>();
        List<FrameProof> proofs = new ArrayList<>();
        int[] lengths = whole ? new int[] {FIRST + SECOND} : new int[] {FIRST, SECOND};
        int first = 0;
        for (int length : lengths) {
            Path file = folder.resolve("p" + first + "." + codec.partContainer().extension());
            proofs.addAll(part(file, spec, first, length));
            parts.add(new Joining.Part(file, codec.partContainer(), first, length));
            first += length;
        }
        Path joined = folder.resolve("joined." + container.extension());
        Joining.join(parts, joined, container, settings.indexInFront(), rate, aspect);
        MovieProof.Result found = MovieProof.prove(joined, _ -> true);
        Comparison comparison = Comparison.of(Expectation.of(settings, first, rate, size, aspect), found.facts());
        assertThat(comparison.disagreements()).isEmpty();
        assertThat(found.crcs()).containsExactly(proofs.stream().mapToInt(FrameProof::crc).toArray());
        double least = codec.usualControl() instanceof RateControl.Lossless ? Double.POSITIVE_INFINITY : 34;
        assertThat(proofs).allSatisfy(p -> assertThat(p.psnr()).isGreaterThanOrEqualTo(least));
    }

    private List<FrameProof> part(Path file, EncoderSpec spec, int first, int count) throws IOException {
        boolean alpha = spec.codec().hasAlpha();
        try (Conversion conversion = new Conversion(spec.codec(), spec.size(), Rgb.BLACK); PartWriter writer = new PartWriter(file, spec, first, true)) {
            for (int i = 0; i < count; i++) {
                try (Picture working = Picture.of(TestPictures.ramp(spec.size().width(), spec.size().height(), first + i, alpha));
                        Picture converted = conversion.convert(working)) {
                    writer.write(converted);
                }
            }
            return writer.finish();
        }
    }
}
