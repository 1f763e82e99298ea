package dev.vat.core.bitstream;

import dev.vat.core.time.Rational;

/**
 * What coded pictures say of themselves. What a coding doesn't state is null, or -1 for numbers.
 *
 * @param standard that it was read by: {@code ITU-T H.264}
 * @param profile by the standard's name
 * @param level by the standard's number, such as {@code 4.1}; null for none
 * @param width and {@code height}: of the picture in pixels, without what is cropped
 * @param bits of a sample
 * @param chroma {@code 4:2:0}, {@code 4:2:2}, {@code 4:4:4}, {@code 4:1:1}, {@code RGB} or {@code grey}
 * @param alphaBits 0 for none; -1 where it isn't stated
 * @param colour as it is tagged, or null
 * @param pixelAspect width of a pixel to its height, or null
 * @param perSecond frames a second, or null
 * @param fields order of lines, or null where each frame may differ
 * @param label of the first frame, {@code 10:00:00:00} or {@code 10:00:00;00}, or null
 */
public record StreamFacts(String standard, String profile, String level, int width, int height, int bits, String chroma, int alphaBits,
        Colour colour, Rational pixelAspect, Rational perSecond, Fields fields, String label) {

    StreamFacts(String standard, String profile, String level, int width, int height, int bits, String chroma, int alphaBits,
            Colour colour, Rational pixelAspect, Rational perSecond, Fields fields) {
        this(standard, profile, level, width, height, bits, chroma, alphaBits, colour, pixelAspect, perSecond, fields, null);
    }

    StreamFacts withLabel(String said) {
        return new StreamFacts(standard, profile, level, width, height, bits, chroma, alphaBits, colour, pixelAspect, perSecond, fields,
                said);
    }

    /** Code points of ITU-T H.273; 2 is unspecified. @param full whether samples use all codes; null where that isn't stated */
    public record Colour(int primaries, int transfer, int matrix, Boolean full) {}

    public enum Fields {
        PROGRESSIVE, TOP_FIRST, BOTTOM_FIRST
    }

    static String chroma(int idc) {
        return switch (idc) {
            case 0 -> "grey";
            case 1 -> "4:2:0";
            case 2 -> "4:2:2";
            default -> "4:4:4";
        };
    }
}
