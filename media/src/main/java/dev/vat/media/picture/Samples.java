package dev.vat.media.picture;

/**
 * A picture as plain arrays, for what is drawn by code: display-coded or linear values from 0 to 1 (linear ones may go
 * beyond), rows from the top.
 *
 * @param alpha null for none
 */
public record Samples(int width, int height, float[] red, float[] green, float[] blue, float[] alpha) {}
