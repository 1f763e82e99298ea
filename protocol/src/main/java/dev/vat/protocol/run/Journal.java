package dev.vat.protocol.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.document.Documents;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;

/**
 * An append-only file of lines that check themselves: eight hexadecimal digits of CRC32C, a space, JSON. It may be cut at
 * any byte: a torn last line is passed over.
 */
public final class Journal implements AutoCloseable {

    private static final Words WORDS = Words.of(Journal.class);

    private final FileChannel channel;
    private final Path file;

    private Journal(FileChannel channel, Path file) {
        this.channel = channel;
        this.file = file;
    }

    static Journal append(Path file) throws IOException {
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE,
                StandardOpenOption.READ);
        channel.truncate(wholeLength(Files.readAllBytes(file)));
        channel.position(channel.size());
        Durable.syncFolder(file.toAbsolutePath().getParent());
        return new Journal(channel, file);
    }

    /** What the journal says, up to the first line that isn't whole. */
    static List<JournalEntry> read(Path file) throws IOException {
        List<JournalEntry> entries = new ArrayList<>();
        if (!Files.exists(file)) {
            return entries;
        }
        byte[] data = Files.readAllBytes(file);
        String whole = new String(data, 0, wholeLength(data), StandardCharsets.UTF_8);
        for (String line : whole.split("\n")) {
            if (!line.isEmpty()) {
                try {
                    entries.add(Json.MAPPER.readValue(line.substring(9), JournalEntry.class));
                } catch (JsonProcessingException e) {
                    throw new IOException(WORDS.say("theJournalWasWrittenByAnother", file, Documents.words(e)), e);
                }
            }
        }
        return entries;
    }

    private static int wholeLength(byte[] data) {
        int whole = 0;
        for (int i = 0; i < data.length; i++) {
            if (data[i] == '\n') {
                if (!isWhole(new String(data, whole, i - whole, StandardCharsets.UTF_8))) {
                    return whole;
                }
                whole = i + 1;
            }
        }
        return whole;
    }

    private static boolean isWhole(String line) {
        return line.length() > 9 && line.charAt(8) == ' ' && line.substring(0, 8).equals(crc(line.substring(9)));
    }

    private static String crc(String text) {
        CRC32C crc = new CRC32C();
        crc.update(text.getBytes(StandardCharsets.UTF_8));
        return "%08x".formatted(crc.getValue());
    }

    /** On disk when this returns. Lanes of a run write from several threads. */
    public synchronized void write(JournalEntry entry) throws IOException {
        String json = Json.line(entry);
        ByteBuffer line = StandardCharsets.UTF_8.encode(crc(json) + " " + json + "\n");
        long end = channel.size();
        try {
            while (line.hasRemaining()) {
                channel.write(line);
            }
            Durable.sync(channel, file);
        } catch (IOException e) {
            // Half a line would hide all that is written after it.
            channel.truncate(end);
            throw e;
        }
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
