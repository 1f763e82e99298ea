package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.container.DpxHeader;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Compression;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.opinion.SecondOpinion;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.lib.FileBytes;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.proof.StillsProof;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Numbered stills in every format of the catalogue: made in two ranges, read back strictly, and by Vat's own In as any source. */
public class StillsOutTest {

    private static final Size SIZE = Size.of(97, 54);

    @TempDir
    Path folder;

    /** Each codec as it usually is, in every other way to pack it, and in every other colour. */
    public static Stream<Settings> settings() {
        return Catalogue.codecs().stream().filter(c -> c.containers().contains(Container.FRAMES))
                .map(c -> Settings.of(c, Container.FRAMES))
                .flatMap(s -> s.compression() == null ? Stream.of(s) : s.codec().compressions().stream().map(s::withCompression))
                .flatMap(s -> Stream.concat(Stream.of(s), s.codec().colours().stream().skip(1).map(s::withColour)));
    }

    private static Picture working(Settings settings, int frame) {
        Codec codec = settings.codec();
        WorkingFormat format = settings.colourFor(SIZE).isHighRange() ? WorkingFormat.HIGH : WorkingFormat.W16;
        try (Picture drawn = SamplePictures.of(TestPictures.ramp(SIZE.width(), SIZE.height(), frame, codec.hasAlpha()));
                Composer composer = new Composer(format, codec.hasAlpha())) {
            return composer.compose(drawn, PictureReading.of(codec.hasAlpha() ? AlphaKind.STRAIGHT : AlphaKind.NONE, false));
        }
    }

    private static List<String> otherwise(List<Comparison.Line> lines) {
        return lines.stream().filter(l -> !l.agrees()).map(Comparison.Line::name).toList();
    }

    @ParameterizedTest
    @MethodSource("settings")
    void stillsAreWrittenNumberedAndReadBack(Settings settings) throws IOException {
        Codec codec = settings.codec();
        EncoderSpec spec = EncoderSpec.of(settings, SIZE, PixelAspect.SQUARE, Rate.FPS_25, 2);
        Expectation asked = Expectation.of(settings, 5, Rate.FPS_25, SIZE, PixelAspect.SQUARE, null)
                .withStills(new Expectation.Stills(new SequencePattern("kite.", 4, "." + codec.extension(Container.FRAMES)), 1001,
                        codec.statesLabel(Rate.FPS_25) ? "10:00:00:23" : null, settings.compression()));
        List<FrameProof> proofs = new ArrayList<>();
        for (int first : new int[] {0, 3}) {
            try (Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE).withColour(settings.colourFor(SIZE)));
                    StillsWriter writer = new StillsWriter(folder, asked, spec, first, true)) {
                for (int i = first; i < (first == 0 ? 3 : 5); i++) {
                    try (Picture working = working(settings, i); Picture converted = conversion.convert(working)) {
                        writer.write(converted);
                    }
                }
                proofs.addAll(writer.finish());
            }
        }
        MovieProof.Result found = StillsProof.prove(folder, asked, _ -> true);
        assertThat(Comparison.of(asked, found.facts()).disagreements()).isEmpty();
        assertThat(found.crcs()).containsExactly(proofs.stream().mapToInt(FrameProof::crc).toArray());
        assertThat(proofs)
                .allSatisfy(p -> assertThat(p.psnr()).isGreaterThan(settings.control() instanceof RateControl.Lossless ? 200 : 38));

        assertThat(Files.readString(StillsWriter.file(folder, asked.stills(), 4), StandardCharsets.ISO_8859_1)).doesNotContain("Lavc",
                "Lavf");
        try (FileBytes last = FileBytes.of(StillsWriter.file(folder, asked.stills(), 4))) {
            assertThat(SecondOpinion.ofStill(asked, last, 4)).isNotEmpty().allMatch(Comparison.Line::agrees);
            assertThat(otherwise(SecondOpinion.ofStill(asked, last, 3))).as("as if it were the frame before")
                    .hasSize(codec.statesLabel(Rate.FPS_25) ? codec.reportedName().equals("dpx") ? 2 : 1 : 0);
            for (Compression other : codec.compressions()) {
                Expectation.Stills how = asked.stills();
                assertThat(otherwise(SecondOpinion.ofStill(asked.withStills(new Expectation.Stills(how.names(), how.first(), how.label(),
                        other)), last, 4))).hasSize(other == settings.compression() ? 0 : 1);
            }
            Expectation wider = Expectation.of(settings, 5, Rate.FPS_25, Size.of(SIZE.width() + 2, SIZE.height()), PixelAspect.SQUARE, null)
                    .withStills(asked.stills());
            assertThat(otherwise(SecondOpinion.ofStill(wider, last, 4))).singleElement().asString().startsWith("size, by ");
        }
        if (codec.reportedName().equals("dpx")) {
            byte[] last = Files.readAllBytes(StillsWriter.file(folder, asked.stills(), 4));
            DpxHeader.Facts stated = DpxHeader.of(last, Rate.FPS_25).orElseThrow();
            assertThat(stated).isEqualTo(new DpxHeader.Facts("kite.1005.dpx", "Vat 0.1.0", Rate.FPS_25,
                    Timecode.parse("10:00:01:02", Rate.FPS_25), 4, 5, PixelAspect.SQUARE));
        }
        Path third = StillsWriter.file(folder, asked.stills(), 2);
        assertThat(third.getFileName().toString()).startsWith("kite.1003.");
        try (FrameReader reader = new FrameReader()) {
            FrameRead read = reader.read(third, FileKind.ofName(third.getFileName().toString()).orElseThrow(), PictureChoice.MAIN, 1003);
            assertThat(read).isInstanceOf(FrameRead.Sound.class);
            ((FrameRead.Sound) read).picture().close();
        }
        Files.delete(third);
        assertThatThrownBy(() -> StillsProof.prove(folder, asked, _ -> true)).isInstanceOf(MediaException.class)
                .hasMessageContaining("kite.1003");
    }
}
