package dev.vat.engine.content;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.content.ContentFault.Kind;
import dev.vat.core.content.ContentFault;
import dev.vat.media.picture.Samples;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** How often planted faults are found, at random places of two shots; docs/formats.md states the counts. */
@Tag("torture")
class ContentRatesTest {

    private static final int PLACES = 20;

    @TempDir
    private Path folder;

    /** What a fault does to a frame of footage, given random numbers to draw on. */
    private interface Planting {
        Footage plant(Footage footage, int place, Random random);
    }

    private static Arguments planted(Kind kind, Planting planting) {
        return Arguments.of(kind, planting);
    }

    static Stream<Arguments> faults() {
        return Stream.of(
                planted(Kind.REPEATED, (f, p, _) -> f.put(p, f.frames.get(p - 1))),
                planted(Kind.TORN, (f, p, random) -> {
                    Samples old = f.frames.get(p - 1);
                    int edge = 60 + random.nextInt(80);
                    boolean upper = random.nextBoolean();
                    return f.change(p, (v, x, y, c) -> y < edge == upper
                            ? (c == 0 ? old.red() : c == 1 ? old.green() : old.blue())[y / 2 * Footage.WIDTH + x / 2] : v);
                }),
                planted(Kind.BLANK, (f, p, random) -> {
                    float level = random.nextBoolean() ? 0 : .2f + random.nextFloat() * .5f;
                    return f.change(p, (_, _, _, _) -> level);
                }),
                planted(Kind.POP, (f, p, random) -> {
                    int left = 20 + random.nextInt(220);
                    int top = 10 + random.nextInt(90);
                    return f.change(p, (v, x, y, _) -> x > left && x < left + 50 && y > top && y < top + 40 ? v * .4f : v);
                }),
                planted(Kind.NOISE, (f, p, random) -> f.noise(p, p, .05, random.nextLong())));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("faults")
    void plantedFaultsAreFoundAndNothingElse(Kind kind, Planting planting) throws IOException {
        Random random = new Random(kind.ordinal());
        int found = 0;
        int besides = 0;
        for (Shot shot : List.of(Shot.DUNES, Shot.KITE)) {
            for (int i = 0; i < PLACES; i++) {
                Footage footage = Footage.of(shot, 0, 40);
                int place = 10 + random.nextInt(20);
                List<ContentFault> faults = planting.plant(footage, place, random).review(folder).faults();
                boolean hit = faults.stream().anyMatch(f -> f.kind() == kind && f.frames().contains(Footage.number(place)));
                found += hit ? 1 : 0;
                besides += faults.size() - (hit ? 1 : 0);
            }
        }
        System.out.println("planted " + kind.label() + ": found " + found + " of " + 2 * PLACES + ", " + besides + " alarms besides");
        assertThat(found).as("%s found", kind).isGreaterThanOrEqualTo(2 * PLACES * 9 / 10);
        assertThat(besides).as("alarms besides").isLessThanOrEqualTo(2);
    }
}
