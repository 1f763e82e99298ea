package dev.vat.engine.handover;

import dev.vat.core.handover.Manifest;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;

/** Holds a folder, or a ZIP file of one, against the manifest that lies in it: by whomever that was written. */
public final class SetCheck {

    private static final Words WORDS = Words.of(SetCheck.class);

    private static final String ZIP = ".zip";
    /** A file manager leaves it wherever somebody looks. */
    private static final String FINDERS_OWN = ".DS_Store";

    /**
     * @param files that are as the manifest says
     * @param bytes of those
     * @param reasons what doesn't agree, each with its file; nothing if all is as it says
     */
    public record Result(int files, long bytes, List<String> reasons) {
        public boolean holds() {
            return reasons.isEmpty();
        }
    }

    private SetCheck() {}

    /** Whether there is a manifest to hold something against. */
    public static boolean isSet(Path path) {
        return Files.isDirectory(path) ? Files.isDirectory(path.resolve(Manifest.FOLDER))
                : path.toString().endsWith(ZIP) && Files.isRegularFile(path);
    }

    /** @throws IOException in words, if there is no manifest or it can't be read */
    public static Result check(Path path) throws IOException {
        if (Files.isDirectory(path)) {
            return folder(path);
        }
        List<String> reasons = new ArrayList<>(twice(path));
        try (FileSystem zip = FileSystems.newFileSystem(path); Stream<Path> inside = Files.list(zip.getPath("/"))) {
            List<Path> roots = inside.sorted().toList();
            List<Path> sets = roots.stream().filter(p -> Files.isDirectory(p.resolve(Manifest.FOLDER))).toList();
            if (sets.size() != 1) {
                throw new IOException(path.getFileName()
                        + (sets.isEmpty() ? WORDS.say("holdsNoFolderWithAManifest") : WORDS.say("holdsSeveralFoldersWith")));
            }
            Result found = folder(sets.getFirst());
            reasons.addAll(found.reasons());
            roots.stream().filter(p -> !p.equals(sets.getFirst()))
                    .forEach(p -> reasons.add(WORDS.say("isntInTheManifest", p.getFileName().toString().replace("/", ""))));
            return new Result(found.files(), found.bytes(), reasons);
        }
    }

    /** Names under which a ZIP file holds more than one file: which of them somebody gets is up to his program. */
    private static List<String> twice(Path zip) throws IOException {
        try (ZipFile all = new ZipFile(zip.toFile())) {
            Set<String> seen = new HashSet<>();
            return all.stream().map(ZipEntry::getName).filter(name -> !seen.add(name)).distinct()
                    .map(name -> WORDS.say("isInTheZipTwice", name)).toList();
        }
    }

    private static Result folder(Path folder) throws IOException {
        List<String> reasons = new ArrayList<>();
        Manifest manifest = manifest(folder, reasons);
        int good = 0;
        long bytes = 0;
        for (Manifest.Entry entry : manifest.entries()) {
            String wrong = against(folder, entry);
            if (wrong == null) {
                good++;
                bytes += entry.bytes();
            } else {
                reasons.add(wrong);
            }
        }
        Set<String> named = manifest.entries().stream().map(Manifest.Entry::path).collect(Collectors.toSet());
        files(folder).filter(f -> !named.contains(f)).sorted().forEach(f -> reasons.add(WORDS.say("isntInTheManifest", f)));
        links(folder).forEach(f -> reasons.add(WORDS.say("isALink", f)));
        return new Result(good, bytes, reasons);
    }

    /** The last one that the chain names. */
    private static Manifest manifest(Path folder, List<String> reasons) throws IOException {
        Path home = folder.resolve(Manifest.FOLDER);
        Path chain = home.resolve(Manifest.CHAIN);
        if (!isFile(chain)) {
            throw new NoSuchFileException(folder.toString(), null,
                    WORDS.say("thereIsNoManifestInItIs", Manifest.FOLDER, Manifest.CHAIN));
        }
        try {
            List<MhlText.Link> links = MhlText.readChain(Files.readString(chain));
            for (MhlText.Link link : links) {
                Path file = home.resolve(link.file()).normalize();
                if (!file.startsWith(home) || !isFile(file)) {
                    reasons.add(WORDS.say("isMissingWhichTheChainNames", Manifest.FOLDER, link.file()));
                } else if (!Digests.of(file).c4().equals(link.c4())) {
                    reasons.add(WORDS.say("isNotTheManifestThatThe", Manifest.FOLDER, link.file()));
                }
            }
            Set<String> known = links.stream().map(MhlText.Link::file).collect(Collectors.toSet());
            try (Stream<Path> beside = Files.list(home)) {
                beside.map(f -> f.getFileName().toString())
                        .filter(f -> !f.equals(Manifest.CHAIN) && !f.endsWith(FINDERS_OWN) && !known.contains(f)).sorted()
                        .forEach(f -> reasons.add(WORDS.say("isntInTheChain", Manifest.FOLDER, f)));
            }
            Path last = home.resolve(links.getLast().file()).normalize();
            if (!last.startsWith(home) || !isFile(last)) {
                throw new NoSuchFileException(last.toString(), null, WORDS.say("theManifestIsMissing"));
            }
            return MhlText.read(Files.readString(last));
        } catch (IllegalArgumentException e) {
            throw new IOException(WORDS.say("theManifestInCantBeUsed", folder.getFileName(), e.getMessage()), e);
        }
    }

    /** What is wrong with a file, or null. */
    private static String against(Path folder, Manifest.Entry entry) throws IOException {
        Path file = folder.resolve(entry.path()).normalize();
        if (!file.startsWith(folder.normalize())) {
            return WORDS.say("wouldLieOutsideOfTheFolder", entry.path());
        }
        if (!isFile(file) || isBehindALink(folder, file)) {
            return WORDS.say("isMissing", entry.path());
        }
        if (Files.size(file) != entry.bytes()) {
            return WORDS.say("hasBytesWhereWereHanded", entry.path(), Files.size(file), entry.bytes());
        }
        if (entry.prints().c4() == null && entry.prints().md5() == null) {
            return WORDS.say("hasNoFingerprintThatVat", entry.path());
        }
        return entry.prints().agrees(Digests.of(file)) ? null : WORDS.say("wasChangedItsContentIsnt", entry.path());
    }

    /** All files of a folder but its manifests, from the folder on, with {@code /} between their parts. */
    static Stream<String> files(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(SetCheck::isFile).map(f -> name(folder, f))
                    .filter(f -> !f.startsWith(Manifest.FOLDER + "/") && !f.endsWith(FINDERS_OWN)).toList().stream();
        }
    }

    /** Whatever in a folder only points elsewhere: it isn't handed over with it, and may point to something else tomorrow. */
    private static List<String> links(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isSymbolicLink).map(f -> name(folder, f)).sorted().toList();
        }
    }

    private static boolean isBehindALink(Path folder, Path file) {
        for (Path at = file.getParent(); at != null && !at.equals(folder.normalize()); at = at.getParent()) {
            if (Files.isSymbolicLink(at)) {
                return true;
            }
        }
        return false;
    }

    /** A file itself, and not what a link points to. */
    private static boolean isFile(Path path) {
        return Files.isRegularFile(path, LinkOption.NOFOLLOW_LINKS);
    }

    private static String name(Path folder, Path file) {
        return folder.relativize(file).toString().replace('\\', '/');
    }
}
