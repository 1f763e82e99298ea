package dev.vat.engine.viewer;

import java.lang.foreign.MemorySegment;
import java.nio.ByteBuffer;

/**
 * A picture in its slot: B G R A with colour multiplied by alpha, rows from the top without anything between. Closing it
 * gives the slot back; its memory must not be touched afterwards.
 */
public final class ShownPicture implements AutoCloseable {

    private final int width;
    private final int height;
    private final MemorySegment pixels;
    private final Runnable release;

    ShownPicture(int width, int height, MemorySegment pixels, Runnable release) {
        this.width = width;
        this.height = height;
        this.pixels = pixels;
        this.release = release;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public void copyTo(ByteBuffer target) {
        MemorySegment.ofBuffer(target).copyFrom(pixels);
    }

    @Override
    public void close() {
        release.run();
    }
}
