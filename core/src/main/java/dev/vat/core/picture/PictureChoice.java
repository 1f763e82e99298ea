package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonInclude;

/**
 * Which picture of a file is looked into, before anything is made of its samples.
 *
 * @param layer of an EXR file; null for the unnamed one, or the first if there is none
 * @param standing null where nothing was chosen, which sets pictures upright
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record PictureChoice(String layer, Standing standing) {

    /** The main picture, upright. */
    public static final PictureChoice MAIN = new PictureChoice(null, null);

    public static PictureChoice ofLayer(String layer) {
        return new PictureChoice(layer, null);
    }
}
