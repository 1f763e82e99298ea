package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.CodecLevel;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.media.convert.Conversion;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FirstPass;
import dev.vat.media.encode.PartSink;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is asked of the encoder's bits is what comes out, on pictures that would take far more. */
@Tag("torture")
class RateControlTest {

    private static final int FRAMES = 100;
    private static final Size SIZE = Size.of(256, 144);

    @TempDir
    Path folder;

    /** Grain that no codec can guess, over a ramp. */
    private static Samples grain(int frame) {
        Random random = new Random(frame);
        float[] grey = new float[Math.toIntExact(SIZE.pixels())];
        for (int i = 0; i < grey.length; i++) {
            grey[i] = (float) Math.clamp(.2 + .6 * (i % SIZE.width()) / SIZE.width() + .07 * random.nextGaussian(), 0, 1);
        }
        return new Samples(SIZE.width(), SIZE.height(), grey, grey, grey, null);
    }

    private double bitsPerSecond(Codec codec, RateControl control) {
        Settings settings = Settings.of(codec, codec.containers().stream().sorted().findFirst().orElse(Container.MKV)).withControl(control);
        EncoderSpec spec = EncoderSpec.of(settings, SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        Path notes = folder.resolve("it's: notes");
        boolean twice = control.passes() > 1;
        if (twice) {
            encode(new FirstPass(spec.inPass(true, notes)), codec);
            assertThat(notes).isNotEmptyFile();
        }
        return encode(new PartWriter(folder.resolve("p." + codec.partContainer().extension()), twice ? spec.inPass(false, notes) : spec, 0,
                false), codec)
                * 8.0 * 25 / FRAMES;
    }

    private static long encode(PartSink sink, Codec codec) {
        try (sink; Conversion conversion = new Conversion(codec, SIZE, Treatment.plain(codec, SIZE))) {
            for (int i = 0; i < FRAMES; i++) {
                try (Picture working = SamplePictures.of(grain(i)); Picture converted = conversion.convert(working)) {
                    sink.write(converted);
                }
            }
            sink.finish();
            return sink.bytes();
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "h264-high-420 | average 600k       | 600000 | .75 | 1.25", "h264-high-420 | constant 600k | 600000 | .9 | 1.2",
        "h264-high-420 | 10, at most 600k   | 600000 | .5  | 1.25", "h265-main-420 | average 600k  | 600000 | .7 | 1.3",
        "h265-main-420 | 10, at most 600k   | 600000 | .5  | 1.3", "vp9-420       | average 600k  | 600000 | .5 | 1.5",
        "h264-high-420 | 600k two passes    | 600000 | .93 | 1.05", "h265-main-420 | 600k two passes | 600000 | .9 | 1.08",
        "vp9-420       | 600k two passes    | 600000 | .7 | 1.1",
        "av1-8         | average 600k       | 600000 | .5  | 1.5",
    })
    void asManyBitsComeOutAsWereAskedFor(String id, String typed, double asked, double least, double most) {
        Codec codec = Catalogue.codec(id);
        assertThat(bitsPerSecond(codec, codec.control(typed)) / asked).isBetween(least, most);
    }

    /** The encoder has the levels' table, too: at an average that this class bounds it says the same level of itself. */
    @ParameterizedTest
    @CsvSource({"average 600k", "average 1500k", "average 3M", "average 12M"})
    void anAverageSaysTheLeastLevelThatHasRoomForIt(String typed) {
        Codec codec = Catalogue.codec("h264-high-420");
        RateControl.Average control = (RateControl.Average) codec.control(typed);
        EncoderSpec spec = EncoderSpec.of(Settings.of(codec, Container.MP4).withControl(control), SIZE, PixelAspect.SQUARE, Rate.FPS_25, 1);
        Path file = folder.resolve("p." + codec.partContainer().extension());
        encode(new PartWriter(file, spec, 0, false), codec);
        try (Demuxer made = new Demuxer(file)) {
            assertThat(made.stream().codecpar().level())
                    .isEqualTo(CodecLevel.bounds(codec, SIZE, Rate.FPS_25, control.bitsPerSecond()).orElseThrow().level().number());
        }
    }

    @ParameterizedTest
    @CsvSource({"h264-high-420, 12, 30", "h265-main-420, 14, 34", "vp9-420, 15, 50", "av1-8, 15, 50", "cineform-422-10, 0, 12",
        "mjpeg-422, 2, 20"})
    void aBetterQualityTakesMoreBits(String id, int better, int worse) {
        Codec codec = Catalogue.codec(id);
        assertThat(bitsPerSecond(codec, new RateControl.Constant(better)))
                .isGreaterThan(1.3 * bitsPerSecond(codec, new RateControl.Constant(worse)));
    }
}
