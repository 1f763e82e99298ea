package dev.vat.engine.source;

import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequenceGrouping;
import dev.vat.core.source.SequencePattern;
import java.io.IOException;
import java.nio.file.FileVisitOption;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Finds sequences on disk by names and attributes alone; no file is opened. Hidden files and Vat's own work folders are
 * passed over.
 */
public final class SequenceFinder {

    private static final int DEEPEST = 4;

    private SequenceFinder() { }

    /**
     * The sequences that a path means: of a folder its own, or if it has none those in the folders below it; of a file
     * the one that the file belongs to.
     *
     * @throws NoSuchFileException if there is nothing at the path
     */
    public static List<Sequence> find(Path path) throws IOException {
        Path absolute = path.toAbsolutePath().normalize();
        if (!Files.exists(absolute)) {
            throw new NoSuchFileException(absolute.toString());
        }
        if (Files.isRegularFile(absolute)) {
            String name = absolute.getFileName().toString();
            return in(absolute.getParent()).stream().filter(s -> holds(s, name)).toList();
        }
        List<Sequence> own = in(absolute);
        if (!own.isEmpty()) {
            return own;
        }
        List<Sequence> below = new ArrayList<>();
        for (Path folder : foldersBelow(absolute)) {
            below.addAll(in(folder));
        }
        return below;
    }

    /** The sequence with a known pattern, as the folder shows it now; empty if no file of it is left. */
    public static Optional<Sequence> again(Path folder, SequencePattern pattern) throws IOException {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        // Of two paddings with the same rest of the name, the pattern's own wins.
        return in(folder).stream().filter(s -> s.pattern().before().equals(pattern.before())
                        && s.pattern().after().equals(pattern.after()))
                .min((a, b) -> Boolean.compare(b.pattern().equals(pattern), a.pattern().equals(pattern)));
    }

    private static boolean holds(Sequence sequence, String name) {
        SequencePattern pattern = sequence.pattern();
        if (!name.startsWith(pattern.before()) || !name.endsWith(pattern.after())
                || name.length() <= pattern.before().length() + pattern.after().length()) {
            return false;
        }
        String digits = name.substring(pattern.before().length(), name.length() - pattern.after().length());
        return digits.matches("\\d{1,18}") && sequence.has(Long.parseLong(digits))
                && pattern.fileName(Long.parseLong(digits)).equals(name);
    }

    private static List<Path> foldersBelow(Path root) throws IOException {
        List<Path> folders = new ArrayList<>();
        Files.walkFileTree(root, EnumSet.noneOf(FileVisitOption.class), DEEPEST, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                if (!folder.equals(root) && folder.getFileName().toString().startsWith(".")) {
                    return FileVisitResult.SKIP_SUBTREE;
                }
                if (!folder.equals(root)) {
                    folders.add(folder);
                }
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) {
                return FileVisitResult.CONTINUE;
            }
        });
        folders.sort(null);
        return folders;
    }

    /** One folder's sequences. The walk hands over attributes with the names, so that no file is asked twice. */
    private static List<Sequence> in(Path folder) throws IOException {
        SequenceGrouping grouping = SequenceGrouping.in(folder);
        Set<FileVisitOption> followLinks = EnumSet.of(FileVisitOption.FOLLOW_LINKS);
        Files.walkFileTree(folder, followLinks, 1, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                String name = file.getFileName().toString();
                if (attributes.isRegularFile() && !name.startsWith(".")) {
                    grouping.add(name, attributes.size(), attributes.lastModifiedTime().toMillis());
                }
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
                if (file.equals(folder)) {
                    throw e;
                }
                // a link to nowhere: it is no frame
                return FileVisitResult.CONTINUE;
            }
        });
        return grouping.sequences();
    }
}
