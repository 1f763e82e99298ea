package dev.vat.media.decode;

import static org.assertj.core.api.Assertions.assertThat;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_DISPLAYMATRIX;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_FRAME_CROPPING;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldOrder;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Standing;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.read.ClipProbe;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Movies as other programs write them: each frame has to be the one that is shown at its time. */
class ForeignMoviesTest {

    private static final String LONG_GROUPS = "keyint=24:min-keyint=24:bframes=3:scenecut=0";

    @TempDir
    Path folder;

    private static List<Long> shown(Path file, long... places) {
        List<Long> shown = new ArrayList<>();
        try (MovieFrames frames = new MovieFrames(file)) {
            for (long place : places) {
                try (Picture picture = frames.frame(place)) {
                    shown.add(OddMovie.shown(picture));
                }
            }
        }
        return shown;
    }

    private static long[] all(int count) {
        return LongStream.range(0, count).toArray();
    }

    @ParameterizedTest(name = "{0}, {1}, {2}")
    @CsvSource(delimiter = '|', value = {
        "a.mp4 | x264-params=" + LONG_GROUPS + " | ",
        "open.mp4 | x264-params=" + LONG_GROUPS + ":open-gop=1 | ",
        "open.mkv | x264-params=" + LONG_GROUPS + ":open-gop=1 | ",
        "open.ts | x264-params=" + LONG_GROUPS + ":open-gop=1 | ",
        "fragmented.mp4 | x264-params=" + LONG_GROUPS + " | movflags=frag_keyframe+empty_moov",
        "unlisted.mov | x264-params=" + LONG_GROUPS + " | use_editlist=0",
    })
    void everyFrameIsFoundInAnyOrder(String name, String how, String boxed) {
        Path file = OddMovie.even(90, options(how), options(boxed)).write(folder.resolve(name));
        ClipFacts facts = ClipProbe.probe(file);
        assertThat(facts.frames()).isEqualTo(90);
        assertThat(facts.rate()).isEqualTo(Rate.FPS_25);
        assertThat(facts.uneven()).isNull();
        assertThat(shown(file, all(90))).containsExactlyElementsOf(LongStream.range(0, 90).boxed().toList());
        long[] order = {50, 23, 24, 22, 71, 70, 0, 89, 47, 48, 46, 45, 2, 1};
        assertThat(shown(file, order)).containsExactlyElementsOf(LongStream.of(order).boxed().toList());
    }

    /** A box that claims more than its file holds, in either way to say a length, is followed by nothing. */
    @ParameterizedTest
    @ValueSource(longs = {200 << 20, Long.MAX_VALUE - 4})
    void anIndexThatClaimsMoreThanThereIsSaysNothing(long length) throws IOException {
        ByteBuffer lying = ByteBuffer.allocate(64).putInt(16).put("ftypisom".getBytes(StandardCharsets.US_ASCII)).putInt(0).putInt(1)
                .put("moov".getBytes(StandardCharsets.US_ASCII)).putLong(length);
        assertThat(EditList.dwells(Files.write(folder.resolve("lying.mp4"), lying.array()))).isEmpty();
        lying.put(20, "free".getBytes(StandardCharsets.US_ASCII));
        assertThat(EditList.dwells(Files.write(folder.resolve("skipped.mp4"), lying.array()))).isEmpty();
    }

    /** The one edit of the picture track is made one that dwells. */
    @Test
    void anEditThatDwellsIsSaid() throws IOException {
        Path file = OddMovie.even(30, options("x264-params=bframes=0"), options("use_editlist=1")).write(folder.resolve("dwell.mp4"));
        byte[] data = Files.readAllBytes(file);
        int list = new String(data, StandardCharsets.ISO_8859_1).indexOf("elst");
        assertThat(list).isPositive();
        ByteBuffer.wrap(data).putInt(list + 4 + 4 + 4 + 8, 0);
        Path dwelling = Files.write(folder.resolve("dwelling.mp4"), data);
        try (MovieFrames plain = new MovieFrames(file); MovieFrames frames = new MovieFrames(dwelling)) {
            assertThat(plain.note()).isNull();
            assertThat(frames.note()).isEqualTo("an edit in the file holds a picture still for 1.2 s, which Vat plays on");
        }
    }

    /** Of groups of 24 the second is damaged: every frame outside of it is right, in order and at random. */
    @Test
    void damageStaysInItsGroup() throws IOException {
        Path file = OddMovie.even(90, options("x264-params=" + LONG_GROUPS), Map.of()).write(folder.resolve("whole.mkv"));
        byte[] data = Files.readAllBytes(file);
        long[] packet = new long[2];
        try (Demuxer demuxer = new Demuxer(file)) {
            // The thirty-first packet, whole but for its head.
            for (int i = 0; i <= 30; i++) {
                demuxer.next(p -> {
                    packet[0] = p.pos();
                    packet[1] = p.size();
                });
            }
        }
        Arrays.fill(data, (int) packet[0] + 12, (int) (packet[0] + packet[1]), (byte) 0xff);
        Path damaged = Files.write(folder.resolve("damaged.mkv"), data);
        List<Long> wrong = new ArrayList<>();
        try (MovieFrames frames = new MovieFrames(damaged)) {
            for (long place : LongStream.concat(LongStream.range(0, 90), LongStream.of(60, 12, 89, 50, 5, 48)).toArray()) {
                try (Picture picture = frames.frame(place)) {
                    if (OddMovie.shown(picture) != place) {
                        wrong.add(place);
                    }
                } catch (MediaException _) {
                    wrong.add(place);
                }
            }
        }
        assertThat(wrong).as("not had, or another").isNotEmpty().allMatch(f -> f >= 24 && f < 48);
    }

    private static Map<String, String> options(String text) {
        return text == null || text.isBlank() ? Map.of()
                : Map.of(text.substring(0, text.indexOf('=')), text.substring(text.indexOf('=') + 1));
    }

    /** 30 a second, nothing for a second after the tenth, then 30 a second again; in milliseconds as a browser writes them. */
    private static long[] withPause() {
        return LongStream.range(0, 20).map(i -> Math.round(i * 1000 / 30.0) + (i < 10 ? 0 : 1000)).toArray();
    }

    @ParameterizedTest
    @ValueSource(strings = {"a.mkv", "a.mp4"})
    void ofVariableRateEachStandsAtItsOwnTime(String name) {
        Path file = new OddMovie("libx264", Map.of("x264-params", "bframes=0"), Map.of(), Rational.of(1, 1000), withPause(), Map.of(), -1)
                .write(folder.resolve(name));
        ClipFacts facts = ClipProbe.probe(file);
        assertThat(facts.rate()).isEqualTo(Rate.of(30));
        assertThat(facts.frames()).isEqualTo(50);
        assertThat(facts.uneven().places()).isEqualTo(1);
        assertThat(shown(file, 0, 9, 10, 20, 38, 39, 40, 49, 5)).containsExactly(0L, 9L, 9L, 9L, 9L, 9L, 10L, 19L, 5L);
    }

    /** Eight rows above and six columns at the left are left out: the bright corner is gone but for two columns. */
    @ParameterizedTest
    @ValueSource(strings = {"cropped.mkv", "cropped.mp4"})
    void croppedEdgesAreLeftOut(String name) {
        OddMovie movie = OddMovie.even(3, Map.of(), Map.of());
        Path file = new OddMovie(movie.encoder(), movie.options(), movie.container(), movie.tick(), movie.times(),
                Map.of(AV_PKT_DATA_FRAME_CROPPING, new int[] {4, 2, 6, 0}), -1).write(folder.resolve(name));
        try (MovieFrames frames = new MovieFrames(file); Picture picture = frames.frame(1)) {
            assertThat(frames.format().size()).isEqualTo(Size.of(58, 42));
            assertThat(Size.of(picture.width(), picture.height())).isEqualTo(Size.of(58, 42));
            assertThat(frames.note()).isEqualTo("the file leaves out its edges (4 above, 2 below, 6 left, 0 right)");
            int corner = picture.plane(0).get(ValueLayout.JAVA_BYTE, 3L * picture.stride(0) + 1) & 0xff;
            assertThat(corner).as("the last row and column of the bright corner").isGreaterThan(150);
            assertThat(picture.plane(0).get(ValueLayout.JAVA_BYTE, 8L * picture.stride(0) + 6) & 0xff).isLessThan(60);
        }
    }

    @ParameterizedTest
    @CsvSource({"tff=1, TOP", "bff=1, BOTTOM", "bframes=0, "})
    void interlacedMoviesAreKnown(String how, FieldOrder first) {
        Map<String, String> options = first == null ? Map.of("x264-params", how) : Map.of("x264-params", how, "flags", "+ildct+ilme");
        Path file = OddMovie.even(10, options, Map.of()).write(folder.resolve("fields.mkv"));
        assertThat(ClipProbe.probe(file).fields()).isEqualTo(first);
    }

    /** A stroke that moves from field to field: kept, it stands at two places; of one moment it stands at one. */
    @Test
    void aDeinterlacedFrameShowsOneMoment() {
        OddMovie movie = OddMovie.even(8, Map.of("x264-params", "tff=1:qp=1", "flags", "+ildct+ilme"), Map.of());
        Path file = movie.withStroke().write(folder.resolve("stroke.mkv"));
        PictureReading one = new PictureReading(AlphaKind.NONE, null, ColourReading.DISPLAY, FieldReading.DEINTERLACED, null);
        try (FrameReader reader = new FrameReader()) {
            for (int frame : new int[] {3, 4, 2, 0, 7}) {
                try (Picture kept = ((FrameRead.Sound) reader.read(file, FileKind.MOVIE, PictureChoice.MAIN, frame)).picture();
                        Picture single = ((FrameRead.Sound) reader.readAs(one, file, FileKind.MOVIE, frame)).picture()) {
                    assertThat(strokeAt(kept, 20)).as("top field").isEqualTo(8 + 6 * frame);
                    assertThat(strokeAt(kept, 21)).as("bottom field, a moment later").isEqualTo(11 + 6 * frame);
                    assertThat(strokeAt(single, 20)).isEqualTo(8 + 6 * frame);
                    assertThat(strokeAt(single, 21)).as("frame " + frame).isBetween(6 + 6 * frame, 10 + 6 * frame);
                }
            }
        }
    }

    /** Each field a frame: the stroke stands where its field has it, in lines that the field has and in those between. */
    @ParameterizedTest
    @CsvSource({"tff=1, 20, 21", "bff=1, 21, 20"})
    void eachFieldIsAFrameOfItsOwnMoment(String order, int rowOfFirst, int rowOfSecond) {
        OddMovie movie = OddMovie.even(8, Map.of("x264-params", order + ":qp=1", "flags", "+ildct+ilme"), Map.of());
        Path file = movie.withStroke().write(folder.resolve("stroke.mkv"));
        PictureReading each = new PictureReading(AlphaKind.NONE, null, ColourReading.DISPLAY, FieldReading.EACH, null);
        try (FrameReader reader = new FrameReader()) {
            for (int field : new int[] {6, 7, 9, 8, 4, 14, 15}) {
                try (Picture kept = ((FrameRead.Sound) reader.read(file, FileKind.MOVIE, PictureChoice.MAIN, field / 2)).picture();
                        Picture single = ((FrameRead.Sound) reader.readAs(each, file, FileKind.MOVIE, field)).picture()) {
                    int row = field % 2 == 0 ? rowOfFirst : rowOfSecond;
                    assertThat(single.height()).isEqualTo(kept.height());
                    assertThat(strokeAt(single, row)).as("field " + field).isEqualTo(strokeAt(kept, row));
                    assertThat(strokeAt(single, row + 1)).as("between, field " + field)
                            .isBetween(strokeAt(kept, row) - 2, strokeAt(kept, row) + 2);
                }
            }
        }
    }

    /** Where the bright stroke begins in a row. */
    private static int strokeAt(Picture picture, int row) {
        for (int x = 0; x < picture.width(); x++) {
            if ((picture.plane(0).get(ValueLayout.JAVA_BYTE, (long) row * picture.stride(0) + x) & 0xff) > 130) {
                return x;
            }
        }
        return -1;
    }

    @ParameterizedTest
    @CsvSource({"0 65536 -65536 0, 48, 64, 47, 0", "0 -65536 65536 0, 48, 64, 0, 63", "-65536 0 0 -65536, 64, 48, 63, 47",
        "-65536 0 0 65536, 64, 48, 63, 0", "65536 0 0 65536, 64, 48, 0, 0"})
    void aTurnedTrackStandsUpright(String turn, int width, int height, int cornerX, int cornerY) {
        String[] n = turn.split(" ");
        int[] matrix = {Integer.parseInt(n[0]), Integer.parseInt(n[1]), 0, Integer.parseInt(n[2]), Integer.parseInt(n[3]), 0, 0, 0,
            1 << 30};
        OddMovie movie = OddMovie.even(3, Map.of(), Map.of());
        Path file = new OddMovie(movie.encoder(), movie.options(), movie.container(), movie.tick(), movie.times(),
                Map.of(AV_PKT_DATA_DISPLAYMATRIX, matrix), -1).write(folder.resolve("turned.mp4"));
        try (MovieFrames frames = new MovieFrames(file); Picture picture = frames.frame(1)) {
            assertThat(frames.format().size()).isEqualTo(Size.of(width, height));
            assertThat(Size.of(picture.width(), picture.height())).isEqualTo(Size.of(width, height));
            int corner = picture.plane(0).get(ValueLayout.JAVA_BYTE, (long) cornerY * picture.stride(0) + cornerX) & 0xff;
            assertThat(corner).as("the bright corner").isGreaterThan(180);
            assertThat(frames.note() == null).isEqualTo(cornerX == 0 && cornerY == 0);
        }
        try (MovieFrames stored = new MovieFrames(file, Standing.STORED); Picture picture = stored.frame(1)) {
            assertThat(stored.format().size()).isEqualTo(Size.of(64, 48));
            assertThat(picture.plane(0).get(ValueLayout.JAVA_BYTE, 0) & 0xff).as("the bright corner where it is stored").isGreaterThan(180);
        }
    }
}
