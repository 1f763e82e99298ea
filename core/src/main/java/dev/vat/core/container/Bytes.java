package dev.vat.core.container;

import java.io.IOException;

/** The bytes of a file, wherever they lie. Core reads no files itself: who does gives them this way. */
public interface Bytes {

    long size();

    /**
     * Some bytes of it.
     *
     * @param at from 0
     * @throws IOException if they can't be read, or the file ends before
     */
    byte[] read(long at, int count) throws IOException;
}
