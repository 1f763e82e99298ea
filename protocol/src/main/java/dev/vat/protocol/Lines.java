package dev.vat.protocol;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.node.ObjectNode;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Json;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/** Messages as lines of JSON over a pair of streams. Writing may be done by several threads. */
public final class Lines {

    private static final Words WORDS = Words.of(Lines.class);

    private final BufferedReader in;
    private final OutputStream out;

    public Lines(InputStream in, OutputStream out) {
        this.in = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
        this.out = out;
    }

    public void write(Message message) throws IOException {
        ObjectNode node = Json.MAPPER.valueToTree(message);
        node.put("v", Message.VERSION);
        byte[] line = (Json.line(node) + "\n").getBytes(StandardCharsets.UTF_8);
        synchronized (out) {
            out.write(line);
            out.flush();
        }
    }

    /** The next message, or empty at the end of the stream. */
    public Optional<Message> read() throws IOException {
        String line = in.readLine();
        if (line == null) {
            return Optional.empty();
        }
        try {
            return Optional.of(Json.MAPPER.readValue(line, Message.class));
        } catch (JsonProcessingException e) {
            throw new IOException(WORDS.say("notAMessage", line.substring(0, Math.min(200, line.length()))), e);
        }
    }
}
