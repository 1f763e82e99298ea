package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.Channels;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.reel.Fade;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.mux.Joining;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.sound.ListeningCopy;
import dev.vat.media.sound.SoundMix;
import dev.vat.media.sound.SoundReader;
import dev.vat.media.sound.WovenSound;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** Every sound codec in every container that may hold it: woven in between real pictures, and read back. */
class SoundOutTest {

    /** As many samples as 25 of AC-3's blocks, whose encoder holds some back. */
    private static final int FRAMES = 20;
    private static final Size SIZE = Size.of(256, 144);

    @TempDir
    Path folder;

    /** Silence for half a second, then a click each fifth of a second: clips whose bells must stay on their frames. */
    private Path wav(String name, int channels, int rate, int seconds) throws IOException {
        int bytes = rate * seconds * channels * 2;
        ByteBuffer wav = ByteBuffer.allocate(44 + bytes).order(ByteOrder.LITTLE_ENDIAN);
        wav.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(36 + bytes).put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16)
                .putShort((short) 1).putShort((short) channels).putInt(rate).putInt(rate * channels * 2).putShort((short) (channels * 2))
                .putShort((short) 16).put("data".getBytes(StandardCharsets.US_ASCII)).putInt(bytes);
        for (int i = 0; i < rate * seconds; i++) {
            for (int c = 0; c < channels; c++) {
                wav.putShort((short) (i < rate / 2 ? 0 : 12000 * Math.sin(i * 2 * Math.PI * 440 / rate)));
            }
        }
        return Files.write(folder.resolve(name), wav.array());
    }

    static Stream<Arguments> pairs() {
        return Arrays.stream(Container.values()).filter(c -> !c.isSoundAlone())
                .flatMap(c -> Arrays.stream(SoundCodec.values()).filter(s -> s.containers().contains(c)).map(s -> Arguments.of(c, s)));
    }

    private static Codec picture(Container container) {
        return Catalogue.codec(switch (container) {
            case MP4, MOV, MKV, TS -> "h264-high-420";
            case WEBM -> "vp9-420";
            case AVI -> "mjpeg-422";
            case MXF -> "dnxhr-sq";
            case FRAMES, GIF, APNG, WEBP, AVIF, WAV -> throw new AssertionError("no pictures with sound: " + container);
        });
    }

    private Path part(EncoderSpec spec) {
        Path file = folder.resolve("p." + spec.codec().partContainer().extension());
        try (Conversion conversion = new Conversion(spec.codec(), spec.size(), Treatment.plain(spec.codec(), spec.size()));
                PartWriter writer = new PartWriter(file, spec, 0, false)) {
            for (int i = 0; i < FRAMES; i++) {
                try (Picture working = SamplePictures.of(TestPictures.ramp(SIZE.width(), SIZE.height(), i, false));
                        Picture converted = conversion.convert(working)) {
                    writer.write(converted);
                }
            }
            writer.finish();
        }
        return file;
    }

    @ParameterizedTest
    @MethodSource("pairs")
    void soundIsWovenInAndReadBack(Container container, SoundCodec codec) throws IOException {
        int channels = codec == SoundCodec.AC3 ? 6 : 2;
        Settings usual = Settings.of(picture(container), container);
        Settings settings = new Settings(usual.codec(), container, usual.control(), false, usual.framing(), codec, usual.tracks(), null, 0,
                usual.effort(), null, null);
        EncoderSpec spec = EncoderSpec.of(settings, SIZE, PixelAspect.SQUARE, Rate.FPS_25, 2);
        long samples = Rate.FPS_25.seconds(FRAMES).times(SoundCodec.RATE).round();
        ReelSound sound = new ReelSound(channels, "stereo", samples,
                List.of(new ReelSound.Piece(wav("a.wav", channels, 44_100, 2).toString(), 0, 0, samples)));
        Path mix = folder.resolve("mix.f32");
        SoundMix.write(sound, mix);
        assertThat(Files.size(mix)).isEqualTo(samples * channels * 4);
        Path joined = folder.resolve("joined." + container.extension());
        Joining.join(List.of(new Joining.Part(part(spec), spec.codec().partContainer(), 0, FRAMES)), joined, container,
                container.mayHaveIndexInFront(), Rate.FPS_25,
                PixelAspect.SQUARE, new WovenSound(mix, channels, true, codec, samples));
        Expectation asked = Expectation.of(settings, FRAMES, Rate.FPS_25, SIZE, PixelAspect.SQUARE, sound);
        assertThat(Comparison.of(asked, MovieProof.prove(joined, _ -> true).facts()).disagreements()).isEmpty();
        assertThat(SecondReaders.disagreements(asked, joined)).isEmpty();
        double[] loud = loud(joined);
        assertThat(loud[0]).as("seconds until the tone").isCloseTo(.5, within(.002));
        assertThat(loud[1]).as("seconds until its end").isCloseTo(samples / 48_000.0, within(.002));
    }

    /** Every channel has a level of its own, by which it is known again. */
    @ParameterizedTest
    @CsvSource({"MXF, mono, 1 + 1 + 1 + 1", "MOV, mono, 1 + 1 + 1 + 1", "MKV, mono, 1 + 1 + 1 + 1", "MXF, 2 1 | 4 | - , 2 + 1 + 1",
        "MOV, 3 | 1 2, 1 + 2"})
    void channelsGoIntoTheTracksThatWereWanted(Container container, String tracks, String channels) throws IOException {
        SoundTracks wanted = SoundTracks.parse(tracks);
        Settings settings = Settings.of(picture(container), container).withTracks(wanted);
        EncoderSpec spec = EncoderSpec.of(settings, SIZE, PixelAspect.SQUARE, Rate.FPS_25, 2);
        long samples = Rate.FPS_25.seconds(FRAMES).times(SoundCodec.RATE).round();
        Path mix = folder.resolve("mix.f32");
        ByteBuffer levels = ByteBuffer.allocate(Math.toIntExact(samples) * 16).order(ByteOrder.LITTLE_ENDIAN);
        while (levels.hasRemaining()) {
            levels.putFloat(.1f).putFloat(.2f).putFloat(.3f).putFloat(.4f);
        }
        Files.write(mix, levels.array());
        ReelSound sound = new ReelSound(4, "4 discrete", samples, List.of());
        Expectation asked = Expectation.of(settings, FRAMES, Rate.FPS_25, SIZE, PixelAspect.SQUARE, sound);
        assertThat(asked.channels()).isEqualTo(channels);
        Path joined = folder.resolve("joined." + container.extension());
        List<String> packed = Joining.join(List.of(new Joining.Part(part(spec), spec.codec().partContainer(), 0, FRAMES)),
                new Joining.Target(joined, container, false, Rate.FPS_25, PixelAspect.SQUARE, null),
                new WovenSound(mix, 4, false, settings.sound(), samples, asked.shared()));
        MovieProof.Result found = MovieProof.prove(joined, asked, _ -> true);
        assertThat(Comparison.of(asked, found.facts()).disagreements()).filteredOn(l -> !l.name().equals("timecode")).isEmpty();
        assertThat(found.packed()).as("packet for packet").isEqualTo(packed).hasSize(wanted.of(4).size());
        assertThat(SecondReaders.disagreements(asked, joined)).isEmpty();
        Expectation other = Expectation.of(settings.withTracks(SoundTracks.parse("4 3 2 1")), FRAMES, Rate.FPS_25, SIZE, PixelAspect.SQUARE,
                sound);
        assertThat(Comparison.of(other, found.facts()).disagreements()).extracting(Comparison.Line::name).contains("sound tracks");
        assertThat(SecondReaders.disagreements(other, joined)).isNotEmpty();
        try (SoundReader reader = new SoundReader(joined)) {
            List<Double> highest = wanted.of(4).stream()
                    .map(t -> t.from().stream().mapToInt(Integer::intValue).max().orElseThrow() / 10.0).toList();
            assertThat(reader.measure()).extracting(t -> t.silent() ? 0 : Math.round(Math.pow(10, t.peak() / 20) * 1000) / 1000.0)
                    .isEqualTo(highest);
        }
    }

    /** When the first and the last sample that is anything but quiet are heard, in seconds. */
    private double[] loud(Path file) throws IOException {
        Path copy = folder.resolve("copy.pcm");
        ListeningCopy.write(file, copy);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(copy)).order(ByteOrder.LITTLE_ENDIAN);
        int[] heard = IntStream.range(0, samples.capacity() / 4).filter(i -> Math.abs(samples.getShort(i * 4)) > 3000).toArray();
        assertThat(heard).as("something is heard").isNotEmpty();
        return new double[] {heard[0] / 48_000.0, heard[heard.length - 1] / 48_000.0};
    }

    @Test
    void piecesStandAtTheirPlacesWithSilenceBetween() throws IOException {
        String a = wav("a.wav", 1, 48_000, 1).toString();
        Path mix = folder.resolve("mix.f32");
        SoundMix.write(new ReelSound(1, "mono", 100_000,
                List.of(new ReelSound.Piece(a, 24_000, 10_000, 5_000), new ReelSound.Piece(a, 40_000, 50_000, 20_000))), mix);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(mix)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(samples.capacity() / 4).isEqualTo(100_000);
        assertThat(highest(samples, 0, 10_000)).isZero();
        assertThat(highest(samples, 10_000, 15_000)).isCloseTo(12_000 / 32_768f, within(.01f));
        assertThat(highest(samples, 15_000, 50_000)).isZero();
        assertThat(highest(samples, 50_000, 58_000)).isCloseTo(12_000 / 32_768f, within(.01f));
        assertThat(highest(samples, 58_001, 100_000)).as("the file ended before the piece").isZero();
    }

    @Test
    void whatSoundsAtOnceIsAddedWithItsGainFadesAndChannels() throws IOException {
        String a = wav("a.wav", 2, 48_000, 1).toString();
        Path mix = folder.resolve("mix.f32");
        ReelSound.Shaping half = new ReelSound.Shaping(-6.0206, 0, Fade.Shape.LINEAR, 0, Fade.Shape.LINEAR, Channels.SWAPPED);
        ReelSound.Shaping in = new ReelSound.Shaping(0, 10_000, Fade.Shape.LINEAR, 0, Fade.Shape.LINEAR, Channels.ALL);
        SoundMix.write(new ReelSound(2, "stereo", 60_000,
                List.of(new ReelSound.Piece(a, 24_000, 0, 20_000), new ReelSound.Piece(a, 24_000, 0, 20_000, half),
                        new ReelSound.Piece(a, 24_000, 40_000, 20_000, in))),
                mix);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(mix)).order(ByteOrder.LITTLE_ENDIAN);
        float whole = 12_000 / 32_768f;
        assertThat(highest(samples, 0, 40_000)).as("one and a half").isCloseTo(1.5f * whole, within(.02f));
        assertThat(highest(samples, 40_000, 80_000)).isZero();
        assertThat(highest(samples, 80_000, 82_000)).as("a tenth of the way in").isLessThan(.11f * whole);
        assertThat(highest(samples, 100_000, 120_000)).isCloseTo(whole, within(.01f));
        Path copy = folder.resolve("mix.pcm");
        ListeningCopy.write(new ReelSound(1, "mono", 48_000, List.of(new ReelSound.Piece(a, 0, 0, 48_000))), copy);
        assertThat(Files.size(copy)).as("two channels of 16 bits").isEqualTo(48_000 * 4);
    }

    /** A map takes the file's own channels, whatever their number: here the second of two into the third of four. */
    @Test
    void channelsGoWhereTheirMapSays() throws IOException {
        Path wav = folder.resolve("pair.wav");
        ByteBuffer pair = ByteBuffer.allocate(48_000 * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < 48_000; i++) {
            pair.putShort((short) 3000).putShort((short) 9000);
        }
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(pair.array()), new AudioFormat(48_000, 16, 2, true, false), 48_000),
                AudioFileFormat.Type.WAVE, wav.toFile());
        ReelSound.Shaping mapped = new ReelSound.Shaping(0, 0, Fade.Shape.LINEAR, 0, Fade.Shape.LINEAR, Channels.ALL,
                ChannelMap.parse("1 - 2 7"));
        Path mix = folder.resolve("four.f32");
        SoundMix.write(new ReelSound(4, "4 discrete", 1000, List.of(new ReelSound.Piece(wav.toString(), 10_000, 0, 1000, mapped))), mix);
        ByteBuffer four = ByteBuffer.wrap(Files.readAllBytes(mix)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(four.capacity()).isEqualTo(16_000);
        assertThat(four.getFloat(0)).isCloseTo(3000 / 32_768f, within(.0005f));
        assertThat(four.getFloat(4)).isZero();
        assertThat(four.getFloat(8)).isCloseTo(9000 / 32_768f, within(.0005f));
        assertThat(four.getFloat(12)).as("the file has no seventh channel").isZero();
    }

    /** What goes with bars: a sine of 1 kHz whose peak is the level, untouched by any gain. */
    @Test
    void aToneIsAsLoudAsItSaysWhateverTheGain() throws IOException {
        Path mix = folder.resolve("tone.f32");
        SoundMix.write(new ReelSound(2, "stereo", 48_000, List.of(), List.of(new ReelSound.Tone(4_800, 24_000, -18))), 12, mix);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(mix)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(highest(samples, 0, 2 * 4_800)).isZero();
        assertThat(highest(samples, 2 * 4_800, 2 * 28_800)).isCloseTo((float) Math.pow(10, -.9), within(.0001f));
        assertThat(highest(samples, 2 * 28_800, 2 * 48_000)).isZero();
        int crossings = 0;
        for (int i = 4_801; i < 28_800; i++) {
            crossings += samples.getFloat(8 * (i - 1)) < 0 && samples.getFloat(8 * i) >= 0 ? 1 : 0;
        }
        assertThat(crossings).as("periods in half a second").isBetween(499, 500);
    }

    /** The tone begins half a second into the file: with the 0.1 % speed 24 samples later, to within one. */
    @Test
    void soundGoesAlongWithTheTenthOfAPercent() throws IOException {
        String a = wav("a.wav", 1, 48_000, 1).toString();
        Path plain = folder.resolve("plain.f32");
        Path slower = folder.resolve("slower.f32");
        SoundMix.write(new ReelSound(1, "mono", 48_000, List.of(new ReelSound.Piece(a, 0, 0, 48_000))), plain);
        SoundMix.write(new ReelSound(1, "mono", 48_048, List.of(new ReelSound.Piece(a, 0, 0, 48_048, null, Rational.of(1001, 1000)))),
                slower);
        assertThat(firstLoud(slower) - firstLoud(plain)).isBetween(23, 26);
        assertThat(highest(ByteBuffer.wrap(Files.readAllBytes(slower)).order(ByteOrder.LITTLE_ENDIAN), 47_900, 48_040))
                .as("it lasts to the end").isGreaterThan(.2f);
    }

    private static int firstLoud(Path mix) throws IOException {
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(mix)).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < samples.capacity() / 4; i++) {
            if (Math.abs(samples.getFloat(i * 4)) > .05) {
                return i;
            }
        }
        throw new AssertionError("nothing is heard");
    }

    private static float highest(ByteBuffer samples, int from, int to) {
        float highest = 0;
        for (int i = from; i < to; i++) {
            highest = Math.max(highest, Math.abs(samples.getFloat(i * 4)));
        }
        return highest;
    }
}
