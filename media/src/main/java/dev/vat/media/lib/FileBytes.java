package dev.vat.media.lib;

import dev.vat.core.container.Bytes;
import dev.vat.core.words.Words;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;

/** A file's bytes, read as they are asked for. */
public final class FileBytes implements Bytes, AutoCloseable {

    private static final Words WORDS = Words.of(FileBytes.class);

    private final FileChannel channel;
    private final long size;

    private FileBytes(FileChannel channel, long size) {
        this.channel = channel;
        this.size = size;
    }

    public static FileBytes of(Path file) throws IOException {
        FileChannel channel = FileChannel.open(file);
        return new FileBytes(channel, channel.size());
    }

    @Override
    public long size() {
        return size;
    }

    @Override
    public byte[] read(long at, int count) throws IOException {
        ByteBuffer into = ByteBuffer.allocate(count);
        while (into.hasRemaining()) {
            if (channel.read(into, at + into.position()) < 0) {
                throw new EOFException(WORDS.say("ends", at + count));
            }
        }
        return into.array();
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
