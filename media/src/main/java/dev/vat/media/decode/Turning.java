package dev.vat.media.decode;

import dev.vat.media.decode.still.Orientation;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.ChromaGrid;
import dev.vat.media.picture.Picture;
import java.util.EnumMap;
import java.util.Map;

/** Turns stored pictures upright. Belongs to one thread. */
public final class Turning implements AutoCloseable {

    private final Filtering fining = new Filtering(p -> "zscale,format=" + (p.hasAlpha() ? "yuva444p" : "yuv444p"));
    private final Map<Orientation, Filtering> turning = new EnumMap<>(Orientation.class);

    /** Takes over the picture that it is given. */
    public Picture upright(Picture stored, Orientation orientation) {
        if (orientation == Orientation.UPRIGHT) {
            return stored;
        }
        try (stored; Picture fine = fine(stored)) {
            return turning.computeIfAbsent(orientation, how -> new Filtering(_ -> how.chain())).apply(fine);
        }
    }

    /** Colour as fine as brightness: turned as it is, coarse colour of an odd size would lie beside its pixels. */
    Picture fine(Picture picture) {
        return ChromaGrid.isFine(picture) ? picture.share() : fining.applyToWhole(picture);
    }

    @Override
    public void close() {
        fining.close();
        turning.values().forEach(Filtering::close);
    }
}
