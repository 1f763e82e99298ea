package dev.vat.desktop.preview;

import dev.vat.protocol.feed.FeedPicture;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.PixelWriter;
import javafx.scene.image.WritableImage;

/** A picture of a scene as one of the toolkit's. */
final class FeedImage {

    private FeedImage() {}

    static Image of(FeedPicture picture) {
        WritableImage image = new WritableImage(picture.width(), picture.height());
        PixelWriter pixels = image.getPixelWriter();
        int row = picture.format().bytesPerPixel() * picture.width();
        if (picture.format().hasAlpha()) {
            byte[] bgra = picture.samples().clone();
            for (int i = 0; i < bgra.length; i += picture.format().bytesPerPixel()) {
                bgra[i] = picture.samples()[i + 2];
                bgra[i + 2] = picture.samples()[i];
            }
            pixels.setPixels(0, 0, picture.width(), picture.height(), PixelFormat.getByteBgraInstance(), bgra, 0, row);
        } else {
            pixels.setPixels(0, 0, picture.width(), picture.height(), PixelFormat.getByteRgbInstance(), picture.samples(), 0, row);
        }
        return image;
    }
}
