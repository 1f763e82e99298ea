package dev.vat.core.delivery;

import java.util.Set;

/**
 * One codec at one profile: what it can carry, where it may stand, and what a decoder will report of it.
 *
 * @param id our name for it, used in plans
 * @param title as people say it, with the profile: {@code ProRes 422 HQ}
 * @param reportedName the codec's name as a reader reports it
 * @param reportedProfile the profile as a reader reports it
 * @param codedBits bits per sample that are coded
 * @param readBits bits per sample that decoders give back, which may be more than were coded
 * @param alphaBits bits of the alpha samples; 0 if it carries none; alpha is straight
 * @param containers where it may stand
 * @param partForm whether it may be cut under the rate control given here
 * @param rateControl in words
 * @param groupSeconds seconds from one self-contained frame to the next; 0 if every frame is one
 * @param lowBitsPerPixel a rough lower bound of what a pixel takes
 * @param highBitsPerPixel a rough upper bound of what a pixel takes
 */
public record Codec(String id, String title, String reportedName, String reportedProfile, Chroma chroma, int codedBits,
                    int readBits, int alphaBits, Set<Container> containers, PartForm partForm, String rateControl,
                    int groupSeconds, double lowBitsPerPixel, double highBitsPerPixel) {

    public Codec {
        containers = Set.copyOf(containers);
    }

    public boolean hasAlpha() {
        return alphaBits > 0;
    }

    /** {@code 10-bit}, or {@code 10-bit coded, read as 12} where decoders give back more. */
    public String depthText() {
        return codedBits == readBits ? codedBits + "-bit" : codedBits + "-bit coded, read as " + readBits;
    }
}
