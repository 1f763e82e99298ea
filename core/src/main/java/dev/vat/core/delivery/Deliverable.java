package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import java.util.Map;

/**
 * One file to be made from a reel: a column of the Out face.
 *
 * @param target id in the {@link Catalogue}
 * @param flatten the colour that shows through where the source is transparent, if the target carries no alpha
 * @param cropToGrid whether an odd size loses its last column or row, so that it falls on the chroma grid
 */
public record Deliverable(String target, Rgb flatten, boolean cropToGrid,
                          @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Deliverable {
        flatten = flatten == null ? Rgb.BLACK : flatten;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Deliverable of(Target target) {
        return new Deliverable(target.id(), Rgb.BLACK, false, Map.of());
    }

    public Deliverable withFlatten(Rgb colour) {
        return new Deliverable(target, colour, cropToGrid, extra);
    }

    public Deliverable withCropToGrid(boolean crop) {
        return new Deliverable(target, flatten, crop, extra);
    }

    @JsonIgnore
    public Target targetInCatalogue() {
        return Catalogue.target(target);
    }

    /** The file's size for a reel of {@code reel} pixels: it follows the source, less what an odd edge loses. */
    public Size sizeFor(Size reel) {
        Chroma chroma = targetInCatalogue().codec().chroma();
        return cropToGrid ? reel.downTo(chroma.widthStep(), chroma.heightStep()) : reel;
    }

    /** Whether that size falls on the codec's chroma grid. */
    public boolean fitsGrid(Size reel) {
        Size size = sizeFor(reel);
        Chroma chroma = targetInCatalogue().codec().chroma();
        return size.width() % chroma.widthStep() == 0 && size.height() % chroma.heightStep() == 0;
    }
}
