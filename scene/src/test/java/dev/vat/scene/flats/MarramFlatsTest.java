package dev.vat.scene.flats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.picture.Size;
import dev.vat.scene.Drawing;
import dev.vat.scene.FrameMark;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class MarramFlatsTest {

    private static final Size SMALL = Size.of(192, 108);
    private static final Set<ObjectClass> USUAL = Set.of(ObjectClass.BACKDROP, ObjectClass.STRINGS, ObjectClass.CELLS);

    private static SceneLook look(FlatsCamera camera, int frame) {
        return new SceneLook(camera, frame, 400, 1, SMALL, Shading.SHADOWED, USUAL);
    }

    private static SceneLook with(SceneLook look, long run, int take, Shading shading, Set<ObjectClass> classes) {
        return new SceneLook(look.camera(), look.frame(), run, take, look.size(), shading, classes);
    }

    private static FrameMark.Brightness green(Drawing d) {
        return (across, down) -> d.channel("G")[(int) (down * d.height()) * d.width() + (int) (across * d.width())];
    }

    private static void assertSame(Drawing one, Drawing other) {
        assertThat(one.channels().keySet()).isEqualTo(other.channels().keySet());
        one.channels().forEach((name, values) -> assertThat(values).as(name).isEqualTo(other.channel(name)));
    }

    /** Share of pixels whose green isn't the same. */
    private static double differing(Drawing one, Drawing other) {
        float[] a = one.channel("G");
        float[] b = other.channel("G");
        int count = 0;
        for (int i = 0; i < a.length; i++) {
            count += Math.abs(a[i] - b[i]) > 1 / 255f ? 1 : 0;
        }
        return (double) count / a.length;
    }

    @ParameterizedTest
    @EnumSource
    void theSameLookIsTheSamePicture(Shading shading) {
        SceneLook look = with(look(FlatsCamera.TOWER, 200), 30, 2, shading, EnumSet.allOf(ObjectClass.class));
        assertSame(MarramFlats.draw(look), MarramFlats.draw(look));
    }

    @ParameterizedTest
    @EnumSource
    void cellsAndTheLampSayWhichCameraAndFrameItIs(FlatsCamera camera) {
        for (int frame : new int[] {camera.first(), (camera.first() + camera.last()) / 2, camera.last()}) {
            Drawing drawn = MarramFlats.draw(look(camera, frame));
            assertThat(FrameMark.read(green(drawn))).contains(MarramFlats.markOf(camera, frame));
            List<Double> lamp = MarramFlats.lamp(camera, frame, SMALL);
            if (camera != FlatsCamera.SAND) {
                assertThat(lampIn(drawn)).as("frame %d", frame).isNotEmpty().allSatisfy(at -> {
                    assertThat(at[0]).isCloseTo(lamp.get(0), within(.03));
                    assertThat(at[1]).isCloseTo(lamp.get(1), within(.04));
                });
            } else {
                assertThat(lampIn(drawn)).as("it looks the other way").isEmpty();
            }
        }
    }

    /** Where something of the lamp's colour is. */
    private static List<double[]> lampIn(Drawing d) {
        List<double[]> found = new ArrayList<>();
        for (int i = 0; i < d.width() * d.height(); i++) {
            if (d.channel("R")[i] > .75 && d.channel("G")[i] < .4 && d.channel("B")[i] > .6) {
                found.add(new double[] {(i % d.width() + .5) / d.width(), (i / d.width() + .5) / d.height()});
            }
        }
        return found;
    }

    @ParameterizedTest
    @EnumSource
    void nothingMovesAfterACamerasLastKey(FlatsCamera camera) {
        Set<ObjectClass> noCells = Set.of(ObjectClass.BACKDROP, ObjectClass.STRINGS);
        Drawing last = MarramFlats.draw(with(look(camera, camera.last()), 1000, 1, Shading.SHADOWED, noCells));
        assertSame(MarramFlats.draw(with(look(camera, 600), 1000, 1, Shading.SHADOWED, noCells)), last);
        assertThat(differing(last, MarramFlats.draw(with(look(camera, camera.last() - 25), 1000, 1, Shading.SHADOWED, noCells))))
                .as("before it something does").isPositive();
    }

    @Test
    void theSandTakesEightSecondsToSettle() {
        SceneLook look = look(FlatsCamera.SAND, 320);
        Drawing settled = MarramFlats.draw(with(look, 200, 1, Shading.LIT, USUAL));
        assertSame(MarramFlats.draw(with(look, 900, 1, Shading.LIT, USUAL)), settled);
        assertThat(differing(settled, MarramFlats.draw(with(look, 100, 1, Shading.LIT, USUAL)))).isGreaterThan(.02);
        assertThat(differing(settled, MarramFlats.draw(with(look, 0, 1, Shading.LIT, USUAL)))).isGreaterThan(.15);
    }

    @Test
    void kindsOfThingsAndTakesAreSeen() {
        SceneLook look = look(FlatsCamera.PIER, 60);
        Drawing usual = MarramFlats.draw(look);
        for (ObjectClass mark : List.of(ObjectClass.BOXES, ObjectClass.PATHS, ObjectClass.LIGHTS)) {
            assertThat(mark.isConstruction()).isTrue();
            Set<ObjectClass> more = EnumSet.copyOf(USUAL);
            more.add(mark);
            assertThat(differing(usual, MarramFlats.draw(with(look, 400, 1, Shading.SHADOWED, more)))).as(mark.id()).isPositive();
        }
        assertThat(differing(usual, MarramFlats.draw(with(look, 400, 2, Shading.SHADOWED, USUAL)))).as("another take").isGreaterThan(.005);
        assertThat(usual.channel("A")).as("opaque").isNull();
        Drawing open = MarramFlats.draw(with(look, 400, 1, Shading.SHADOWED, Set.of(ObjectClass.STRINGS)));
        assertThat(open.channel("A")).contains(0f, 1f);
    }

    @ParameterizedTest
    @EnumSource
    void passesMakeTheFullPicture(FlatsCamera camera) {
        Drawing d = MarramFlats.drawLinear(
                with(look(camera, camera.first() + 30), 400, 1, Shading.SHADOWED, Set.of(ObjectClass.STRINGS, ObjectClass.CELLS)));
        for (String c : List.of("R", "G", "B")) {
            float[] full = d.channel(c);
            for (int i = 0; i < full.length; i++) {
                float lit = d.channel("base." + c)[i] * d.channel("light." + c)[i] * d.channel("shadow." + c)[i];
                assertThat(lit * (1 - d.channel("haze.A")[i]) + d.channel("haze." + c)[i]).isCloseTo(full[i], within(1e-3f));
            }
        }
        assertThat(least(d.channel("depth.Z"))).isPositive();
        if (camera == FlatsCamera.PIER) {
            assertThat(least(d.channel("shadow.R"))).as("there is a shadow").isLessThan(.6f);
            assertThat(d.channel("shadow.R")).contains(1f);
            assertThat(d.channel("matte.R")).as("the kite").contains(0f, 1f);
        }
    }

    private static float least(float[] values) {
        float least = values[0];
        for (float v : values) {
            least = Math.min(least, v);
        }
        return least;
    }

    @Test
    void whatIsNoLookIsSaid() {
        assertThatThrownBy(() -> with(look(FlatsCamera.PIER, 1), -1, 1, Shading.LIT, USUAL)).hasMessageContaining("-1 frames");
        assertThatThrownBy(() -> with(look(FlatsCamera.PIER, 1), 0, 0, Shading.LIT, USUAL)).hasMessageContaining("not 0");
        assertThatThrownBy(() -> FlatsCamera.parse("roof")).hasMessageContaining("'roof'");
    }
}
