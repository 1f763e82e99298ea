package dev.vat.engine.source;

import dev.vat.core.source.FileKind;
import dev.vat.core.source.ForeignKinds;
import dev.vat.core.source.Location;
import dev.vat.core.source.NameWords;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequenceGrouping;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.file.FileSystemLoopException;
import java.nio.file.FileVisitOption;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.function.Consumer;
import java.util.stream.Collectors;

/**
 * Finds sources on disk by names and attributes alone; no file is opened. Hidden files and Vat's own work folders are
 * passed over. Links are followed: a folder is entered by its own name and by one link at most, so that neither hides the other and no
 * round of links is endless.
 */
public final class SourceFinder {

    private static final Words WORDS = Words.of(SourceFinder.class);

    private static final int DEEPEST = 24;
    private static final long TOLD_NANOS = 200_000_000L;

    /**
     * What has been found so far.
     *
     * @param sequences numbered pictures; also those of a single frame
     * @param files movies, sounds, and stills without a number
     * @param names file names seen altogether
     * @param closed places that couldn't be looked into, with the reason
     * @param foreign how many files there are of kinds that aren't read, by what these are called
     */
    public record Found(List<Sequence> sequences, List<Location> files, long names, List<String> closed, Map<String, Long> foreign) {
        public Found {
            foreign = Map.copyOf(foreign);
            sequences = List.copyOf(sequences);
            files = List.copyOf(files);
            closed = List.copyOf(closed);
        }

        /** Everything as locations, sequences first. */
        public List<Location> locations() {
            List<Location> all = new ArrayList<>(sequences.stream().map(Sequence::location).toList());
            all.addAll(files);
            return all;
        }

        public boolean isEmpty() {
            return sequences.isEmpty() && files.isEmpty();
        }

        /** What was passed over, and why, a sentence each. */
        public List<String> passedOver() {
            List<String> words = new ArrayList<>(closed);
            ForeignKinds.words(foreign).ifPresent(words::add);
            return words;
        }

        /** That there is nothing of some kind, with what there is instead. @param what such as {@code No frames in /kite} */
        public String nothing(String what) {
            return what + passedOver().stream().map(w -> ". " + w).collect(Collectors.joining());
        }
    }

    private final Consumer<Found> told;
    private final List<Sequence> sequences = new ArrayList<>();
    private final List<Location> files = new ArrayList<>();
    private final List<String> closed = new ArrayList<>();
    private final Set<Object> entered = new HashSet<>();
    private final Set<Object> enteredByLink = new HashSet<>();
    private final Map<String, Long> foreign = new HashMap<>();
    private long names;
    private long nextTold = System.nanoTime() + TOLD_NANOS;

    private SourceFinder(Consumer<Found> told) {
        this.told = told;
    }

    /** The sources that a path means: everything in and below a folder; of a file what it is or belongs to. */
    public static Found find(Path path) throws IOException {
        return find(List.of(path), _ -> {});
    }

    /**
     * The same of several paths, telling now and then what was found so far; what {@code told} throws ends the walk.
     *
     * @throws NoSuchFileException if there is nothing at one of the paths
     */
    public static Found find(List<Path> paths, Consumer<Found> told) throws IOException {
        SourceFinder finder = new SourceFinder(told);
        for (Path path : paths) {
            Path absolute = path.toAbsolutePath().normalize();
            if (!Files.exists(absolute)) {
                throw new NoSuchFileException(absolute.toString());
            }
            if (Files.isRegularFile(absolute)) {
                finder.ofFile(absolute);
            } else {
                finder.tree(absolute);
            }
        }
        return finder.found();
    }

    /** The sequence with a known pattern, as the folder shows it now; empty if no file of it is left. */
    public static Optional<Sequence> again(Path folder, SequencePattern pattern) throws IOException {
        if (!Files.isDirectory(folder)) {
            return Optional.empty();
        }
        if (pattern.isSingle()) {
            Path file = folder.resolve(pattern.fileName(0));
            Optional<FileKind> kind = FileKind.ofName(pattern.before());
            return kind.isPresent() && Files.isRegularFile(file) ? Optional.of(Sequence.ofStill(folder, pattern.before(),
                    kind.get(), Files.size(file), Files.getLastModifiedTime(file).toMillis())) : Optional.empty();
        }
        // Of two paddings with the same rest of the name, the pattern's own wins.
        return in(folder).stream().filter(s -> s.pattern().isLike(pattern))
                .min(Comparator.comparing((Sequence s) -> !s.pattern().equals(pattern))
                        .thenComparing(s -> !s.pattern().after().equals(pattern.after())))
                .map(s -> s.by(new SequencePattern(pattern.before(), s.pattern().digits(), pattern.after(), s.pattern().signCounts())));
    }

    /** Those of one folder, and of none below it. */
    static List<Sequence> in(Path folder) throws IOException {
        SourceFinder finder = new SourceFinder(_ -> {});
        finder.folder(folder);
        return finder.sequences;
    }

    private void ofFile(Path file) throws IOException {
        String name = file.getFileName().toString();
        if (FileKind.ofName(name).filter(k -> !k.isMovie()).isEmpty()) {
            single(file, name);
            return;
        }
        List<Sequence> own = in(file.getParent()).stream().filter(s -> holds(s, name)).toList();
        add(own);
        if (own.isEmpty()) {
            single(file, name);
        }
    }

    private void single(Path file, String name) {
        ForeignKinds.title(name).ifPresent(kind -> foreign.merge(kind, 1L, Long::sum));
        if (!NameWords.isUnfinished(name) && (FileKind.ofName(name).isPresent() || Location.isSoundName(name))
                && !files.contains(Location.ofFile(file))) {
            files.add(Location.ofFile(file));
        }
    }

    private static boolean holds(Sequence sequence, String name) {
        SequencePattern pattern = sequence.pattern();
        if (!name.startsWith(pattern.before()) || name.length() <= pattern.before().length() + pattern.after().length()) {
            return false;
        }
        String digits = name.substring(pattern.before().length(), name.length() - pattern.after().length());
        return digits.matches("-?\\d{1,18}") && sequence.has(Long.parseLong(digits))
                && sequence.fileName(Long.parseLong(digits)).equals(name);
    }

    /** Everything in and below a folder; each folder's sequences as soon as it has been read. */
    private void tree(Path root) throws IOException {
        walk(root, DEEPEST);
    }

    private void folder(Path folder) throws IOException {
        walk(folder, 1);
    }

    /** One walk: it hands over attributes with the names, so that no file is asked twice. */
    private void walk(Path root, int depth) throws IOException {
        SortedMap<Path, List<Sequence>> found = new TreeMap<>();
        Deque<SequenceGrouping> open = new ArrayDeque<>();
        Deque<Boolean> linked = new ArrayDeque<>();
        List<Path> singles = new ArrayList<>();
        Files.walkFileTree(root, EnumSet.of(FileVisitOption.FOLLOW_LINKS), depth, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                boolean hidden = !folder.equals(root) && folder.getFileName().toString().startsWith(".");
                Object identity = attributes.fileKey() == null ? folder : attributes.fileKey();
                boolean byLink = !folder.equals(root) && (linked.peek() || Files.isSymbolicLink(folder));
                if (hidden || depth > 1 && !(byLink ? enteredByLink : entered).add(identity)) {
                    return FileVisitResult.SKIP_SUBTREE;
                }
                linked.push(byLink);
                open.push(SequenceGrouping.in(folder));
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                String name = file.getFileName().toString();
                if (attributes.isRegularFile() && !name.startsWith(".")) {
                    names++;
                    if (!open.peek().add(name, attributes.size(), attributes.lastModifiedTime().toMillis())) {
                        singles.add(file);
                    }
                    if ((names & 0xfff) == 0 && System.nanoTime() > nextTold) {
                        tell(found.values(), open.peek());
                    }
                }
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path folder, IOException e) {
                linked.pop();
                found.put(folder, open.pop().sequences());
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFileFailed(Path file, IOException e) throws IOException {
                if (file.equals(root)) {
                    throw e;
                }
                // A link to nowhere or back up is no source; a folder that is closed to this user may have been one.
                if (!(e instanceof FileSystemLoopException) && Files.isDirectory(file)) {
                    closed.add(WORDS.say("thisUserMayNotLookIntoIt", file.getFileName()));
                }
                return FileVisitResult.CONTINUE;
            }
        });
        found.values().forEach(this::add);
        singles.stream().sorted().forEach(file -> single(file, file.getFileName().toString()));
    }

    private void add(List<Sequence> more) {
        Set<Location> known = new HashSet<>(sequences.stream().map(Sequence::location).toList());
        more.stream().filter(s -> known.add(s.location())).forEach(sequences::add);
    }

    private void tell(Collection<List<Sequence>> whole, SequenceGrouping unfinished) {
        long before = System.nanoTime();
        List<Sequence> soFar = new ArrayList<>(sequences);
        whole.forEach(soFar::addAll);
        soFar.addAll(unfinished.soFar());
        told.accept(new Found(soFar, files, names, closed, foreign));
        // Telling of a million names takes a while itself; it must not slow the walk.
        nextTold = System.nanoTime() + Math.max(TOLD_NANOS, 10 * (System.nanoTime() - before));
    }

    private Found found() {
        return new Found(sequences, files, names, closed, foreign);
    }

    /** For {@code told}: ends the walk because nobody wants its outcome any more. */
    public static void stop() {
        throw new CancellationException(WORDS.say("theSearchWasStopped"));
    }
}
