package dev.vat.core.container;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;

/**
 * What the head of a still says of its picture.
 *
 * @param bits of a colour sample @param alphaBits 0 where there is none
 * @param pixelAspect null where it isn't stated, as with the rest
 * @param primaries code point of ITU-T H.273, as with the transfer
 * @param label of the frame
 */
public record StillFacts(Size size, int bits, int alphaBits, PixelAspect pixelAspect, Integer primaries, Integer transfer, Rate rate,
        Timecode label) {

    StillFacts(Size size, int bits, int alphaBits, PixelAspect pixelAspect) {
        this(size, bits, alphaBits, pixelAspect, null, null, null, null);
    }

    StillFacts withColour(Integer newPrimaries, Integer newTransfer) {
        return new StillFacts(size, bits, alphaBits, pixelAspect, newPrimaries, newTransfer, rate, label);
    }

    StillFacts withTime(Rate newRate, Timecode newLabel) {
        return new StillFacts(size, bits, alphaBits, pixelAspect, primaries, transfer, newRate, newLabel);
    }
}
