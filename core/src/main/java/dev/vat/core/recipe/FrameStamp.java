package dev.vat.core.recipe;

/**
 * A frame's file as it was when it was checked.
 *
 * @param bytes its length
 * @param modified milliseconds of Unix time
 * @param print fingerprint of its decoded samples, or null where it wasn't decoded by itself
 */
public record FrameStamp(long number, long bytes, long modified, Integer print) {}
