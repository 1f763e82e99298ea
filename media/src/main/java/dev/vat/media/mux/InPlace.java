package dev.vat.media.mux;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Writes some bytes of a file anew, where they lie. */
final class InPlace implements AutoCloseable {

    private final FileChannel channel;

    InPlace(Path file) throws IOException {
        channel = FileChannel.open(file, StandardOpenOption.WRITE);
    }

    void write(long at, byte[] value) throws IOException {
        ByteBuffer bytes = ByteBuffer.wrap(value);
        while (bytes.hasRemaining()) {
            channel.write(bytes, at + bytes.position());
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
