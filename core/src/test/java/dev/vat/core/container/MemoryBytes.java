package dev.vat.core.container;

import java.io.EOFException;
import java.io.IOException;
import java.util.Arrays;

/** A file that is in memory. */
public record MemoryBytes(byte[] all) implements Bytes {

    @Override
    public long size() {
        return all.length;
    }

    @Override
    public byte[] read(long at, int count) throws IOException {
        if (at < 0 || count < 0 || at + count > all.length) {
            throw new EOFException("the end");
        }
        return Arrays.copyOfRange(all, (int) at, (int) at + count);
    }
}
