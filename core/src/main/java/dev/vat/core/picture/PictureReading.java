package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * Everything that decides what picture comes out of a frame file: which layer, what its alpha means, what its samples are.
 *
 * @param alpha {@code NONE} and {@code OPAQUE} leave the channel out
 * @param layer of an EXR file; null for the unnamed one, or the first if there is none
 * @param fields how interlaced frames are taken; null where nothing was chosen, which keeps them
 * @param standing null where nothing was chosen, which sets pictures upright
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PictureReading(AlphaKind alpha, String layer, ColourReading colour, FieldReading fields, Standing standing) {

    public PictureReading(AlphaKind alpha, String layer, ColourReading colour) {
        this(alpha, layer, colour, null, null);
    }

    /** What of it the file itself is asked for. */
    public PictureChoice choice() {
        return new PictureChoice(layer, standing);
    }

    /** @param linear whether samples are light, in place of display-coded values */
    public static PictureReading of(AlphaKind alpha, boolean linear) {
        return new PictureReading(alpha, null, linear ? ColourReading.LINEAR : ColourReading.DISPLAY);
    }
}
