package dev.vat.engine.process;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.ArrayDeque;
import java.util.Deque;

/** Bytes from some threads to one other, as many as there are. Unlike the JDK's piped streams it doesn't care which threads live. */
final class BytePipe {

    private static final Words WORDS = Words.of(BytePipe.class);

    private final Deque<byte[]> waiting = new ArrayDeque<>();
    private int read;
    private boolean closed;

    /** What has been written is read to its end first. */
    synchronized void close() {
        closed = true;
        notifyAll();
    }

    private synchronized void put(byte[] bytes) throws IOException {
        if (closed) {
            throw new IOException(WORDS.say("thePipeIsClosed"));
        }
        waiting.add(bytes);
        notifyAll();
    }

    private synchronized int take(byte[] into, int offset, int length) throws IOException {
        while (waiting.isEmpty() && !closed) {
            try {
                wait();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IOException(WORDS.say("interruptedWhileReading"), e);
            }
        }
        if (waiting.isEmpty()) {
            return -1;
        }
        byte[] first = waiting.peek();
        int count = Math.min(length, first.length - read);
        System.arraycopy(first, read, into, offset, count);
        read += count;
        if (read == first.length) {
            waiting.remove();
            read = 0;
        }
        return count;
    }

    InputStream in() {
        return new InputStream() {
            @Override
            public int read() throws IOException {
                byte[] one = new byte[1];
                return take(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
            }

            @Override
            public int read(byte[] into, int offset, int length) throws IOException {
                return length == 0 ? 0 : take(into, offset, length);
            }
        };
    }

    OutputStream out() {
        return new OutputStream() {
            @Override
            public void write(int value) throws IOException {
                put(new byte[] {(byte) value});
            }

            @Override
            public void write(byte[] from, int offset, int length) throws IOException {
                if (length > 0) {
                    byte[] copy = new byte[length];
                    System.arraycopy(from, offset, copy, 0, length);
                    put(copy);
                }
            }

            @Override
            public void close() {
                BytePipe.this.close();
            }
        };
    }
}
