package dev.vat.worker.standin;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CameraFacts;
import dev.vat.core.preview.Choice;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.RawFormat;
import dev.vat.scene.Drawing;
import dev.vat.scene.flats.FlatsCamera;
import dev.vat.scene.flats.MarramFlats;
import dev.vat.scene.flats.ObjectClass;
import dev.vat.scene.flats.RenderPass;
import dev.vat.scene.flats.SceneLook;
import dev.vat.scene.flats.Shading;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** Marram Flats as the feed has it. */
public final class StandIn {

    private static final Words WORDS = Words.of(StandIn.class);

    private static final int LARGEST = 4096;

    private StandIn() {}

    static SceneFacts facts(int take, boolean files) {
        return new SceneFacts(MarramFlats.NAME, take, MarramFlats.RATE, MarramFlats.TIMELINE, MarramFlats.SIZE,
                Arrays.stream(FlatsCamera.values())
                        .map(c -> new CameraFacts(c.id(), c.title(), FrameRange.of(c.first(), c.last()), (long) c.last(), c.leadIn()))
                        .toList(),
                Arrays.stream(Shading.values()).map(s -> new Choice(s.id(), s.title(), false)).toList(),
                Arrays.stream(ObjectClass.values()).map(c -> new Choice(c.id(), c.title(), c.isConstruction())).toList(),
                Arrays.stream(RenderPass.values()).map(p -> new Choice(p.id(), p.id(), false)).toList(),
                List.of(new SceneFacts.Note(50, WORDS.say("bellTowardsThePier")), new SceneFacts.Note(125, WORDS.say("bellTowardsThePier")),
                        new SceneFacts.Note(215, WORDS.say("bellInland"))),
                files);
    }

    /** @throws IllegalArgumentException with what is asked for in vain */
    static SceneLook look(Question.Frame wanted, int take) {
        if (wanted.frame() < MarramFlats.TIMELINE.first() || wanted.frame() > MarramFlats.TIMELINE.last()) {
            throw new IllegalArgumentException(WORDS.say("thereIsNoFrameTheTimeline", wanted.frame(), MarramFlats.TIMELINE));
        }
        if (wanted.width() < 1 || wanted.height() < 1 || wanted.width() > LARGEST || wanted.height() > LARGEST) {
            throw new IllegalArgumentException(WORDS.say("picturesOfXArentDrawn", wanted.width(), wanted.height()));
        }
        return new SceneLook(FlatsCamera.parse(wanted.camera()), (int) wanted.frame(), wanted.run(), take,
                Size.of(wanted.width(), wanted.height()), shading(wanted.shading()), classes(wanted.classes()));
    }

    private static Shading shading(String id) {
        return id == null ? Shading.SHADOWED : Arrays.stream(Shading.values()).filter(s -> s.id().equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(WORDS.say("thereIsNoShading", id)));
    }

    private static Set<ObjectClass> classes(List<String> ids) {
        return ids == null ? Set.of()
                : ids.stream().map(id -> Arrays.stream(ObjectClass.values()).filter(c -> c.id().equals(id)).findFirst()
                        .orElseThrow(() -> new IllegalArgumentException(WORDS.say("thereIsNoKindOfThing", id))))
                        .collect(Collectors.toSet());
    }

    static Drawing draw(Question.Frame wanted, int take) {
        SceneLook look = look(wanted, take);
        return wanted.pass() == null ? MarramFlats.draw(look)
                : MarramFlats.draw(look, Arrays.stream(RenderPass.values()).filter(p -> p.id().equals(wanted.pass())).findFirst()
                        .orElseThrow(() -> new IllegalArgumentException(WORDS.say("thereIsNoPass", wanted.pass()))));
    }

    /** A picture as it is handed over. @throws IllegalArgumentException with what is asked for in vain */
    public static byte[] picture(Question.Frame wanted, int take) {
        return samples(draw(wanted, take));
    }

    /** Where something shows through, alpha is drawn too. */
    static RawFormat format(Drawing drawing) {
        return drawing.channel("A") == null ? RawFormat.RGB8 : RawFormat.RGBA8;
    }

    static byte[] samples(Drawing drawing) {
        int step = format(drawing).bytesPerPixel();
        int pixels = drawing.width() * drawing.height();
        byte[] bytes = new byte[step * pixels];
        String[] names = {"R", "G", "B", "A"};
        for (int p = 0; p < step; p++) {
            float[] plane = drawing.channel(names[p]);
            for (int i = 0, at = p; i < pixels; i++, at += step) {
                // As rounding does, for what isn't negative.
                bytes[at] = (byte) (int) (Math.clamp(plane[i], 0f, 1f) * 255 + .5f);
            }
        }
        return bytes;
    }
}
