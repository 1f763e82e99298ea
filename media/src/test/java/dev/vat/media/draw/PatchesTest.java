package dev.vat.media.draw;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.ColourCoding;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.delivery.Settings;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.media.convert.Conversion;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Flat patches of known colours through conversion, encoder and decoder of every codec, held against the exact formulas of
 * their standards. {@code COLOUR_WRITE=1} writes the worst errors into docs/colour.md.
 */
class PatchesTest {

    private static final float[][] PATCHES = {{0, 0, 0}, {1, 1, 1}, {1, 0, 0}, {0, 1, 0}, {0, 0, 1}, {.5f, .5f, .5f}, {.8f, .3f, .1f},
        {.1f, .35f, .75f}};
    /**
     * Worst error in steps of the codec's own depth that is allowed where it packs with loss, by chroma and depth as measured once and
     * rounded up.
     */
    private static final double ALLOWED_IN_EIGHT_BITS = 2.5;
    private static final Map<String, String> LINES = new TreeMap<>();

    @TempDir
    Path folder;

    static Stream<Codec> codecs() {
        // The library doesn't open animated WebP: its colours are judged by a browser, see OutsideReadersTest.
        return Catalogue.codecs().stream()
                .filter(c -> !c.containers().contains(Container.FRAMES) && !c.containers().contains(Container.WEBP));
    }

    /** Two rows of four. */
    private static Samples patches(Size size) {
        float[][] rgb = new float[3][Math.toIntExact(size.pixels())];
        for (int y = 0; y < size.height(); y++) {
            for (int x = 0; x < size.width(); x++) {
                float[] patch = PATCHES[y * 2 / size.height() * 4 + x * 4 / size.width()];
                for (int c = 0; c < 3; c++) {
                    rgb[c][y * size.width() + x] = patch[c];
                }
            }
        }
        return new Samples(size.width(), size.height(), rgb[0], rgb[1], rgb[2], null);
    }

    @ParameterizedTest
    @MethodSource("codecs")
    void coloursComeBackAsTheirStandardHasThem(Codec codec) throws IOException {
        Size size = codec.limits().sizes().stream().findFirst().orElse(Size.of(256, 128));
        Rate rate = codec.limits().rates().stream().findFirst().orElse(Rate.FPS_25);
        EncoderSpec spec = EncoderSpec.of(Settings.of(codec, codec.containers().iterator().next()), size, PixelAspect.SQUARE, rate, 2);
        Path file = folder.resolve("p." + codec.partContainer().extension());
        try (Conversion conversion = new Conversion(codec, size, Treatment.plain(codec, size));
                PartWriter writer = new PartWriter(file, spec, 0, false);
                Picture working = SamplePictures.of(patches(size))) {
            for (int i = 0; i < 3; i++) {
                try (Picture converted = conversion.convert(working)) {
                    writer.write(converted);
                }
            }
            writer.finish();
        }
        double worst;
        try (MovieFrames frames = new MovieFrames(file); Picture decoded = frames.frame(1);
                Filtering planes = new Filtering(p -> "format=" + planar(p)); Picture plain = planes.apply(decoded)) {
            worst = worst(codec, spec.colour(), plain);
        }
        double allowed = codec.usualControl() instanceof RateControl.Lossless ? 1 : ALLOWED_IN_EIGHT_BITS * (1 << codec.readBits() - 8);
        LINES.put(codec.title(), "| %s | %s | %s | %.2f |".formatted(codec.title(), codec.chroma().label(), codec.depthText(), worst));
        assertThat(worst).as("steps of " + codec.readBits() + " bits").isLessThanOrEqualTo(allowed);
    }

    private static String planar(Picture p) {
        if (p.isRgb()) {
            return "gbrp" + (p.bits() > 8 ? p.bits() + "le" : "");
        }
        return p.formatName().equals("uyvy422") ? "yuv422p" : p.formatName();
    }

    /** In steps of the decoded depth, at the middle of each patch. */
    private static double worst(Codec codec, ColourCoding colour, Picture picture) {
        double worst = 0;
        for (int i = 0; i < PATCHES.length; i++) {
            double[] exact = codec.chroma() == Chroma.RGB ? new double[] {PATCHES[i][1], PATCHES[i][2], PATCHES[i][0]}
                    : yCbCr(inPrimaries(PATCHES[i], colour), colour);
            double full = (1 << picture.bits()) - 1;
            double step = codec.chroma() == Chroma.RGB || colour.isFull() ? full : 1 << picture.bits() - 8;
            for (int p = 0; p < 3; p++) {
                int wide = picture.rowBytes(p) / (picture.bits() > 8 ? 2 : 1);
                int x = wide * (2 * (i % 4) + 1) / 8;
                int y = picture.planeHeight(p) * (2 * (i / 4) + 1) / 4;
                long at = (long) y * picture.stride(p);
                int code = picture.bits() > 8 ? picture.plane(p).get(ValueLayout.JAVA_SHORT, at + 2L * x) & 0xffff
                        : picture.plane(p).get(ValueLayout.JAVA_BYTE, at + x) & 0xff;
                double wanted = colour.isFull() && codec.chroma() != Chroma.RGB && p > 0 ? exact[p] * full + (full + 1) / 2
                        : exact[p] * step;
                worst = Math.max(worst, Math.abs(code - Math.clamp(wanted, 0, full)));
            }
        }
        return worst;
    }

    /** Chromaticities of red, green and blue, x and y each. */
    private static final double[][] REC709 = {{.64, .33}, {.30, .60}, {.15, .06}};
    private static final double[][] LINES_625 = {{.64, .33}, {.29, .60}, {.15, .06}};
    private static final double[][] LINES_525 = {{.630, .340}, {.310, .595}, {.155, .070}};

    /** From light of some primaries to X, Y, Z, white being D65. */
    private static double[][] toXyz(double[][] primaries) {
        double[][] m = new double[3][3];
        for (int c = 0; c < 3; c++) {
            m[0][c] = primaries[c][0] / primaries[c][1];
            m[1][c] = 1;
            m[2][c] = (1 - primaries[c][0] - primaries[c][1]) / primaries[c][1];
        }
        double[] scale = times(inverse(m), new double[] {.3127 / .3290, 1, (1 - .3127 - .3290) / .3290});
        for (double[] row : m) {
            for (int c = 0; c < 3; c++) {
                row[c] *= scale[c];
            }
        }
        return m;
    }

    private static double[] times(double[][] m, double[] v) {
        double[] r = new double[3];
        for (int i = 0; i < 3; i++) {
            r[i] = m[i][0] * v[0] + m[i][1] * v[1] + m[i][2] * v[2];
        }
        return r;
    }

    private static double[][] inverse(double[][] m) {
        double[][] r = new double[3][3];
        double det = 0;
        for (int i = 0; i < 3; i++) {
            det += m[0][i] * (m[1][(i + 1) % 3] * m[2][(i + 2) % 3] - m[1][(i + 2) % 3] * m[2][(i + 1) % 3]);
        }
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                r[i][j] = (m[(j + 1) % 3][(i + 1) % 3] * m[(j + 2) % 3][(i + 2) % 3]
                        - m[(j + 1) % 3][(i + 2) % 3] * m[(j + 2) % 3][(i + 1) % 3]) / det;
            }
        }
        return r;
    }

    /** The same colour in other primaries, through light and back by the display's curve (BT.1886), held to what there is. */
    private static float[] inPrimaries(float[] rgb, ColourCoding colour) {
        if (colour.primaries().equals("bt709")) {
            return rgb;
        }
        double[] light = {Math.pow(rgb[0], 2.4), Math.pow(rgb[1], 2.4), Math.pow(rgb[2], 2.4)};
        double[] there = times(inverse(toXyz(colour.primaries().equals("bt470bg") ? LINES_625 : LINES_525)), times(toXyz(REC709), light));
        float[] result = new float[3];
        for (int c = 0; c < 3; c++) {
            result[c] = (float) Math.pow(Math.clamp(there[c], 0, 1), 1 / 2.4);
        }
        return result;
    }

    /** Limited range in 8-bit codes, full range from 0 to 1 with chroma around 0. */
    private static double[] yCbCr(float[] rgb, ColourCoding colour) {
        boolean hd = colour.matrix().equals("bt709");
        double kr = hd ? .2126 : .299;
        double kb = hd ? .0722 : .114;
        double y = kr * rgb[0] + (1 - kr - kb) * rgb[1] + kb * rgb[2];
        double cb = (rgb[2] - y) / (2 - 2 * kb);
        double cr = (rgb[0] - y) / (2 - 2 * kr);
        return colour.isFull() ? new double[] {y, cb, cr} : new double[] {16 + 219 * y, 128 + 224 * cb, 128 + 224 * cr};
    }

    @AfterAll
    static void write() throws IOException {
        if (System.getenv("COLOUR_WRITE") != null) {
            Files.writeString(Path.of("../docs/colour.md"),
                    """
                            # Colour through every codec

                            Eight flat patches (black, white, the three primaries, grey and two mixed colours) at the usual quality, \
                            decoded again
                            and held against the exact formula: the worst error in steps of the depth that decoders give back. Half a \
                            step is rounding.
                            Standard definition is brought to its own primaries first, so that its figures hold a change of colours too.

                            High dynamic range is held against the formulas of Recommendation ITU-R BT.2100 (`HighRangeTest`): greys from \
                            black to five times
                            white come out within 1.5 steps of ten bits by PQ and 2 steps by HLG; ordinary white stands at 58 % and 75 %, \
                            as Report BT.2408 has
                            it; light written as OpenEXR comes back within 0.4 % up to forty times white, which is the sixteen bits that \
                            pictures pass through.

                            | Codec | Samples | Depth | Worst error in steps |
                            |---|---|---|---|
                            """
                            + String.join("\n", LINES.values()).formatted(Locale.ROOT) + "\n");
        }
    }
}
