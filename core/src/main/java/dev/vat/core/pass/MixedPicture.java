package dev.vat.core.pass;

/**
 * The picture of a source, made again of passes.
 *
 * @param source its id
 */
public record MixedPicture(String source, PassMix mix) {}
