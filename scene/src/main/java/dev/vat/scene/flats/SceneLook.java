package dev.vat.scene.flats;

import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.util.Set;

/**
 * What picture of Marram Flats is wanted; the same one is the same, byte for byte.
 *
 * @param frame of the timeline
 * @param run how many frames were run before it: the sand settles in the course of them
 * @param take from 1: how the kites are flown
 * @param classes what is drawn beside the things themselves
 */
public record SceneLook(FlatsCamera camera, int frame, long run, int take, Size size, Shading shading, Set<ObjectClass> classes) {

    private static final Words WORDS = Words.of(SceneLook.class);

    public SceneLook {
        if (run < 0) {
            throw new IllegalArgumentException(WORDS.say("nothingWasRunForFrames", run));
        }
        if (take < 1) {
            throw new IllegalArgumentException(WORDS.say("takesAreCountedFrom1Not", take));
        }
        classes = Set.copyOf(classes);
    }

    boolean draws(ObjectClass which) {
        return classes.contains(which);
    }
}
