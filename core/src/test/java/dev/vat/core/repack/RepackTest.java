package dev.vat.core.repack;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import dev.vat.core.repack.CutPlaces.Coded;
import dev.vat.core.time.FrameRange;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RepackTest {

    /** Frames in the order of decoding, by the place at which each is shown; {@code k} marks those that stand alone. */
    private static CutPlaces places(String decoded) {
        List<Coded> coded = new ArrayList<>();
        for (String frame : decoded.split(" ")) {
            coded.add(new Coded(Long.parseLong(frame.replace("k", "")), frame.endsWith("k")));
        }
        return CutPlaces.of(coded);
    }

    private static String text(CutPlaces places) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < places.count(); i++) {
            text.append(places.canStart(i) ? "s" : "-").append(places.canEnd(i) ? "e" : "-").append(' ');
        }
        return text.toString().strip();
    }

    @ParameterizedTest
    @CsvSource({
        "'0k 1k 2k', 'se se se'",
        "'0k 1 2 3k 4', 'se -e -e se -e'",
        // B-frames within closed groups
        "'0k 2 1 3k 5 4', 'se -e -- se -e --'",
        // an open group: 3 and 4 are shown before the frame that stands alone, and lean on it
        "'0k 2 1 5k 3 4 6', 'se -e -- -e -- s- -e'",
        // nothing stands alone but the first
        "'0k 1 2 3', 'se -e -e -e'",
    })
    void piecesBeginWhereAFrameStandsAloneAndEndWhereNothingLeansOut(String decoded, String expected) {
        assertThat(text(places(decoded))).isEqualTo(expected);
        assertThat(places(decoded).canEnd(places(decoded).count())).isTrue();
    }

    @Test
    void filesAreSplitAtTheNearestPlaceBefore() {
        CutPlaces places = places("0k 1 2 3k 4 5 6k 7");
        assertThat(Pieces.every(4, places).ranges()).containsExactly(FrameRange.of(0, 2), FrameRange.of(3, 7));
        assertThat(Pieces.every(4, places).moved()).singleElement().asString().contains("frame 3 instead of 4");
        assertThat(Pieces.every(3, places))
                .isEqualTo(new Pieces(List.of(FrameRange.of(0, 2), FrameRange.of(3, 5), FrameRange.of(6, 7)), List.of()));
        assertThat(Pieces.at(List.of(2L), places).ranges()).containsExactly(FrameRange.of(0, 7));
        assertThat(Pieces.every(3, places("0k 2 1 5k 3 4 6")).ranges()).as("open groups can't be cut without losing frames")
                .containsExactly(FrameRange.of(0, 6));
        assertThatThrownBy(() -> Pieces.at(List.of(8L), places)).hasMessageContaining("8");
    }

    private static Seam.Look look(double at, long seed, double noise) {
        Random random = new Random(seed);
        float[] grey = new float[64 * 36];
        for (int i = 0; i < grey.length; i++) {
            // Something that moves over a ground that doesn't.
            double x = i % 64 - at;
            grey[i] = (float) (100 + 60 * Math.exp(-x * x / 40) + 20 * Math.sin(i / 64 * .3) + noise * random.nextGaussian());
        }
        return new Seam.Look(grey, noise == 0 ? (int) (at * 1000) : (int) seed);
    }

    private static List<Seam.Look> frames(int from, int to, long seed, double noise) {
        List<Seam.Look> looks = new ArrayList<>();
        for (int i = from; i <= to; i++) {
            looks.add(look(10 + i * .9, seed + i, noise));
        }
        return looks;
    }

    @ParameterizedTest
    @CsvSource({"20, SHARED, 7", "27, GOES_ON, 0", "26, SHARED, 1", "30, MISSING, 3", "28, MISSING, 1", "33, MISSING, 6", "90, OTHER, 0"})
    void whatTwoPartsShareOrLackIsCountedToTheFrame(int second, Seam.Kind kind, int frames) {
        Seam seam = new Seam(kind, frames);
        assertThat(Seam.between(frames(0, 26, 1, 0), frames(second, second + 24, 1, 0))).isEqualTo(seam);
        assertThat(Seam.between(frames(0, 26, 1, .3), frames(second, second + 24, 1000, .3))).as("packed anew").isEqualTo(seam);
    }

    /** At a cut nothing is missing that anybody could tell of, whatever moves on both sides. */
    @Test
    void aCutIsNoGap() {
        Random random = new Random(7);
        for (int round = 0; round < 200; round++) {
            int speed = round % 5;
            List<Seam.Look> other = new ArrayList<>();
            double ground = 20 + random.nextInt(180);
            double place = 10 + random.nextInt(40);
            for (int i = 0; i < 25; i++) {
                float[] grey = look(place + i * speed * .5, 5000 + i, .3).samples();
                for (int p = 0; p < grey.length; p++) {
                    grey[p] = (float) (ground + .6 * (grey[p] - 100) + 12 * Math.sin(p % 64 * .11 * (1 + round % 4)));
                }
                other.add(new Seam.Look(grey, 9000 + i));
            }
            Seam seam = Seam.between(frames(0, 26, 1, .3), other);
            assertThat(seam.kind()).as("round " + round).isIn(Seam.Kind.OTHER, Seam.Kind.STILL);
        }
    }

    @Test
    void whatStandsStillTellsNothingButByItsSamples() {
        Seam.Look still = look(10, 1, 0);
        List<Seam.Look> same = List.of(still, still, still, still);
        assertThat(Seam.between(same, List.of(look(10, 5, .1), look(10, 6, .1), look(10, 7, .1))).kind()).isEqualTo(Seam.Kind.STILL);
        assertThat(Seam.between(same, same).words()).isEqualTo("they share 4 frames");
    }
}
