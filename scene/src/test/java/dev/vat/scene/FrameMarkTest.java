package dev.vat.scene;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FrameMarkTest {

    private static FrameMark.Brightness of(Drawing d, String channel) {
        return (across, down) -> d.channel(channel)[(int) (down * d.height()) * d.width() + (int) (across * d.width())];
    }

    @ParameterizedTest
    @CsvSource({"160, 90", "960, 540", "1920, 1080", "333, 187"})
    void everyFrameOfAShotIsReadBack(int width, int height) {
        for (Shot shot : Shot.values()) {
            for (int number : new int[] {0, 1, 47, 1001, 4095}) {
                FrameMark mark = new FrameMark(shot.ordinal() + 1, number);
                assertThat(FrameMark.read(of(mark.on(shot.draw(0, width, height)), "G"))).contains(mark);
            }
        }
    }

    @Test
    void aPictureWithoutOneSaysNothing() {
        for (Shot shot : Shot.values()) {
            Drawing bare = shot.draw(10, 320, 180);
            assertThat(FrameMark.read(of(bare, "R"))).isEmpty();
        }
        Drawing one = new FrameMark(1, 5).on(Shot.DUNES.draw(0, 320, 180));
        Drawing other = new FrameMark(2, 10).on(Shot.DUNES.draw(0, 320, 180));
        assertThat(FrameMark.read((x, y) -> .5 * of(one, "G").at(x, y) + .5 * of(other, "G").at(x, y))).as("two over each other").isEmpty();
    }

    /** What the mark's cells do over time: none of them changes and goes back at once. */
    @Test
    void noCellChangesForOneFrameAlone() {
        Drawing bare = Shot.DUNES.draw(0, 160, 90);
        float[][] rows = new float[4096][];
        for (int number = 0; number < 4096; number++) {
            float[] green = new FrameMark(1, number).on(bare).channel("G");
            rows[number] = Arrays.copyOfRange(green, 89 * 160, 89 * 160 + 44);
        }
        List<String> alone = new ArrayList<>();
        for (int number = 1; number < 4095; number++) {
            for (int x = 0; x < 44; x++) {
                if (rows[number][x] != rows[number - 1][x] && rows[number][x] != rows[number + 1][x]) {
                    alone.add("cell at %d of frame %d".formatted(x, number));
                }
            }
        }
        assertThat(alone).isEmpty();
    }

    @Test
    void layersStillAddUp() {
        Drawing marked = new FrameMark(4, 7).on(Shot.GLOW.draw(7, 160, 90));
        float[] whole = marked.channel("R");
        int row = 89 * 160;
        String[] layers = marked.channels().keySet().stream().filter(c -> c.endsWith(".R")).toArray(String[]::new);
        assertThat(layers).hasSizeGreaterThan(1);
        IntStream.range(row + 2, row + 40).forEach(i -> {
            float sum = 0;
            for (String layer : layers) {
                sum += marked.channel(layer)[i];
            }
            assertThat(sum).isEqualTo(whole[i]);
        });
    }

    @Test
    void whatDoesntFitIsRefused() {
        assertThatThrownBy(() -> new FrameMark(16, 0)).hasMessageContaining("shot 16");
        assertThatThrownBy(() -> new FrameMark(1, 4096)).hasMessageContaining("frame 4096");
    }
}
