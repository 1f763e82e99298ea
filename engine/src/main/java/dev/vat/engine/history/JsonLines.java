package dev.vat.engine.history;

import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.document.Documents;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A file that grows by a line of JSON for each value. A line that was cut by a failing disk, or that somebody spoilt, is passed over: it
 * hides none of the others.
 */
record JsonLines<T>(Path file, Class<T> type) {

    private static final Logger LOG = LoggerFactory.getLogger(JsonLines.class);

    void add(T value) throws IOException {
        Durable.createFolders(file.getParent());
        String line = (endsInALine() ? "" : "\n") + Json.line(value) + "\n";
        Files.writeString(file, line, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        Durable.sync(file);
    }

    private boolean endsInALine() throws IOException {
        if (!Files.exists(file)) {
            return true;
        }
        try (SeekableByteChannel channel = Files.newByteChannel(file)) {
            if (channel.size() == 0) {
                return true;
            }
            ByteBuffer last = ByteBuffer.allocate(1);
            channel.position(channel.size() - 1).read(last);
            return last.get(0) == '\n';
        }
    }

    List<T> all() throws IOException {
        return all(_ -> true);
    }

    /** @param which lines are understood at all */
    List<T> all(Predicate<String> which) throws IOException {
        List<T> values = new ArrayList<>();
        if (!Files.exists(file)) {
            return values;
        }
        int number = 0;
        for (String line : new String(Files.readAllBytes(file), StandardCharsets.UTF_8).lines().toList()) {
            number++;
            try {
                if (!line.isBlank() && which.test(line)) {
                    values.add(Json.MAPPER.readValue(line, type));
                }
            } catch (JsonProcessingException e) {
                LOG.warn("Line {} of {} is passed over: {}", number, file, Documents.words(e));
            }
        }
        return values;
    }
}
