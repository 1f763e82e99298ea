package dev.vat.desktop.compare;

import dev.vat.core.picture.Rgb;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.protocol.ViewerMessage;
import java.util.Optional;

/**
 * One of two pictures that are held against each other.
 *
 * @param heading whose it is
 * @param ground colour behind transparent places, or null for a checker
 * @param as the deliverable that it is shown as, or null
 */
public record Side(FrameTrack strip, String heading, Rgb ground, ViewerMessage.OutputView as) {

    /** The picture at a place, with the file it is taken as. */
    public Optional<ViewerMessage.Taken> taken(long place) {
        return strip.recipe(place).map(s -> new ViewerMessage.Taken(s, as));
    }
}
