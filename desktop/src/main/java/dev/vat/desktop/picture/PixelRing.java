package dev.vat.desktop.picture;

import dev.vat.desktop.compare.HalfPlane;
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
        return put(pixels, width, height, null, null);
    }

    /**
     * The same with a half taken from another picture of the same size: one picture is drawn much faster than two with a mask.
     *
     * @param pixels null where there is nothing to see of the first
     * @param other null where there is nothing to see of the other
     * @param half null for all of the first picture
     */
    WritableImage put(ByteBuffer pixels, int width, int height, ByteBuffer other, HalfPlane half) {
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
        ByteBuffer memory = (ByteBuffer) buffers[slot].getBuffer().clear();
        ByteBuffer first = orNothing(pixels, width, height);
        memory.put(0, first, first.position(), first.remaining());
        if (half != null) {
            ByteBuffer from = orNothing(other, width, height);
            for (int row = 0; row < height; row++) {
                HalfPlane.Span span = half.row(row, width, height);
                int at = 4 * (row * width + span.from());
                memory.put(at, from, from.position() + at, 4 * (span.end() - span.from()));
            }
        }
        buffers[slot].updateBuffer(_ -> null);
        return images[slot];
    }

    private static ByteBuffer orNothing(ByteBuffer pixels, int width, int height) {
        return pixels == null ? ByteBuffer.allocate(4 * width * height) : pixels;
    }
}
