package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.Size;

/**
 * What becomes of the reel's pictures on their way into a file.
 *
 * @param placement which part of the reel's picture goes where in the file's
 * @param colour what the file's samples mean
 * @param ground what shows through where the file can't be seen through
 * @param look a table of colours that they go through first, or null
 * @param content what of them goes into the file
 * @param draft whether a mark says that it is one
 * @param scan whether two of them are woven into one frame
 * @param pass the pass of a shot that the file shows by itself, or null for the whole picture
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Treatment(Placement placement, ColourCoding colour, Ground ground, Look look, Content content, Scan scan,
        @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean draft, String pass) {

    public Treatment(Placement placement, ColourCoding colour, Ground ground, Look look, Content content, Scan scan, boolean draft) {
        this(placement, colour, ground, look, content, scan, draft, null);
    }

    /** Which of a picture's channels a file is made of. */
    public enum Content {
        /** Colour, and alpha where the codec carries it. */
        PICTURE,
        /** Alpha alone, as a grey picture: white is opaque. */
        MATTE
    }

    /** For pictures that have the file's size already, in the usual colours of a codec, laid over black. */
    public static Treatment plain(Codec codec, Size size) {
        return new Treatment(Placement.cut(size, size), codec.colourFor(size), Ground.BLACK, null, Content.PICTURE, Scan.PROGRESSIVE,
                false);
    }

    public Treatment withPlacement(Placement other) {
        return new Treatment(other, colour, ground, look, content, scan, draft, pass);
    }

    public Treatment withColour(ColourCoding other) {
        return new Treatment(placement, other, ground, look, content, scan, draft, pass);
    }

    public Treatment withGround(Ground other) {
        return new Treatment(placement, colour, other, look, content, scan, draft, pass);
    }

    public Treatment withLook(Look other) {
        return new Treatment(placement, colour, ground, other, content, scan, draft, pass);
    }

    /** @param other null for the whole picture */
    public Treatment withPass(String other) {
        return new Treatment(placement, colour, ground, look, content, scan, draft, other);
    }

    /** The same for the matte beside a picture: colours, looks and grounds mean nothing to it. */
    public Treatment asMatte() {
        return new Treatment(placement, colour, Ground.BLACK, null, Content.MATTE, scan, draft, pass);
    }

    /** Whether samples are scaled, looked up or marked before they are converted, for which eight bits are too few. */
    public boolean changesSamples() {
        return placement.isScaled() || look != null || draft;
    }

    @JsonIgnore
    public boolean isMatte() {
        return content == Content.MATTE;
    }
}
