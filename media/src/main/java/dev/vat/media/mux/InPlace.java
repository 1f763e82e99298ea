package dev.vat.media.mux;

import dev.vat.core.container.IsoLengths;
import dev.vat.core.delivery.Container;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Writes some bytes of a finished file anew, where they lie. */
final class InPlace implements AutoCloseable {

    private final FileChannel channel;

    InPlace(Path file) throws IOException {
        channel = FileChannel.open(file, StandardOpenOption.WRITE);
    }

    /** What the library writes otherwise than it should: lengths in MP4 and MOV, and in MXF which material it is. */
    static void mend(Path file, Container container, Origin origin) throws IOException {
        if (container.mayHaveIndexInFront()) {
            lengths(file);
        } else if (container == Container.MXF) {
            MxfIdentity.give(file, origin);
        }
    }

    private static void lengths(Path file) throws IOException {
        try (FileBytes found = FileBytes.of(file); InPlace bytes = new InPlace(file)) {
            for (IsoLengths.Patch patch : IsoLengths.mended(found)) {
                bytes.write(patch.at(), patch.value());
            }
        }
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
