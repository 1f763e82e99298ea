package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.MasteringDisplay;
import dev.vat.core.delivery.Legality;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Settings;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.ContentLight;
import dev.vat.core.time.Rate;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.proof.MovieProof;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every colour coding and every order of lines that the catalogue calls legal: made, joined and read back. */
@Tag("slow")
@Tag("matrix")
@Execution(ExecutionMode.CONCURRENT)
class ColoursAndScansTest {

    @TempDir
    Path folder;

    private static boolean whole() {
        return Boolean.getBoolean("vat.matrix");
    }

    /** Each codec in one container in every build, in all of them where there is time. */
    private static Stream<Container> containers(Codec codec) {
        Stream<Container> all = codec.containers().stream().filter(c -> !c.isFolder()).sorted();
        return whole() ? all : all.limit(1);
    }

    static Stream<Arguments> colours() {
        List<Arguments> all = new ArrayList<>();
        for (Codec codec : Catalogue.codecs()) {
            for (ColourCoding colour : codec.ownColour() == null ? codec.colours() : List.<ColourCoding>of()) {
                containers(codec).filter(c -> Legality.against(codec, c, colour).isEmpty())
                        .forEach(c -> all.add(Arguments.of(codec, c, colour)));
            }
        }
        return whole() ? all.stream() : all.stream().filter(a -> all.indexOf(a) % 8 == 0);
    }

    static Stream<Arguments> scans() {
        return Catalogue.codecs().stream()
                .flatMap(
                        codec -> containers(codec).flatMap(c -> codec.interlaced(c).stream().sorted().map(s -> Arguments.of(codec, c, s))));
    }

    @ParameterizedTest
    @MethodSource("colours")
    void coloursAreTaggedAsChosen(Codec codec, Container container, ColourCoding colour) throws IOException {
        MadeFile made = checked(Settings.of(codec, container).withColour(colour));
        assertThat(made.expected().light() != null).as("how bright it is")
                .isEqualTo(colour.equals(ColourCoding.PQ) && container.statesLight());
        if (made.expected().light() != null) {
            ContentLight brighter = new ContentLight(made.expected().light().most() + 1, made.expected().light().average());
            assertThat(SecondReaders.disagreements(made.expected().withLight(brighter), made.file())).extracting(Comparison.Line::name)
                    .singleElement().asString().startsWith("content light");
            assertThat(SecondReaders.disagreements(made.expected().withMastering(MasteringDisplay.parse("P3, 0.005 to 1001")),
                    made.file())).extracting(Comparison.Line::name).singleElement().asString().startsWith("mastering display");
        }
        Mediainfo.finds(colour, made);
    }

    @ParameterizedTest
    @MethodSource("scans")
    void linesFollowEachOtherAsChosen(Codec codec, Container container, Scan scan) throws IOException {
        Mediainfo.finds(scan, checked(Settings.of(codec, container).withFraming(Framing.FOLLOWS.withScan(scan))));
    }

    private MadeFile checked(Settings settings) throws IOException {
        Codec codec = settings.codec();
        Size size = codec.limits().sizes().stream().findFirst().orElse(Size.of(256, 144));
        Rate rate = codec.limits().rates().contains(Rate.of(30000, 1001)) ? Rate.of(30000, 1001) : Rate.FPS_25;
        PixelAspect aspect = codec.pixelAspects().stream().findFirst().orElse(PixelAspect.SQUARE);
        MadeFile made = MadeFile.of(settings, size, rate, aspect, folder);
        MovieProof.Result found = MovieProof.prove(made.file(), _ -> true);
        assertThat(Comparison.of(made.expected(), found.facts()).disagreements()).isEmpty();
        assertThat(SecondReaders.disagreements(made)).isEmpty();
        assertThat(found.crcs()).containsExactly(made.proofs().stream().mapToInt(FrameProof::crc).toArray());
        assertThat(made.proofs()).allSatisfy(p -> assertThat(p.psnr()).isGreaterThan(33));
        return made;
    }
}
