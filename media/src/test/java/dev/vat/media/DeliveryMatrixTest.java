package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.proof.Comparison;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.proof.MovieProof;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every pair of codec and container that the catalogue calls legal: a short real file is made in two parts, joined, and read back. */
@Tag("slow")
@Tag("matrix")
@Execution(ExecutionMode.CONCURRENT)
class DeliveryMatrixTest {

    @TempDir
    Path folder;

    /** Every build takes every third codec; all of them are taken where there is time. */
    static Stream<Arguments> pairs() {
        List<Codec> all = Catalogue.codecs();
        boolean whole = Boolean.getBoolean("vat.matrix");
        return pairs(all.stream()
                .filter(codec -> whole || all.indexOf(codec) % 3 == 0 || codec.containers().stream().anyMatch(Container::isMovingStill)));
    }

    private static Stream<Arguments> pairs(Stream<Codec> codecs) {
        return codecs.flatMap(codec -> codec.containers().stream().filter(c -> !c.isFolder()).sorted().map(c -> Arguments.of(codec, c)));
    }

    private static void namesItsMaker(Path file, Container container) throws IOException {
        byte[] bytes = Files.readAllBytes(file);
        String letters = new String(bytes, StandardCharsets.ISO_8859_1);
        assertThat(letters).doesNotContain("Lavf", "Lavc", "FFMP");
        if (container == Container.MXF) {
            assertThat(new String(bytes, StandardCharsets.UTF_16BE) + new String(bytes, 1, bytes.length - 1, StandardCharsets.UTF_16BE))
                    .contains("Vat");
        } else if (!container.isMovingStill()) {
            assertThat(letters).contains("Vat test");
        }
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void whatWasAskedForStandsInTheFile(Codec codec, Container container) throws IOException {
        MadeFile made = MadeFile.of(codec, container, folder);
        MovieProof.Result found = MovieProof.prove(made.file(), _ -> true);
        assertThat(Comparison.of(made.expected(), found.facts()).disagreements()).isEmpty();
        assertThat(SecondReaders.disagreements(made)).isEmpty();
        namesItsMaker(made.file(), container);
        assertThat(found.crcs()).containsExactly(made.proofs().stream().mapToInt(FrameProof::crc).toArray());
        // A ramp through all colours is the hardest there is for a palette.
        double least = codec.usualControl() instanceof RateControl.Lossless ? Double.POSITIVE_INFINITY
                : container == Container.GIF ? codec.hasAlpha() ? 12 : 20 : 34;
        assertThat(made.proofs()).allSatisfy(p -> assertThat(p.psnr()).isGreaterThanOrEqualTo(least));
        Mediainfo.findsWhatWasAskedFor(made, container);
    }
}
