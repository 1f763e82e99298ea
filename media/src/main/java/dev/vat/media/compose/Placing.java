package dev.vat.media.compose;

import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Size;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;

/**
 * Lays working pictures of another shape into the reel's frame: cut, scaled, with bars that are black, or transparent where pictures can
 * be seen through. An instance belongs to one thread.
 */
public final class Placing implements AutoCloseable {

    private final Filtering filtering;

    public Placing(Placement placement, Size frame) {
        filtering = new Filtering(picture -> chain(placement, frame, picture, picture.hasAlpha()) + "null");
    }

    /** @return a picture of its own, of the frame's size */
    public Picture place(Picture working) {
        Picture placed = filtering.apply(working);
        ColourTags.like(working, placed);
        return placed;
    }

    /** Filters for a picture of working samples, each with a comma behind; with alpha, colours are weighed by it. */
    public static String chain(Placement placement, Size frame, Picture picture, boolean alpha) {
        Placement.Box from = placement.from();
        Placement.Box to = placement.to();
        StringBuilder chain = new StringBuilder();
        if (picture.width() != from.width() || picture.height() != from.height()) {
            chain.append("crop=%d:%d:%d:%d:exact=1,".formatted(from.width(), from.height(), from.x(), from.y()));
        }
        if (placement.isScaled()) {
            chain.append(alpha ? "premultiply=inplace=1,setparams=alpha_mode=premultiplied," : "")
                    .append("zscale=w=%d:h=%d:filter=spline36:matrixin=gbr:matrix=gbr:rangein=full:range=full,".formatted(to.width(),
                            to.height()))
                    .append(alpha ? "unpremultiply=inplace=1,setparams=alpha_mode=straight," : "");
        }
        if (to.width() != frame.width() || to.height() != frame.height()) {
            String samples = alpha ? picture.bits() > 8 ? "gbrap16le" : "gbrap" : picture.bits() > 8 ? "gbrp16le" : "gbrp";
            chain.append("format=%s,pad=%d:%d:%d:%d:color=black@%d,format=%1$s,".formatted(samples, frame.width(), frame.height(), to.x(),
                    to.y(), alpha ? 0 : 1));
        }
        return chain.toString();
    }

    @Override
    public void close() {
        filtering.close();
    }
}
