package dev.vat.media.encode;

import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.Picture;

/**
 * Brings pictures down to the 256 colours that suit each best, dithered by error diffusion. Belongs to one thread.
 */
final class Palette implements AutoCloseable {

    private final Filtering filtering;

    /** @param transparent whether one of the colours is kept for places that are more than half transparent */
    Palette(boolean transparent) {
        String reserve = transparent ? "1" : "0";
        filtering = new Filtering(_ -> "format=" + (transparent ? "bgra" : "bgr0,format=bgra")
                + ",split[a][b];[a]palettegen=stats_mode=single:reserve_transparent=" + reserve
                + "[p];[b][p]paletteuse=new=1:dither=sierra2_4a:alpha_threshold=128");
    }

    Picture reduce(Picture picture) {
        return filtering.apply(picture);
    }

    @Override
    public void close() {
        filtering.close();
    }
}
