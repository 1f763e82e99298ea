package dev.vat.media.mux;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.IsoLengths;
import dev.vat.core.container.MakerName;
import dev.vat.core.container.Patch;
import dev.vat.core.delivery.Container;
import dev.vat.core.product.VatVersion;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;

/** Writes some bytes of a finished file anew, where they lie. */
final class InPlace implements AutoCloseable {

    private final FileChannel channel;

    InPlace(Path file) throws IOException {
        channel = FileChannel.open(file, StandardOpenOption.WRITE);
    }

    /** What the library writes otherwise than it should: lengths in MP4 and MOV, in MXF which material it is, and its own name. */
    static void mend(Path file, Container container, Origin origin) throws IOException {
        switch (container) {
            case MP4 -> write(file, IsoLengths::mended);
            case MOV -> {
                write(file, IsoLengths::mended);
                write(file, f -> MakerName.inMovie(f, VatVersion.NAME));
            }
            case MKV, WEBM -> write(file, f -> MakerName.inMatroska(f, VatVersion.NAME));
            case MXF -> MxfIdentity.give(file, origin);
            case AVI, TS, GIF, APNG, WEBP, AVIF, FRAMES -> {
                // What they lack can be said to the library.
            }
        }
    }

    private interface Mending {
        List<Patch> of(Bytes file) throws IOException;
    }

    private static void write(Path file, Mending mending) throws IOException {
        try (FileBytes found = FileBytes.of(file); InPlace bytes = new InPlace(file)) {
            for (Patch patch : mending.of(found)) {
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
