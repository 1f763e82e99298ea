package dev.vat.desktop.preview;

import dev.vat.engine.feed.FeedPicture;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** A picture of a scene as one of the toolkit's. */
final class FeedImage {

    private FeedImage() { }

    static Image of(FeedPicture picture) {
        byte[] rgba = picture.rgba();
        byte[] bgra = new byte[rgba.length];
        for (int i = 0; i < rgba.length; i += 4) {
            bgra[i] = rgba[i + 2];
            bgra[i + 1] = rgba[i + 1];
            bgra[i + 2] = rgba[i];
            bgra[i + 3] = rgba[i + 3];
        }
        WritableImage image = new WritableImage(picture.width(), picture.height());
        image.getPixelWriter().setPixels(0, 0, picture.width(), picture.height(), PixelFormat.getByteBgraInstance(), bgra, 0, 4 * picture.width());
        return image;
    }
}
