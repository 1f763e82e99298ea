package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.Random;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Every kind and depth of still that Vat reads, whole and broken in many places. */
@Tag("zoo")
class FormatZooTest {

    private static final int WIDTH = 42;
    private static final int HEIGHT = 30;
    /** All 200 with {@code -Ptorture}. */
    private static final int CUTS = Integer.getInteger("vat.cuts", 60);
    /** Over 500 files of each run of this class, in all kinds. */
    private static final int DAMAGES = Math.max(12, CUTS / 5);

    private final FrameReader reader = new FrameReader();

    @TempDir
    private Path folder;

    @AfterEach
    void close() {
        reader.close();
    }

    private static Samples picture(boolean alpha) {
        Samples s = TestPictures.ramp(WIDTH, HEIGHT, 0, alpha);
        // One half is flat, so that packing by runs has something to pack.
        for (int i = 0; i < WIDTH * HEIGHT; i++) {
            if (i % WIDTH < WIDTH / 2) {
                s.red()[i] = .6f;
                s.green()[i] = .4f;
                s.blue()[i] = .3f;
                if (alpha) {
                    s.alpha()[i] = .5f;
                }
            }
        }
        return s;
    }

    private static Arguments row(FileKind kind, String what, int bits, boolean floating, AlphaKind alpha, boolean plain,
            Supplier<byte[]> file) {
        return Arguments.of(kind.title() + " " + what, kind, floating ? Depth.floating(bits) : Depth.integer(bits), alpha, plain, file);
    }

    private static byte[] av1(String format, boolean alpha) {
        return Encoded.file(picture(alpha), "libaom-av1", format, "cpu-used=8", "crf=20", "still-picture=1");
    }

    private static Arguments lib(FileKind kind, String encoder, String format, int bits, boolean floating, AlphaKind alpha, boolean plain,
            String... settings) {
        boolean seeThrough = alpha != AlphaKind.NONE;
        return row(kind, format + " " + String.join(" ", settings), bits, floating, alpha, plain,
                () -> Encoded.file(picture(seeThrough), encoder, format, settings));
    }

    /** Whether the samples lie there as they are, without any packing, tells whether zeros at the end can be noticed. */
    static Stream<Arguments> zoo() {
        AlphaKind none = AlphaKind.NONE;
        AlphaKind straight = AlphaKind.STRAIGHT;
        return Stream.of(
                lib(FileKind.PNG, "png", "rgb24", 8, false, none, false),
                lib(FileKind.PNG, "png", "rgba", 8, false, straight, false),
                lib(FileKind.PNG, "png", "gray", 8, false, none, false),
                lib(FileKind.PNG, "png", "ya8", 8, false, straight, false),
                lib(FileKind.PNG, "png", "rgb48be", 16, false, none, false),
                lib(FileKind.PNG, "png", "rgba64be", 16, false, straight, false),
                lib(FileKind.PNG, "png", "gray16be", 16, false, none, false),
                lib(FileKind.PNG, "png", "ya16be", 16, false, straight, false),
                lib(FileKind.PNG, "png", "monob", 8, false, none, false),
                lib(FileKind.TIFF, "tiff", "rgb24", 8, false, none, false, "compression_algo=raw"),
                lib(FileKind.TIFF, "tiff", "rgb24", 8, false, none, false, "compression_algo=lzw"),
                lib(FileKind.TIFF, "tiff", "rgb24", 8, false, none, false, "compression_algo=deflate"),
                lib(FileKind.TIFF, "tiff", "rgb48le", 16, false, none, false, "compression_algo=packbits"),
                lib(FileKind.TIFF, "tiff", "rgba64le", 16, false, straight, false, "compression_algo=raw"),
                lib(FileKind.TIFF, "tiff", "rgba", 8, false, straight, false, "compression_algo=deflate"),
                lib(FileKind.TIFF, "tiff", "gray16le", 16, false, none, false, "compression_algo=lzw"),
                row(FileKind.TIFF, "32-bit float, by hand", 32, true, none, false, () -> HandMadeTiff.rgb(picture(false))),
                lib(FileKind.TGA, "targa", "bgr24", 8, false, none, false),
                lib(FileKind.TGA, "targa", "bgra", 8, false, straight, false),
                lib(FileKind.TGA, "targa", "bgr24", 8, false, none, true, "rle=0"),
                lib(FileKind.TGA, "targa", "gray", 8, false, none, false),
                lib(FileKind.BMP, "bmp", "bgr24", 8, false, none, true),
                lib(FileKind.BMP, "bmp", "rgb555le", 8, false, none, true),
                lib(FileKind.BMP, "bmp", "gray", 8, false, none, true),
                lib(FileKind.DPX, "dpx", "rgb24", 8, false, none, true),
                lib(FileKind.DPX, "dpx", "rgba", 8, false, straight, true),
                lib(FileKind.DPX, "dpx", "gbrp10le", 10, false, none, true),
                lib(FileKind.DPX, "dpx", "gbrp12le", 12, false, none, true),
                lib(FileKind.DPX, "dpx", "rgb48be", 16, false, none, true),
                lib(FileKind.DPX, "dpx", "rgba64be", 16, false, straight, true),
                row(FileKind.CINEON, "10 bits, by hand", 10, false, none, true, () -> HandMadeCineon.rgb(picture(false))),
                lib(FileKind.EXR, "exr", "gbrpf32le", 32, true, none, false, "compression=none", "format=float"),
                lib(FileKind.EXR, "exr", "gbrpf32le", 16, true, none, false, "compression=rle", "format=half"),
                lib(FileKind.EXR, "exr", "gbrpf32le", 16, true, none, false, "compression=zip1", "format=half"),
                lib(FileKind.EXR, "exr", "gbrpf32le", 32, true, none, false, "compression=zip16", "format=float"),
                lib(FileKind.EXR, "exr", "gbrapf32le", 16, true, AlphaKind.PREMULTIPLIED, false, "compression=zip16", "format=half"),
                lib(FileKind.EXR, "exr", "grayf32le", 32, true, none, false, "compression=zip16", "format=float"),
                row(FileKind.EXR, "half, our own", 16, true, none, false, () -> TestPictures.exr(picture(false), "")),
                lib(FileKind.JPEG, "mjpeg", "yuvj420p", 8, false, none, false),
                lib(FileKind.JPEG, "mjpeg", "yuvj422p", 8, false, none, false),
                lib(FileKind.JPEG, "mjpeg", "yuvj444p", 8, false, none, false),
                lib(FileKind.PPM, "ppm", "rgb24", 8, false, none, true),
                lib(FileKind.PPM, "ppm", "rgb48be", 16, false, none, true),
                lib(FileKind.PPM, "pgm", "gray", 8, false, none, true),
                lib(FileKind.PPM, "pam", "rgba", 8, false, straight, true),
                lib(FileKind.PFM, "pfm", "gbrpf32le", 32, true, none, true),
                lib(FileKind.HDR, "hdr", "gbrpf32le", 32, true, none, false),
                lib(FileKind.SGI, "sgi", "rgb24", 8, false, none, false, "rle=1"),
                lib(FileKind.SGI, "sgi", "rgba64be", 16, false, straight, true, "rle=0"),
                lib(FileKind.JP2, "jpeg2000", "rgb24", 8, false, none, false, "format=jp2"),
                lib(FileKind.JP2, "jpeg2000", "gray16le", 16, false, none, false, "format=j2k"),
                row(FileKind.AVIF, "yuv420p", 8, false, none, false, () -> HandMadeAvif.single(av1("yuv420p", false), WIDTH, HEIGHT, 8)),
                row(FileKind.AVIF, "yuv444p10le", 10, false, none, false,
                        () -> HandMadeAvif.single(av1("yuv444p10le", false), WIDTH, HEIGHT, 10)),
                row(FileKind.AVIF, "yuv420p and alpha", 8, false, straight, false,
                        () -> HandMadeAvif.withAlpha(av1("yuv420p", false), av1("gray", false), WIDTH, HEIGHT)),
                lib(FileKind.WEBP, "libwebp", "yuv420p", 8, false, none, false, "quality=80"),
                lib(FileKind.WEBP, "libwebp", "bgra", 8, false, straight, false, "lossless=1"));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void wholeFilesAreReadAsWhatTheyAre(String what, FileKind kind, Depth depth, AlphaKind alpha, boolean plain, Supplier<byte[]> file)
            throws IOException {
        FrameCheck check = check(kind, file.get());
        assertThat(check.state()).as(check.why()).isEqualTo(FrameState.GOOD);
        assertThat(check.format().size()).hasToString(WIDTH + "x" + HEIGHT);
        assertThat(check.format().depth()).isEqualTo(depth);
        assertThat(check.format().alpha()).isEqualTo(alpha);
        assertThat(check.look().brightness()).isBetween(.05f, .8f);
        assertThat(FileKind.ofContent(file.get())).isEqualTo(kind == FileKind.TGA ? Optional.empty() : Optional.of(kind));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void noCutOfThePictureEverPasses(String what, FileKind kind, Depth depth, AlphaKind alpha, boolean plain, Supplier<byte[]> file)
            throws IOException {
        byte[] whole = file.get();
        int pixels = check(kind, whole).look().pixels();
        Random random = new Random(what.hashCode());
        for (int i = 0; i < CUTS; i++) {
            int length = 1 + random.nextInt(whole.length - 1);
            FrameCheck cut = check(kind, Arrays.copyOf(whole, length));
            if (cut.state() == FrameState.GOOD) {
                assertThat(cut.look().pixels()).as("cut at %d of %d passes, so nothing of the picture may be lost", length, whole.length)
                        .isEqualTo(pixels);
            } else {
                assertThat(cut.why()).as("cut at %d", length).isNotBlank();
            }
        }
    }

    /** Turned bits and stretches of other bytes: an answer in words for each, and never another picture where there are checksums. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void noDamageHangsOrBreaksTheReader(String what, FileKind kind, Depth depth, AlphaKind alpha, boolean plain, Supplier<byte[]> file)
            throws IOException {
        byte[] whole = file.get();
        int pixels = check(kind, whole).look().pixels();
        Random random = new Random(7L * what.hashCode());
        for (int i = 0; i < DAMAGES; i++) {
            byte[] damaged = whole.clone();
            int at = random.nextInt(i % 3 == 0 ? Math.min(64, whole.length) : whole.length);
            for (int k = at; k < Math.min(whole.length, at + 1 + i % 5 * 4); k++) {
                damaged[k] ^= (byte) (i % 2 == 0 ? 1 << random.nextInt(8) : 1 + random.nextInt(255));
            }
            FrameCheck check = check(kind, damaged);
            if (check.state() != FrameState.GOOD) {
                assertThat(check.why()).as("damaged at %d", at).isNotBlank();
            } else if (kind.hasChecksum()) {
                assertThat(check.look().pixels()).as("damaged at %d and good", at).isEqualTo(pixels);
            }
        }
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("zoo")
    void zerosInPlaceOfTheEndAreNoticedWhereverSamplesArePacked(String what, FileKind kind, Depth depth, AlphaKind alpha, boolean plain,
            Supplier<byte[]> file) throws IOException {
        byte[] whole = file.get();
        int pixels = check(kind, whole).look().pixels();
        Random random = new Random(what.hashCode());
        int unnoticed = 0;
        for (int i = 0; i < CUTS; i++) {
            int from = whole.length / 8 + random.nextInt(whole.length * 3 / 4);
            byte[] zeroed = whole.clone();
            Arrays.fill(zeroed, from, zeroed.length, (byte) 0);
            FrameCheck check = check(kind, zeroed);
            boolean lost = check.state() == FrameState.GOOD && check.look().pixels() != pixels;
            unnoticed += lost ? 1 : 0;
        }
        if (plain) {
            assertThat(unnoticed).as("plain samples can't tell black from unwritten: that is stated").isPositive();
        } else {
            assertThat(unnoticed).isZero();
        }
    }

    private FrameCheck check(FileKind kind, byte[] data) throws IOException {
        return reader.check(Files.write(folder.resolve("file"), data), kind, PictureChoice.MAIN, 1);
    }
}
