package dev.vat.media.read;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.Encoded;
import dev.vat.media.HandMadeAvif;
import dev.vat.media.TestPictures;
import dev.vat.media.compose.Composer;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a HEIF file says of its pictures: grids of tiles, turns and mirrors, what isn't read. */
class HeifTest {

    private static final int WIDTH = 96;
    private static final int HEIGHT = 64;
    private static byte[] coded;

    private final FrameReader reader = new FrameReader();

    @TempDir
    private Path folder;

    @BeforeAll
    static void code() {
        Samples samples = TestPictures.flat(WIDTH, HEIGHT, 0, 0, 0, 1);
        for (int i = 0; i < WIDTH * HEIGHT; i++) {
            float value = (i % WIDTH < WIDTH / 2 ? 0 : 1 / 3f) + (i < WIDTH * HEIGHT / 2 ? 0 : 2 / 3f);
            samples.red()[i] = value;
            samples.green()[i] = value;
            samples.blue()[i] = value;
        }
        coded = Encoded.file(samples, "libaom-av1", "yuv420p", "cpu-used=8", "crf=10", "still-picture=1");
    }

    @AfterEach
    void close() {
        reader.close();
    }

    /** Brightness of the four quarters, from the upper left by lines. */
    private String quarters(byte[] file, int width, int height) throws IOException {
        Path path = Files.write(folder.resolve("f.avif"), file);
        FrameRead read = reader.read(path, FileKind.AVIF, PictureChoice.MAIN, 0);
        assertThat(read).as(read.toString()).isInstanceOf(FrameRead.Sound.class);
        FrameRead.Sound sound = (FrameRead.Sound) read;
        assertThat(sound.format().size()).isEqualTo(Size.of(width, height));
        try (Picture picture = sound.picture();
                Composer composer = new Composer(WorkingFormat.W8, false);
                Picture working = composer.compose(picture, PictureReading.of(AlphaKind.NONE, false))) {
            StringBuilder marks = new StringBuilder();
            for (int y : new int[] {height / 4, height * 3 / 4}) {
                for (int x : new int[] {width / 4, width * 3 / 4}) {
                    int green = working.plane(0).get(ValueLayout.JAVA_BYTE, (long) y * working.stride(0) + x) & 0xff;
                    marks.append(green < 40 ? '0' : green < 110 ? '1' : green < 190 ? '2' : '3');
                }
            }
            return marks.toString();
        }
    }

    /** Quarters are 0 to 3 as stored. */
    @ParameterizedTest
    @CsvSource({"0,-1,0123", "1,-1,1302", "2,-1,3210", "3,-1,2031", "0,0,2301", "0,1,1032", "1,0,0213", "1,1,3120", "3,1,0213"})
    void turnsComeBeforeMirrorsThatStandAfterThem(int quarters, int mirror, String expected) throws IOException {
        boolean across = quarters % 2 == 1;
        byte[] turned = HandMadeAvif.turned(quarters);
        byte[] file = mirror < 0 ? HandMadeAvif.single(coded, WIDTH, HEIGHT, 8, turned)
                : HandMadeAvif.single(coded, WIDTH, HEIGHT, 8, turned, HandMadeAvif.mirrored(mirror));
        assertThat(quarters(file, across ? HEIGHT : WIDTH, across ? WIDTH : HEIGHT)).isEqualTo(expected);
    }

    @Test
    void tilesLieBesideEachOtherAndTheLastOnesAreCut() throws IOException {
        byte[] grid = HandMadeAvif.grid(coded, WIDTH, HEIGHT, 2, 1, WIDTH * 3 / 2, HEIGHT);
        assertThat(quarters(grid, WIDTH * 3 / 2, HEIGHT)).as("three quarters of the width: the first, then the second tile's first")
                .isEqualTo(
                        "0022");
    }

    @Test
    void aMovieOfTheKindIsCalledOne() throws IOException {
        byte[] whole = HandMadeAvif.single(coded, WIDTH, HEIGHT, 8);
        byte[] movie = ByteBuffer.allocate(whole.length + 8).put(whole).putInt(8).put("moov".getBytes(StandardCharsets.US_ASCII)).array();
        FrameCheck check = reader.check(Files.write(folder.resolve("m.avif"), movie), FileKind.AVIF, PictureChoice.MAIN, 1);
        assertThat(check.state()).isEqualTo(FrameState.UNREADABLE);
        assertThat(check.why()).isEqualTo("it is a movie, not a single picture: name it .mp4");
    }

    @Test
    void whatIsCodedOtherwiseIsNamed() throws IOException {
        byte[] whole = HandMadeAvif.single(coded, WIDTH, HEIGHT, 8);
        String text = new String(whole, StandardCharsets.ISO_8859_1).replace("av01", "j2k1");
        FrameCheck check = reader.check(Files.write(folder.resolve("m.avif"), text.getBytes(StandardCharsets.ISO_8859_1)), FileKind.AVIF,
                PictureChoice.MAIN, 1);
        assertThat(check.why()).isEqualTo("AVIF with pictures of the kind j2k1, which Vat doesn't read");
    }
}
