package dev.vat.media.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.zip.CRC32C;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is measured of pictures whose values are known. */
class LookScanTest {

    private static final int WIDTH = 160;
    private static final int HEIGHT = 90;

    private final FrameReader reader = new FrameReader();

    @TempDir
    private Path folder;

    @AfterEach
    void close() {
        reader.close();
    }

    private interface Value {
        float of(int x, int y);
    }

    private static Samples grey(Value value, Value alpha) {
        float[] grey = new float[WIDTH * HEIGHT];
        float[] a = alpha == null ? null : grey.clone();
        for (int i = 0; i < grey.length; i++) {
            grey[i] = value.of(i % WIDTH, i / WIDTH);
            if (a != null) {
                a[i] = alpha.of(i % WIDTH, i / WIDTH);
            }
        }
        return new Samples(WIDTH, HEIGHT, grey, grey, grey, a);
    }

    private FrameLook look(StillWriter writer, FileKind kind, Samples samples) throws IOException {
        return reader.check(Files.write(folder.resolve("f"), writer.write(samples)), kind, PictureChoice.MAIN, 1).look();
    }

    private FrameLook look(Value value) throws IOException {
        return look(StillWriter.PNG16, FileKind.PNG, grey(value, null));
    }

    @Test
    void brightnessAndCellsAreMeans() throws IOException {
        FrameLook look = look((x, _) -> x < WIDTH / 2 ? .25f : .75f);
        assertThat(look.brightness()).isCloseTo(.5f, within(.001f));
        assertThat(look.grid(0, 0)).isEqualTo(64);
        assertThat(look.grid(FrameLook.COLUMNS - 1, FrameLook.ROWS - 1)).isEqualTo(191);
        assertThat(look.flat()).isFalse();
        assertThat(look.opaque()).isTrue();
    }

    @Test
    void kindsAndDepthsMeasureAlike() throws IOException {
        Samples ramp = grey((x, y) -> (x + y) / (float) (WIDTH + HEIGHT), null);
        float deep = look(StillWriter.PNG16, FileKind.PNG, ramp).brightness();
        assertThat(look(StillWriter.PNG8, FileKind.PNG, ramp).brightness()).isCloseTo(deep, within(.003f));
        assertThat(look(StillWriter.TGA8, FileKind.TGA, ramp).brightness()).isCloseTo(deep, within(.003f));
        assertThat(look(StillWriter.TIFF16, FileKind.TIFF, ramp).brightness()).isCloseTo(deep, within(.003f));
        assertThat(look(StillWriter.JPEG8, FileKind.JPEG, ramp).brightness()).isCloseTo(deep, within(.01f));
    }

    @Test
    void onePixelMakesAnotherFingerprintInItsOwnStripeOnly() throws IOException {
        FrameLook before = look((_, _) -> .5f);
        FrameLook after = look((x, y) -> x == 31 && y == HEIGHT - 1 ? .6f : .5f);
        assertThat(after.pixels()).isNotEqualTo(before.pixels());
        assertThat(after.stripe(FrameLook.STRIPES - 1)).isNotEqualTo(before.stripe(FrameLook.STRIPES - 1));
        for (int stripe = 0; stripe < FrameLook.STRIPES - 1; stripe++) {
            assertThat(after.stripe(stripe)).isEqualTo(before.stripe(stripe));
        }
        assertThat(before.flat()).isTrue();
    }

    @Test
    void grainIsMeasuredInCodesWhateverThePictureDoes() throws IOException {
        for (double sigma : new double[] {.01, .02, .04}) {
            Random random = new Random(3);
            FrameLook look = look((x, _) -> (float) (.3 + x * .002 + random.nextGaussian() * sigma));
            assertThat(look.noise()).isCloseTo((float) (sigma * 255), within((float) (sigma * 255 * .12)));
        }
        assertThat(look((x, _) -> .3f + x * .002f).noise()).isLessThan(.3f);
    }

    @Test
    void sharpnessIsTheMeanStepFromPixelToPixel() throws IOException {
        assertThat(look((x, _) -> x % 2 == 0 ? .4f : .5f).sharpness()).isCloseTo(25.5f, within(.5f));
        assertThat(look((_, _) -> .5f).sharpness()).isZero();
    }

    @Test
    void eightBitValuesInSixteenBitsAreSeen() throws IOException {
        assertThat(look((x, _) -> Math.round(x * 255f / WIDTH) / 255f).eightBit()).isTrue();
        assertThat(look((x, _) -> x / (float) WIDTH).eightBit()).isFalse();
        assertThat(look(StillWriter.PNG8, FileKind.PNG, grey((x, _) -> x / (float) WIDTH, null)).eightBit()).as("it has no more").isFalse();
    }

    @Test
    void colourUnderTransparencyCountsForNothing() throws IOException {
        FrameLook look = look(StillWriter.PNG16, FileKind.PNG, grey((_, _) -> 1, (x, _) -> x < WIDTH / 2 ? 0 : 1));
        assertThat(look.opaque()).isFalse();
        assertThat(look.brightness()).isCloseTo(.5f, within(.01f));
        assertThat(look.edge(2 * FrameLook.TOP)).as("left edge").isZero();
        assertThat(look.edge(2 * FrameLook.TOP + FrameLook.SIDE)).as("right edge").isEqualTo(255);
        assertThat(look.edge(0)).as("upper left").isZero();
        assertThat(look.edge(FrameLook.TOP - 1)).as("upper right").isEqualTo(255);
    }

    @Test
    void softEdgesTellWhetherColourWasMultipliedByAlpha() throws IOException {
        Value soft = (x, _) -> x / (float) (WIDTH - 1);
        FrameLook.Soft straight = look(StillWriter.PNG8, FileKind.PNG, grey((_, _) -> .8f, soft)).soft();
        assertThat(straight.brighter() / (double) straight.pixels()).isCloseTo(.79, within(.03));
        FrameLook.Soft multiplied = look(StillWriter.PNG8, FileKind.PNG, grey((x, y) -> .8f * soft.of(x, y), soft)).soft();
        assertThat(multiplied.brighter()).isZero();
        assertThat(multiplied.pixels()).isEqualTo(straight.pixels());
        assertThat(multiplied.dark()).isZero();
        assertThat(look(StillWriter.PNG8, FileKind.PNG, grey((_, _) -> 0, soft)).soft().dark()).isEqualTo(straight.pixels());
        assertThat(look((_, _) -> .5f).soft()).as("nothing to see through").isNull();
    }

    /** By how much all samples of a stripe change so that half a checksum, folded, is the same: whatever stands in the stripe. */
    private static int unseenChange() {
        int bytes = WIDTH * 6 * 6;
        CRC32C crc = new CRC32C();
        crc.update(new byte[bytes]);
        int nothing = (int) crc.getValue();
        for (int change = 1; change < 1 << 16; change++) {
            byte[] all = new byte[bytes];
            for (int i = 0; i < bytes; i += 2) {
                all[i] = (byte) (change >> 8);
                all[i + 1] = (byte) change;
            }
            crc.reset();
            crc.update(all);
            int by = nothing ^ (int) crc.getValue();
            if ((by ^ by >>> 16) << 16 == 0) {
                return change;
            }
        }
        throw new AssertionError("none");
    }

    /** Rows of noise that all change alike: every stripe is another one than before. */
    @Test
    void stripesThatChangeAlikeAreSeenToChange() throws IOException {
        int height = 6 * FrameLook.STRIPES;
        int change = unseenChange();
        float[] before = new float[WIDTH * height];
        float[] after = before.clone();
        Random random = new Random(1);
        for (int i = 0; i < before.length; i++) {
            int code = random.nextInt(1 << 16);
            before[i] = code / 65_535f;
            after[i] = (code ^ change) / 65_535f;
        }
        FrameLook first = look(StillWriter.PNG16, FileKind.PNG, new Samples(WIDTH, height, before, before, before, null));
        FrameLook second = look(StillWriter.PNG16, FileKind.PNG, new Samples(WIDTH, height, after, after, after, null));
        assertThat(IntStream.range(0, FrameLook.STRIPES).filter(i -> first.stripe(i) == second.stripe(i))).isEmpty();
    }
}
