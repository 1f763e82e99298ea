package dev.vat.protocol.feed;

import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Json;
import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** Lines of JSON and raw bytes over one connection. Writing may be done by several threads. */
public final class FeedWire implements AutoCloseable {

    private static final Words WORDS = Words.of(FeedWire.class);

    /** A longer line is no question and no answer. */
    private static final int LONGEST_LINE = 1 << 20;
    private static final int BUFFER = 1 << 16;
    private static final int SHOWN = 120;

    private final Socket socket;
    private final InputStream in;
    private final OutputStream out;

    public FeedWire(Socket socket) throws IOException {
        this.socket = socket;
        socket.setTcpNoDelay(true);
        in = new BufferedInputStream(socket.getInputStream(), BUFFER);
        out = new BufferedOutputStream(socket.getOutputStream(), BUFFER);
    }

    /** The next line, or empty at the end. @throws FeedException for one that can't be understood */
    public <T> Optional<T> read(Class<T> type) throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        for (int next = in.read(); next != '\n'; next = in.read()) {
            if (next < 0) {
                return Optional.empty();
            }
            if (line.size() == LONGEST_LINE) {
                throw new FeedException(WORDS.say("theOtherSideSentALineOf", LONGEST_LINE));
            }
            line.write(next);
        }
        String text = line.toString(StandardCharsets.UTF_8);
        try {
            return Optional.ofNullable(Json.MAPPER.readValue(text, type));
        } catch (JsonProcessingException e) {
            Throwable reason = e.getCause() instanceof IllegalArgumentException own ? own : e;
            throw new FeedException(WORDS.say("theOtherSideSentWhatCant", text.substring(0, Math.min(SHOWN, text.length())),
                    (reason == e ? "" : " (" + reason.getMessage() + ")")), e);
        }
    }

    byte[] bytes(int count) throws IOException {
        byte[] bytes = new byte[count];
        if (in.readNBytes(bytes, 0, count) < count) {
            throw new EOFException(WORDS.say("theConnectionEndedWithin"));
        }
        return bytes;
    }

    void skip(long count) throws IOException {
        in.skipNBytes(count);
    }

    public void write(Object line) throws IOException {
        write(line, new byte[0]);
    }

    /** A line and the bytes that belong behind it. */
    public void write(Object line, byte[] bytes) throws IOException {
        synchronized (out) {
            out.write((Json.line(line) + "\n").getBytes(StandardCharsets.UTF_8));
            out.write(bytes);
            out.flush();
        }
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
