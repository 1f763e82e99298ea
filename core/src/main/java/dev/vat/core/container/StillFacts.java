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
 * @param compression by the number that its format has for it
 */
public record StillFacts(Size size, int bits, int alphaBits, PixelAspect pixelAspect, Integer primaries, Integer transfer, Rate rate,
        Timecode label, Integer compression) {

    StillFacts(Size size, int bits, int alphaBits, PixelAspect pixelAspect) {
        this(size, bits, alphaBits, pixelAspect, null, null, null, null, null);
    }

    StillFacts withColour(Integer newPrimaries, Integer newTransfer) {
        return new StillFacts(size, bits, alphaBits, pixelAspect, newPrimaries, newTransfer, rate, label, compression);
    }

    StillFacts withTime(Rate newRate, Timecode newLabel) {
        return new StillFacts(size, bits, alphaBits, pixelAspect, primaries, transfer, newRate, newLabel, compression);
    }

    StillFacts withCompression(int number) {
        return new StillFacts(size, bits, alphaBits, pixelAspect, primaries, transfer, rate, label, number);
    }
}
