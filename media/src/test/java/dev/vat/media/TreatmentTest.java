package dev.vat.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.Size;
import dev.vat.media.compose.FieldWeaver;
import dev.vat.media.convert.Conversion;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What becomes of pictures on their way into a file: looks, what lies under, mattes, fields. */
class TreatmentTest {

    private static final Size SIZE = Size.of(120, 90);
    private static final Codec RGB16 = Catalogue.codec("ffv1-rgb-16");

    @TempDir
    Path folder;

    private static Picture made(Codec codec, Treatment treatment, float red, float green, float blue, float alpha) {
        try (Picture working = SamplePictures.of(TestPictures.flat(SIZE.width(), SIZE.height(), red, green, blue, alpha));
                Conversion conversion = new Conversion(codec, SIZE, treatment)) {
            return conversion.convert(working);
        }
    }

    private static double value(Picture picture, int plane, int x, int y) {
        return (picture.plane(plane).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x) & 0xffff) / 65535.0;
    }

    /** Two points an edge, each corner's opposite: light and colours are turned round. */
    private Look negative(String name) throws IOException {
        StringBuilder table = new StringBuilder("TITLE \"negative\"\n# corners\nLUT_3D_SIZE 2\n");
        for (int i = 0; i < 8; i++) {
            table.append(1 - (i & 1)).append(' ').append(1 - (i >> 1 & 1)).append(' ').append(1 - (i >> 2)).append('\n');
        }
        return read(Files.writeString(folder.resolve(name), table));
    }

    @ParameterizedTest
    @ValueSource(strings = {"negative.cube", "a 'b', c;[d] e.cube", "Ä b=c.cube"})
    void aLookIsAppliedWhateverItsFileIsCalled(String name) throws IOException {
        Look look = negative(name);
        assertThat(look.crc()).matches("[0-9a-f]{8}");
        try (Picture picture = made(RGB16, Treatment.plain(RGB16, SIZE).withLook(look), .25f, .5f, .9f, 1)) {
            assertThat(value(picture, 2, 5, 5)).as("red").isCloseTo(.75, within(.0001));
            assertThat(value(picture, 0, 5, 5)).as("green").isCloseTo(.5, within(.0001));
            assertThat(value(picture, 1, 5, 5)).as("blue").isCloseTo(.1, within(.0001));
        }
    }

    @Test
    void curvesAreALookToo() throws IOException {
        Look look = read(Files.writeString(folder.resolve("half.cube"), "LUT_1D_SIZE 2\n0 0 0\n.5 .5 .5\n"));
        try (Picture picture = made(RGB16, Treatment.plain(RGB16, SIZE).withLook(look), .8f, .8f, .8f, 1)) {
            assertThat(value(picture, 0, 5, 5)).isCloseTo(.4, within(.0001));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {
        "LUT_3D_SIZE 2\n0 0 0\n|8 lines of values, this one has 1",
        "LUT_3D_SIZE 999\n|line 1: the size goes from 2 to 256",
        "hello\n|line 1 is no part of a .cube table: 'hello'",
        "LUT_1D_SIZE 2\n0 0\n1 1 1\n|line 2 needs three numbers",
        "# empty\n|no line says"})
    void whatIsNoLookIsRefusedWithItsLine(String textAndWhy) throws IOException {
        String[] parts = textAndWhy.split("\\|");
        Path file = Files.writeString(folder.resolve("bad.cube"), parts[0]);
        assertThatThrownBy(() -> read(file)).isInstanceOf(IllegalArgumentException.class).hasMessageContaining("bad.cube")
                .hasMessageContaining(parts[1]);
    }

    @Test
    void aCheckerShowsThroughInTwoGreys() {
        try (Picture picture = made(RGB16, Treatment.plain(RGB16, SIZE).withGround(Ground.CHECKER), 1, 0, 0, 0)) {
            assertThat(value(picture, 0, 1, 1)).isCloseTo(0x66 / 255.0, within(.0001));
            assertThat(value(picture, 0, 4, 1)).as("the next square, three pixels wide").isCloseTo(0x99 / 255.0, within(.0001));
            assertThat(value(picture, 2, 4, 4)).isCloseTo(0x66 / 255.0, within(.0001));
        }
    }

    @Test
    void aPictureShowsThroughAndCoversTheFrame() throws IOException {
        Path still = Files.write(folder.resolve("sky.png"), StillWriter.PNG16.write(TestPictures.flat(40, 90, .2f, .4f, .6f, 1)));
        Treatment over = Treatment.plain(RGB16, SIZE).withGround(new Ground.Still(still.toString()));
        try (Picture picture = made(RGB16, over, 1, 1, 1, .5f)) {
            for (int x : new int[] {0, 60, 119}) {
                assertThat(value(picture, 2, x, 45)).isCloseTo(.6, within(.001));
                assertThat(value(picture, 1, x, 0)).isCloseTo(.8, within(.001));
            }
        }
        Files.delete(still);
        assertThatThrownBy(() -> made(RGB16, over, 1, 1, 1, .5f)).isInstanceOf(MediaException.class).hasMessageContaining("sky.png");
    }

    @Test
    void aMatteIsAlphaAsGrey() {
        try (Picture picture = made(RGB16, Treatment.plain(RGB16, SIZE).asMatte(), .9f, .1f, .4f, .25f)) {
            for (int plane = 0; plane < 3; plane++) {
                assertThat(value(picture, plane, 30, 30)).isCloseTo(.25, within(.0001));
            }
        }
    }

    /** Darkened around the letters, untouched elsewhere. */
    @Test
    void aDraftIsMarkedInsideTheSafeArea() {
        Codec codec = Catalogue.codec("ffv1-rgba-16");
        Treatment plain = Treatment.plain(codec, SIZE);
        Treatment draft = new Treatment(plain.placement(), plain.colour(), plain.ground(), null, plain.content(), plain.scan(), true);
        try (Picture picture = made(codec, draft, .5f, .5f, .5f, .25f)) {
            assertThat(value(picture, 0, 3, 3)).isCloseTo(.5, within(.0001));
            assertThat(value(picture, 3, 3, 3)).isCloseTo(.25, within(.0001));
            // Black of 55 percent over a quarter of grey: what is left of the grey, weighed by how much covers at all.
            double covers = .55 + .25 * .45;
            assertThat(value(picture, 3, 7, 5)).as("how much the ground of the mark covers").isCloseTo(covers, within(.003));
            assertThat(value(picture, 0, 7, 5)).as("the ground of the mark").isCloseTo(.5 * .25 * .45 / covers, within(.002));
            double lightest = 0;
            for (int x = 6; x < 50; x++) {
                for (int y = 5; y < 20; y++) {
                    lightest = Math.max(lightest, value(picture, 0, x, y));
                }
            }
            assertThat(lightest).as("letters").isGreaterThan(.7);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"prores-422-hq", "h264-high-420", "dv25-525"})
    void fieldsAreOfTwoMoments(String id) {
        Codec codec = Catalogue.codec(id);
        boolean deep = codec.codedBits() > 8;
        for (Scan scan : new Scan[] {Scan.TOP_FIRST, Scan.BOTTOM_FIRST}) {
            try (Picture black = made(codec, Treatment.plain(codec, SIZE), 0, 0, 0, 1);
                    Picture white = made(codec, Treatment.plain(codec, SIZE), 1, 1, 1, 1);
                    FieldWeaver weaver = new FieldWeaver(scan); Picture woven = weaver.weave(black, white)) {
                for (int y = 4; y < 20; y++) {
                    long at = (long) y * woven.stride(0);
                    int luma = deep ? woven.plane(0).get(ValueLayout.JAVA_SHORT, at) >> 2
                            : woven.plane(0).get(ValueLayout.JAVA_BYTE, at) & 0xff;
                    boolean earlier = scan == Scan.TOP_FIRST ? y % 2 == 0 : y % 2 == 1;
                    assertThat(luma).as("line " + y).isEqualTo(earlier ? 16 : 235);
                }
            }
        }
    }

    private static Look read(Path file) throws IOException {
        return Look.read(file, Files.readAllBytes(file));
    }
}
