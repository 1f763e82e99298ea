package dev.vat.protocol.feed;

/**
 * A picture of a scene.
 *
 * @param format how its samples lie; null if it lies in a file
 * @param samples null if it lies in a file
 */
public record FeedPicture(long frame, int width, int height, RawFormat format, byte[] samples) {

    static FeedPicture filed(Answer.Filed filed) {
        return new FeedPicture(filed.frame(), filed.width(), filed.height(), null, null);
    }

    public boolean isFiled() {
        return samples == null;
    }
}
