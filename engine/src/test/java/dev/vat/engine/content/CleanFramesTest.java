package dev.vat.engine.content;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.content.ContentFault.Kind;
import dev.vat.core.content.ContentFault;
import dev.vat.core.picture.Size;
import dev.vat.media.picture.Samples;
import dev.vat.scene.Drawing;
import dev.vat.scene.Shot;
import dev.vat.scene.flats.FlatsCamera;
import dev.vat.scene.flats.MarramFlats;
import dev.vat.scene.flats.ObjectClass;
import dev.vat.scene.flats.SceneLook;
import dev.vat.scene.flats.Shading;
import java.io.IOException;
import java.nio.file.Path;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.IntFunction;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** How often a clean frame is called torn: 10,000 frames of several kinds, of which none is; docs/formats.md states the counts. */
@Tag("torture")
class CleanFramesTest {

    private static final int WIDTH = Footage.WIDTH;
    private static final int HEIGHT = Footage.HEIGHT;

    @TempDir
    private Path folder;

    private final Random random = new Random(24);
    private final Map<Kind, Integer> alarms = new EnumMap<>(Kind.class);
    private int frames;

    private void look(String name, Footage footage) throws IOException {
        List<ContentFault> faults = footage.review(folder.resolve(name)).faults();
        faults.forEach(f -> alarms.merge(f.kind(), 1, Integer::sum));
        frames += footage.frames.size();
        System.out.println(name + ": " + footage.frames.size() + " frames, " + faults.stream().map(f -> f.kind().label()).toList());
    }

    private static Footage each(int count, IntFunction<Samples> frame) {
        Footage footage = new Footage();
        for (int i = 0; i < count; i++) {
            footage.frames.add(frame.apply(i));
        }
        return footage;
    }

    private static Footage drawn(Shot shot, int from, int count) {
        return each(count, i -> Footage.draw(shot, from + i));
    }

    private static Samples rendered(FlatsCamera camera, int frame) {
        Drawing d = MarramFlats.draw(new SceneLook(camera, frame, frame, 1, Size.of(WIDTH, HEIGHT), Shading.SHADOWED,
                Set.of(ObjectClass.BACKDROP, ObjectClass.STRINGS)));
        return new Samples(WIDTH, HEIGHT, d.channel("R"), d.channel("G"), d.channel("B"), null);
    }

    /** A ball of light that circles over a floor of tiles, traced by a few rays a pixel; what it doesn't reach stays as it is. */
    private static Samples traced(int frame, int rays, Random grain) {
        float[] light = new float[WIDTH * HEIGHT];
        double ballX = 1.6 * Math.sin(frame / 17.0);
        double ballZ = 5 + 1.2 * Math.cos(frame / 17.0);
        for (int i = 0; i < light.length; i++) {
            double sum = 0;
            for (int ray = 0; ray < rays; ray++) {
                double x = (i % WIDTH + grain.nextDouble() - WIDTH / 2.0) / HEIGHT;
                double y = (HEIGHT / 2.0 - i / WIDTH - grain.nextDouble()) / HEIGHT;
                double toBall = ballX * x + .3 * y + ballZ;
                double size = x * x + y * y + 1;
                double away = ballX * ballX + .09 + ballZ * ballZ - toBall * toBall / size;
                if (away < .36) {
                    sum += 1 - away;
                } else if (y < 0) {
                    double far = -.6 / y;
                    boolean tile = ((int) Math.floor(x * far) + (int) Math.floor(far)) % 2 == 0;
                    double near = Math.hypot(x * far - ballX, far - ballZ);
                    sum += (tile ? .5 : .2) / (1 + near * near);
                } else {
                    sum += .1 + .2 * y;
                }
            }
            light[i] = (float) (sum / rays);
        }
        return new Samples(WIDTH, HEIGHT, light, light, light, null);
    }

    private Samples noise(int codes) {
        float[][] planes = new float[3][WIDTH * HEIGHT];
        for (float[] plane : planes) {
            for (int i = 0; i < plane.length; i++) {
                plane[i] = random.nextInt(codes) / (float) (codes - 1);
            }
        }
        return new Samples(WIDTH, HEIGHT, planes[0], planes[1], planes[2], null);
    }

    @Test
    void atMostOneCleanFrameInFiveThousandIsCalledTorn() throws IOException {
        for (Shot shot : List.of(Shot.DUNES, Shot.KITE, Shot.GLOW)) {
            look("drawn-" + shot.id(), drawn(shot, 0, 700));
        }
        for (FlatsCamera camera : FlatsCamera.values()) {
            look("rendered-" + camera, each(600, i -> rendered(camera, i + 1)));
        }
        look("traced", each(1000, i -> traced(i, 1, new Random(7))));
        look("traced-grainy", each(1000, i -> traced(i, 2, new Random(i))));
        look("noise", each(700, _ -> noise(65_536)));
        look("noise-of-two-codes", each(600, _ -> noise(2)));
        look("grain", drawn(Shot.KITE, 0, 800).noise(0, 799, .01, 8));
        Footage cuts = new Footage();
        while (cuts.frames.size() < 1500) {
            Shot shot = List.of(Shot.DUNES, Shot.KITE, Shot.GLOW).get(random.nextInt(3));
            cuts.then(random.nextInt(4) == 0 ? each(5 + random.nextInt(20), i -> traced(i, 1, new Random(7)))
                    : drawn(shot, random.nextInt(500), 5 + random.nextInt(40)));
        }
        look("cuts", cuts);
        look("a-drawn-cycle", each(500, i -> Footage.of(Shot.KITE, 0, 24).frames.get(i % 24)));

        System.out.println(frames + " clean frames, alarms: " + alarms);
        assertThat(frames).isGreaterThanOrEqualTo(10_000);
        assertThat(alarms.getOrDefault(Kind.TORN, 0)).as("called torn").isLessThanOrEqualTo(frames / 5000);
    }
}
