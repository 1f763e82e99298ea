package dev.vat.core.trial;

/**
 * How hard a frame of the reel is to pack, as a quick look at it says: bytes of a small picture in a simple codec, which mean something
 * only beside each other.
 *
 * @param alone if nothing else is known
 * @param after if the frames before it are known
 * @param key whether it begins anew: the first of all, or the first after a cut
 */
public record FrameCost(int alone, int after, boolean key) {}
