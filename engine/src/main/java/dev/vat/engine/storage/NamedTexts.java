package dev.vat.engine.storage;

import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** What somebody keeps under names, each as a text file of its own. */
final class NamedTexts {

    private static final Logger LOG = LoggerFactory.getLogger(NamedTexts.class);

    private final Path folder;
    private final String extension;

    NamedTexts(Path folder, String extension) {
        this.folder = folder;
        this.extension = extension;
    }

    /**
     * All that can be understood; others stay where they are and are written down in the log.
     *
     * @param parser throws IllegalArgumentException
     */
    <T> List<T> list(Function<String, T> parser) throws IOException {
        List<T> found = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.getFileName().toString().endsWith(extension)).toList()) {
                try {
                    found.add(parser.apply(Files.readString(file)));
                } catch (IllegalArgumentException e) {
                    LOG.warn("{}: {}", file.getFileName(), e.getMessage());
                }
            }
        } catch (NoSuchFileException _) {
            return new ArrayList<>();
        }
        return found;
    }

    void write(String name, String text) throws IOException {
        Files.createDirectories(folder);
        Durable.write(file(name), text);
    }

    void forget(String name) throws IOException {
        Files.deleteIfExists(file(name));
    }

    /** Names may be of any script; what a file system can't hold is written as its number. */
    private Path file(String name) {
        StringBuilder safe = new StringBuilder();
        name.toLowerCase(Locale.ROOT).codePoints().forEach(c -> {
            if (Character.isLetterOrDigit(c) || c == ' ' || c == '-') {
                safe.appendCodePoint(c);
            } else {
                safe.append('_').append(Integer.toHexString(c));
            }
        });
        return folder.resolve(safe + extension);
    }
}
