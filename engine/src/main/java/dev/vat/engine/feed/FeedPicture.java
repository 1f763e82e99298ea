package dev.vat.engine.feed;

/**
 * A picture of a scene.
 *
 * @param rgba rows from the top, four bytes a pixel, red first, straight alpha, as a display shows them; null if it lies in a file
 */
public record FeedPicture(long frame, int width, int height, byte[] rgba) { }
