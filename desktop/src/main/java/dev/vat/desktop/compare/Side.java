package dev.vat.desktop.compare;

import dev.vat.core.picture.Rgb;
import dev.vat.desktop.strip.Strip;
import dev.vat.engine.protocol.Message;
import java.util.Optional;

/**
 * One of two pictures that are held against each other.
 *
 * @param heading whose it is
 * @param ground colour behind transparent places, or null for a checker
 * @param as the deliverable that it is shown as, or null
 */
public record Side(Strip strip, String heading, Rgb ground, Message.As as) {

    /** The picture at a place, with the file it is taken as. */
    public Optional<Message.Taken> taken(long place) {
        return strip.subject(place).map(s -> new Message.Taken(s, as));
    }
}
