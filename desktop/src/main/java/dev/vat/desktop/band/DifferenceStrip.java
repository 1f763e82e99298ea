package dev.vat.desktop.band;

import dev.vat.protocol.ViewerMessage;
import java.util.Optional;

/**
 * Where two strips in step differ.
 *
 * @param inner the first one
 * @param as the file that it is shown as, or null
 * @param second in step with it
 * @param secondAs likewise
 */
public record DifferenceStrip(FrameTrack inner, ViewerMessage.OutputView as, Alongside second, ViewerMessage.OutputView secondAs, int gain,
        boolean signed) implements Wrapped {

    @Override
    public Optional<ViewerMessage.Subject> subject(long place) {
        return inner.recipe(place).flatMap(a -> second.recipe(place)
                .map(b -> new ViewerMessage.Against(new ViewerMessage.Taken(a, as), new ViewerMessage.Taken(b, secondAs), gain, signed)));
    }

    @Override
    public String remark(long place) {
        return second.recipe(place).isEmpty() ? second.remark(place) : inner.remark(place);
    }

    @Override
    public boolean transparent() {
        return false;
    }
}
