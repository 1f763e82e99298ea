package dev.vat.scene.flats;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.scene.Drawing;
import dev.vat.scene.FrameMark;
import java.util.List;

/**
 * Marram Flats in simple 3D: dunes and a pier, a tower with two bells, kites on strings, sand that drifts. The same look gives the same
 * picture, always.
 */
public final class MarramFlats {

    private static final Words WORDS = Words.of(MarramFlats.class);

    public static final String NAME = WORDS.say("marramFlats");
    public static final Rate RATE = Rate.FPS_25;
    public static final FrameRange TIMELINE = FrameRange.of(1, 600);
    public static final Size SIZE = Size.of(960, 540);

    private MarramFlats() {}

    /** As a display shows it: R, G, B, and straight A where something is transparent. */
    public static Drawing draw(SceneLook look) {
        return layers(look).displayed();
    }

    /** One pass as a display shows it. */
    public static Drawing draw(SceneLook look, RenderPass pass) {
        return layers(look).displayed(pass);
    }

    /** In linear light, premultiplied, every pass as a layer beside the full picture. */
    public static Drawing drawLinear(SceneLook look) {
        return layers(look).linear();
    }

    private static Layers layers(SceneLook look) {
        Layers layers = new Shader(look).draw();
        if (look.draws(ObjectClass.CELLS)) {
            layers.mark(markOf(look.camera(), look.frame()));
        }
        return layers;
    }

    /** What the cells of a picture say: the camera's place in the list of cameras, from 1, and the frame. */
    public static FrameMark markOf(FlatsCamera camera, int frame) {
        return new FrameMark(camera.ordinal() + 1, frame);
    }

    /** Where the lamp on the tower is seen, as shares of the width and the height; may lie outside of the picture. */
    public static List<Double> lamp(FlatsCamera camera, int frame, Size size) {
        Viewpoint view = camera.view(frame);
        Vec seen = view.seen(World.LAMP);
        return List.of(view.across(seen, size.width(), size.height()) / size.width(), view.down(seen, size.height()) / size.height());
    }
}
