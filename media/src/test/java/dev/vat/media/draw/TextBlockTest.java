package dev.vat.media.draw;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import java.awt.image.BufferedImage;
import java.lang.foreign.ValueLayout;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Small pictures over working ones, sample for sample. */
class TextBlockTest {

    private static final int SIDE = 256;

    /** Cover runs from left to right, the grey of the patch from top to bottom. */
    private static BufferedImage everyCoverOfEveryGrey() {
        BufferedImage image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                image.setRGB(x, y, x << 24 | y * 0x010101);
            }
        }
        return image;
    }

    private static Picture grey(int value, int alpha) {
        byte[] rgba = new byte[4 * SIDE * SIDE];
        for (int i = 0; i < rgba.length; i += 4) {
            rgba[i] = (byte) value;
            rgba[i + 1] = (byte) value;
            rgba[i + 2] = (byte) value;
            rgba[i + 3] = (byte) alpha;
        }
        return SamplePictures.ofRgba(SIDE, SIDE, rgba);
    }

    private static int at(Picture picture, int plane, int x, int y) {
        return picture.plane(plane).get(ValueLayout.JAVA_BYTE, (long) y * picture.stride(plane) + x) & 255;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 77, 128, 254, 255})
    void everySumInEightBitsIsTheNearestWholeOne(int under) {
        try (Picture picture = grey(under, 255)) {
            TextBlock.of(everyCoverOfEveryGrey(), picture).over(picture, 0, 0);
            for (int y = 0; y < SIDE; y++) {
                for (int x = 0; x < SIDE; x++) {
                    long exact = Math.round((y * x + under * (255.0 - x)) / 255);
                    for (int plane = 0; plane < 3; plane++) {
                        assertThat(at(picture, plane, x, y)).as("cover %d of %d over %d", x, y, under).isEqualTo((int) exact);
                    }
                }
            }
        }
    }

    @Test
    void overTransparencyWhatCoversCounts() {
        try (Picture picture = grey(200, 100)) {
            TextBlock.of(everyCoverOfEveryGrey(), picture).over(picture, 0, 0);
            assertThat(at(picture, 3, 0, 9)).as("nothing covers").isEqualTo(100);
            assertThat(at(picture, 0, 0, 9)).isEqualTo(200);
            assertThat(at(picture, 3, 255, 9)).as("all is covered").isEqualTo(255);
            assertThat(at(picture, 0, 255, 9)).isEqualTo(9);
            assertThat(at(picture, 3, 128, 9)).as("of what there was as much stays as is seen through").isEqualTo(128 + 100 * 127 / 255);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {-300, -200, 0, 200, 300})
    void whatLiesBeyondTheEdgesIsLeftOut(int offset) {
        BufferedImage white = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_ARGB);
        for (int i = 0; i < SIDE * SIDE; i++) {
            white.setRGB(i % SIDE, i / SIDE, 0xffffffff);
        }
        try (Picture picture = grey(10, 255)) {
            TextBlock.of(white, picture).over(picture, offset, -offset);
            for (int y = 0; y < SIDE; y += 5) {
                for (int x = 0; x < SIDE; x += 5) {
                    boolean covered = x >= offset && x < offset + SIDE && y >= -offset && y < -offset + SIDE;
                    assertThat(at(picture, 1, x, y)).as("%d, %d", x, y).isEqualTo(covered ? 255 : 10);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {48, 50, 64, 101})
    void planesAreCopiedWholeWhateverTheirRowsAreAlignedTo(int width) {
        byte[] rgb = new byte[3 * width * 7];
        for (int i = 0; i < rgb.length; i++) {
            rgb[i] = (byte) (i * 31);
        }
        try (Picture packed = SamplePictures.packedRgb(width, 7, rgb); Picture copy = Picture.allocate(packed.formatName(), width, 7)) {
            packed.copyPlane(0, copy);
            for (int y = 0; y < 7; y++) {
                for (int x = 0; x < 3 * width; x++) {
                    assertThat(at(copy, 0, x, y)).isEqualTo(rgb[3 * width * y + x] & 255);
                }
            }
            assertThat(copy.crc32c()).isEqualTo(packed.crc32c());
        }
    }
}
