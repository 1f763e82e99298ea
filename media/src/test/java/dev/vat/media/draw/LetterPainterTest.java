package dev.vat.media.draw;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Watermark;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.type.Face;
import dev.vat.media.TestPictures;
import dev.vat.media.compose.Composer;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.SamplePictures;
import dev.vat.media.picture.Samples;
import java.io.IOException;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Words and marks as they stand in working pictures. */
class LetterPainterTest {

    private static final int WIDTH = 640;
    private static final int HEIGHT = 360;
    private static final float GREY = .5f;

    @TempDir
    Path folder;

    private static Lettering line(String text, Spot at, double size, int ground) {
        return new Lettering(List.of(new Lettering.Written(text, at, size, ground)), null, null);
    }

    private static Picture grey(float alpha) {
        return SamplePictures.of(TestPictures.flat(WIDTH, HEIGHT, GREY, GREY, GREY, alpha));
    }

    private static double value(Picture picture, int plane, int x, int y) {
        return (picture.plane(plane).get(ValueLayout.JAVA_SHORT, (long) y * picture.stride(plane) + 2L * x) & 0xffff) / 65535.;
    }

    /** Left, top, right, bottom of what isn't grey any more; right and bottom are the first that are again. */
    private static int[] changed(Picture picture) {
        int[] box = {picture.width(), picture.height(), 0, 0};
        for (int y = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++) {
                if (Math.abs(value(picture, 0, x, y) - GREY) > .0001) {
                    box = new int[] {Math.min(box[0], x), Math.min(box[1], y), Math.max(box[2], x + 1), Math.max(box[3], y + 1)};
                }
            }
        }
        return box;
    }

    /** The ground reaches from the point of the safe area: 32 and 18 pixels from the edges, or half way between. */
    @ParameterizedTest
    @EnumSource(Spot.class)
    void everythingStaysInTheTitleSafeArea(Spot spot) {
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, line("sh010 1047", spot, 6, 55))) {
            int[] box = changed(out);
            assertThat(box[0]).isGreaterThanOrEqualTo(32);
            assertThat(box[1]).isGreaterThanOrEqualTo(18);
            assertThat(box[2]).isLessThanOrEqualTo(608);
            assertThat(box[3]).isLessThanOrEqualTo(342);
            double across = (box[0] - 32.) / (576 - (box[2] - box[0]));
            double down = (box[1] - 18.) / (324 - (box[3] - box[1]));
            assertThat(across).isCloseTo(spot.across(), within(.01));
            assertThat(down).isCloseTo(spot.down(), within(.01));
        }
    }

    @Test
    void theGroundDarkensByWhatItSays() {
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, line("x", Spot.TOP_LEFT, 10, 40))) {
            assertThat(value(out, 0, 33, 19)).isCloseTo(GREY * .6, within(.002));
        }
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, line("x", Spot.TOP_LEFT, 10, 0))) {
            assertThat(value(out, 0, 33, 19)).as("no ground at all").isCloseTo(GREY, within(.0001));
        }
    }

    @Test
    void whatIsTooLongGetsSmallerAndStaysInside() {
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in,
                line("kites over the dunes ".repeat(20).strip(), Spot.BOTTOM, 10, 55))) {
            int[] box = changed(out);
            assertThat(box[0]).isBetween(32, 34);
            assertThat(box[2]).isBetween(606, 608);
            assertThat(box[3] - box[1]).as("far below ten percent").isLessThan(20);
        }
    }

    /** Seen, a line has the same shape whatever the pixels are like: 64:45 makes it 45/64 as wide in stored ones. */
    @ParameterizedTest
    @CsvSource({"64, 45", "8, 9", "12, 11"})
    void lettersAreRightWithPixelsThatArentSquare(int wide, int high) {
        try (Picture in = grey(1); Picture square = new LetterPainter(PixelAspect.SQUARE).on(in, line("KITE WEEK", Spot.LEFT, 8, 100));
                Picture other = new LetterPainter(PixelAspect.of(wide, high)).on(in, line("KITE WEEK", Spot.LEFT, 8, 100))) {
            int[] a = changed(square);
            int[] b = changed(other);
            assertThat((b[2] - b[0]) * (double) wide / high).isCloseTo(a[2] - a[0], within(2.0));
            assertThat(b[3] - b[1]).isEqualTo(a[3] - a[1]);
        }
    }

    @Test
    void figuresThatRunDontMoveWhatStandsAroundThem() {
        LetterPainter painter = new LetterPainter(PixelAspect.SQUARE);
        try (Picture in = grey(1); Picture one = painter.on(in, line("11:11:11:11", Spot.BOTTOM_RIGHT, 6, 55));
                Picture eight = painter.on(in, line("08:48:58:08", Spot.BOTTOM_RIGHT, 6, 55))) {
            assertThat(changed(one)).isEqualTo(changed(eight));
        }
    }

    @Test
    void linesAtOneSpotStandUnderEachOther() {
        Lettering two = new Lettering(
                List.of(new Lettering.Written("above", Spot.TOP_LEFT, 6, 100), new Lettering.Written("below", Spot.TOP_LEFT, 6, 50)), null,
                null);
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, two)) {
            int[] box = changed(out);
            assertThat(value(out, 0, 33, box[1] + 1)).isZero();
            assertThat(value(out, 0, 33, box[3] - 2)).isCloseTo(GREY / 2, within(.003));
        }
    }

    @Test
    void whatCanBeSeenThroughIsCoveredAsMuch() {
        try (Picture in = grey(.25f); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, line("x", Spot.TOP_LEFT, 10, 40))) {
            assertThat(value(out, 3, 2, 2)).isCloseTo(.25, within(.0001));
            assertThat(value(out, 3, 33, 19)).isCloseTo(.4 + .25 * .6, within(.002));
        }
    }

    /** Full ink is 230 of 255, which ordinary white at 203 candelas turns into what BT.2100 says for PQ. */
    @Test
    void inkOfHighRangeIsAsBrightAsElsewhere() {
        try (Composer composer = new Composer(WorkingFormat.HIGH, false); Picture in = grey(1);
                Picture high = composer.compose(in, PictureReading.of(AlphaKind.NONE, false));
                Picture out = new LetterPainter(PixelAspect.SQUARE).on(high, line("\u2014\u2014\u2014", Spot.MIDDLE, 40, 0))) {
            double brightest = 0;
            for (int x = 0; x < WIDTH; x++) {
                for (int y = 0; y < HEIGHT; y++) {
                    brightest = Math.max(brightest, value(out, 0, x, y));
                }
            }
            double y = Math.pow(203 * Math.pow(230 / 255., 2.4) / 10_000, 0.1593017578125);
            assertThat(brightest).isCloseTo(Math.pow((.8359375 + 18.8515625 * y) / (1 + 18.6875 * y), 78.84375), within(.003));
        }
    }

    @Test
    void aLetterThatTheFaceLacksIsNamedAndNeverABox() throws IOException {
        try (Picture in = grey(1)) {
            assertThatThrownBy(() -> new LetterPainter(PixelAspect.SQUARE).on(in, line("kite \u51e7", Spot.TOP, 6, 0)))
                    .isInstanceOf(MediaException.class).hasMessageContaining("no letter \u51e7");
        }
        assertThat(Face.missing(Face.own(), "\u00c4\u00e9\u0444 \u51e7\u51e7x\ud83e\ude81")).isEqualTo("\u51e7\ud83e\ude81");
        Path noFont = Files.writeString(folder.resolve("no.ttf"), "no font");
        assertThatThrownBy(() -> Face.read(Files.newInputStream(noFont), "no.ttf")).isInstanceOf(IOException.class)
                .hasMessageContaining("no.ttf is no TrueType");
    }

    @Test
    void aWatermarkCoversByItsOpacityAndItsOwnAlpha() throws IOException {
        float[] full = new float[100];
        float[] alpha = new float[100];
        Arrays.fill(full, 1);
        for (int i = 0; i < 100; i++) {
            alpha[i] = i % 10 < 5 ? 1 : 0;
        }
        Path mark = Files.write(folder.resolve("mark.png"), StillWriter.PNG16.write(new Samples(10, 10, full, full, full, alpha)));
        Lettering lettering = new Lettering(List.of(), new Watermark(mark.toString(), Spot.TOP_LEFT, 20, 50), null);
        try (Picture in = grey(1); Picture out = new LetterPainter(PixelAspect.SQUARE).on(in, lettering)) {
            assertThat(value(out, 0, 42, 50)).as("half white over half grey").isCloseTo(.75, within(.01));
            assertThat(value(out, 0, 97, 50)).as("where the mark is transparent").isCloseTo(GREY, within(.01));
            assertThat(value(out, 0, 110, 50)).as("beside it: it is 72 pixels tall and as wide").isCloseTo(GREY, within(.0001));
        }
        Lettering gone = new Lettering(List.of(), Watermark.of(folder.resolve("gone.png").toString()), null);
        try (Picture in = grey(1)) {
            assertThatThrownBy(() -> new LetterPainter(PixelAspect.SQUARE).on(in, gone)).isInstanceOf(MediaException.class)
                    .hasMessageContaining("gone.png");
        }
    }
}
