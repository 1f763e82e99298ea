package dev.vat.core.proof;

/**
 * How bright a picture in PQ (SMPTE ST 2084) is shown, by the brightest of the three components of each pixel, as CTA-861.3 counts it.
 *
 * @param most of all pixels, in cd/m2
 * @param average over all pixels, in cd/m2
 */
public record FrameLight(double most, double average) {}
