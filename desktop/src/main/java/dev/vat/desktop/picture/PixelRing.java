package dev.vat.desktop.picture;

import dev.vat.engine.viewer.ShownPicture;
import java.nio.ByteBuffer;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/**
 * Three pixel buffers in turn: one on the screen, one that the renderer may still read, one to fill. With fewer, pictures
 * tear.
 */
final class PixelRing {

    private static final int SIZE = 3;

    private final WritableImage[] images = new WritableImage[SIZE];
    private final PixelBuffer<?>[] buffers = new PixelBuffer<?>[SIZE];
    private int next;

    /** Copies a picture into the next buffer and gives its image; on the interface's thread only. */
    WritableImage put(ShownPicture picture) {
        int slot = next;
        next = (next + 1) % SIZE;
        WritableImage image = images[slot];
        if (image == null || (int) image.getWidth() != picture.width() || (int) image.getHeight() != picture.height()) {
            ByteBuffer memory = ByteBuffer.allocateDirect(4 * picture.width() * picture.height());
            PixelBuffer<ByteBuffer> buffer = new PixelBuffer<>(picture.width(), picture.height(), memory,
                    PixelFormat.getByteBgraPreInstance());
            buffers[slot] = buffer;
            images[slot] = new WritableImage(buffer);
        }
        picture.copyTo((ByteBuffer) buffers[slot].getBuffer().clear());
        buffers[slot].updateBuffer(_ -> null);
        return images[slot];
    }
}
