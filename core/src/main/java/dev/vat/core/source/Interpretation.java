package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Standing;

/**
 * How somebody wants pictures to be taken; null means: as the file states it.
 *
 * @param alpha {@code NONE} passes over the alpha channel
 * @param layer which picture of an EXR file, empty for the unnamed one
 * @param fields how interlaced frames are taken; whole frames stay as they are
 * @param standing how pictures are taken that are stored turned or mirrored
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Interpretation(PixelAspect pixelAspect, AlphaKind alpha, ColourReading colour, String layer,
        FieldReading fields, Standing standing) {

    public static final Interpretation AS_STATED = new Interpretation(null, null, null, null, null, null);

    public Interpretation withPixelAspect(PixelAspect other) {
        return new Interpretation(other, alpha, colour, layer, fields, standing);
    }

    public Interpretation withAlpha(AlphaKind other) {
        return new Interpretation(pixelAspect, other, colour, layer, fields, standing);
    }

    public Interpretation withColour(ColourReading other) {
        return new Interpretation(pixelAspect, alpha, other, layer, fields, standing);
    }

    public Interpretation withLayer(String other) {
        return new Interpretation(pixelAspect, alpha, colour, other, fields, standing);
    }

    public Interpretation withFields(FieldReading other) {
        return new Interpretation(pixelAspect, alpha, colour, layer, other, standing);
    }

    public Interpretation withStanding(Standing other) {
        return new Interpretation(pixelAspect, alpha, colour, layer, fields, other);
    }

    /** Which picture of each file is looked into. */
    public PictureChoice choice() {
        return new PictureChoice(layer, standing);
    }

    @JsonIgnore
    public boolean isAsStated() {
        return equals(AS_STATED);
    }

    public PixelAspect pixelAspectOf(PictureFormat format) {
        return pixelAspect == null ? format.pixelAspect() : pixelAspect;
    }

    /** The frames of a file as they are counted when it is read like this: each field is one, if that is wished of a movie. */
    public FrameTable asRead(FrameTable found) {
        return fields == FieldReading.EACH && found.sequence().kind().isMovie() ? found.ofFields() : found;
    }

    /** What was chosen where there is something to choose, else what was found. */
    public AlphaKind alphaOf(FrameTable table) {
        AlphaKind found = table.alpha();
        boolean choice = alpha != null && found.carriesTransparency();
        return choice ? alpha : found;
    }

    public ColourReading colourOf(PictureFormat format) {
        ColourReading usual = format.linear() ? ColourReading.LINEAR : ColourReading.DISPLAY;
        return (colour == null ? usual : colour).withStated(format.stated());
    }

    /** Everything together, for a source whose frames were looked into. */
    public PictureReading resolve(FrameTable table) {
        ColourReading taken = table.format().map(this::colourOf).orElse(colour == null ? ColourReading.DISPLAY : colour);
        return new PictureReading(alphaOf(table), layer, taken, fields, standing);
    }
}
