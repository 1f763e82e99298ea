package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.picture.Rgb;

/** An item that Vat draws itself, for any size and rate. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes(@JsonSubTypes.Type(value = Drawn.Plain.class, name = "plain"))
public sealed interface Drawn {

    /** How long it lasts, in reel frames. */
    long frames();

    Drawn withFrames(long frames);

    @JsonIgnore
    String title();

    /** What stands at one of its places, counted from 0. */
    ReelFrame.Content at(long place);

    /** One colour all over. */
    record Plain(Rgb colour, long frames) implements Drawn {
        public Plain {
            if (frames < 1 || frames > 10_000_000) {
                throw new IllegalArgumentException("A colour lasts from 1 to 10000000 frames, not " + frames);
            }
        }

        public static Plain black(long frames) {
            return new Plain(Rgb.BLACK, frames);
        }

        @Override
        public Plain withFrames(long other) {
            return new Plain(colour, other);
        }

        @Override
        public String title() {
            return colour.equals(Rgb.BLACK) ? "Black" : "Colour #" + colour;
        }

        @Override
        public ReelFrame.Content at(long place) {
            return new ReelFrame.Plain(colour);
        }
    }
}
