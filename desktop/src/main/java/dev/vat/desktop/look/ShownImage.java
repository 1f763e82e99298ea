package dev.vat.desktop.look;

import dev.vat.engine.viewer.ShownPicture;
import java.nio.ByteBuffer;
import javafx.scene.image.Image;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** Small pictures of the viewer's as images of the toolkit's. */
public final class ShownImage {

    private ShownImage() {}

    /** A copy: the picture may be closed afterwards. */
    public static Image of(ShownPicture picture) {
        ByteBuffer pixels = ByteBuffer.allocateDirect(4 * picture.width() * picture.height());
        picture.copyTo(pixels);
        WritableImage image = new WritableImage(picture.width(), picture.height());
        image.getPixelWriter().setPixels(0, 0, picture.width(), picture.height(), PixelFormat.getByteBgraPreInstance(),
                pixels.rewind(), 4 * picture.width());
        return image;
    }
}
