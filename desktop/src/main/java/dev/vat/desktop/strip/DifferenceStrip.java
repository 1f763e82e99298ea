package dev.vat.desktop.strip;

import dev.vat.engine.protocol.Message;
import java.util.Optional;

/**
 * Where two strips in step differ.
 *
 * @param inner the first one
 * @param as the file that it is shown as, or null
 * @param second in step with it
 * @param secondAs likewise
 */
public record DifferenceStrip(Strip inner, Message.As as, Alongside second, Message.As secondAs, int gain, boolean signed) implements Wrapped {

    @Override
    public Optional<Message.Subject> subject(long place) {
        return inner.subject(place).flatMap(a -> second.subject(place).map(b -> new Message.Against(new Message.Taken(a, as), new Message.Taken(b, secondAs), gain, signed)));
    }

    @Override
    public String remark(long place) {
        return second.subject(place).isEmpty() ? second.remark(place) : inner.remark(place);
    }

    @Override
    public boolean transparent() {
        return false;
    }
}
