package dev.vat.desktop.picture;

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
    WritableImage put(ByteBuffer pixels, int width, int height) {
        int slot = next;
        next = (next + 1) % SIZE;
        WritableImage image = images[slot];
        if (image == null || (int) image.getWidth() != width || (int) image.getHeight() != height) {
            ByteBuffer memory = ByteBuffer.allocateDirect(4 * width * height);
            PixelBuffer<ByteBuffer> buffer = new PixelBuffer<>(width, height, memory,
                    PixelFormat.getByteBgraPreInstance());
            buffers[slot] = buffer;
            images[slot] = new WritableImage(buffer);
        }
        ((ByteBuffer) buffers[slot].getBuffer().clear()).put(pixels.duplicate());
        buffers[slot].updateBuffer(_ -> null);
        return images[slot];
    }
}
