package dev.vat.desktop.settings;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;

/** What checks found out about frames, kept to be quicker the next time. Pictures that were played go with their window. */
final class CacheFolder {

    private static final Words WORDS = Words.of(CacheFolder.class);

    private final Path folder;
    private long bytes;

    /** @param cache all that may be thrown away */
    CacheFolder(Path cache) {
        this.folder = cache.resolve("checks");
    }

    /** How much it is, in words. */
    String words() {
        bytes = 0;
        if (!Files.isDirectory(folder)) {
            return RoughForecast.bytes(0);
        }
        try {
            Files.walkFileTree(folder, new SimpleFileVisitor<>() {
                @Override
                public FileVisitResult visitFile(Path file, BasicFileAttributes facts) {
                    bytes += facts.size();
                    return FileVisitResult.CONTINUE;
                }

                @Override
                public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
                    // Others may throw things away meanwhile.
                    if (e instanceof NoSuchFileException) {
                        return FileVisitResult.CONTINUE;
                    }
                    throw e;
                }
            });
            return RoughForecast.bytes(bytes);
        } catch (IOException e) {
            return WORDS.say("cantBeMeasured", e.getMessage());
        }
    }

    /** Throws it away. @return what couldn't be, in words; empty if all is gone */
    String clear() {
        if (!Files.isDirectory(folder)) {
            return "";
        }
        try (var files = Files.walk(folder)) {
            for (Path file : files.filter(Files::isRegularFile).toList()) {
                Files.deleteIfExists(file);
            }
            return "";
        } catch (IOException e) {
            return WORDS.say("theCacheCantBeCleared", e.getMessage());
        }
    }
}
