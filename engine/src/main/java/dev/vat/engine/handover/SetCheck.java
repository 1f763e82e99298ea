package dev.vat.engine.handover;

import dev.vat.core.handover.Manifest;
import java.io.IOException;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Holds a folder, or a ZIP file of one, against the manifest that lies in it: by whomever that was written. */
public final class SetCheck {

    private static final String ZIP = ".zip";

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
        try (FileSystem zip = FileSystems.newFileSystem(path)) {
            try (Stream<Path> roots = Files.list(zip.getPath("/"))) {
                List<Path> sets = roots.filter(p -> Files.isDirectory(p.resolve(Manifest.FOLDER))).toList();
                if (sets.size() != 1) {
                    throw new IOException(path.getFileName() + (sets.isEmpty() ? " holds no folder with a manifest" : " holds several "
                            + "folders with manifests"));
                }
                return folder(sets.getFirst());
            }
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
        files(folder).filter(f -> !named.contains(f)).sorted().forEach(f -> reasons.add(f + " isn't in the manifest"));
        return new Result(good, bytes, reasons);
    }

    /** The last one that the chain names. */
    private static Manifest manifest(Path folder, List<String> reasons) throws IOException {
        Path home = folder.resolve(Manifest.FOLDER);
        Path chain = home.resolve(Manifest.CHAIN);
        if (!Files.isRegularFile(chain)) {
            throw new NoSuchFileException(folder.toString(), null,
                    "there is no manifest in it: " + Manifest.FOLDER + "/" + Manifest.CHAIN + " is wanting");
        }
        try {
            List<MhlText.Link> links = MhlText.readChain(Files.readString(chain));
            for (MhlText.Link link : links) {
                Path file = home.resolve(link.file()).normalize();
                if (!file.startsWith(home) || !Files.isRegularFile(file)) {
                    reasons.add(Manifest.FOLDER + "/" + link.file() + " is missing, which the chain names");
                } else if (!Digests.of(file).c4().equals(link.c4())) {
                    reasons.add(Manifest.FOLDER + "/" + link.file() + " is not the manifest that the chain names: it was changed");
                }
            }
            Path last = home.resolve(links.getLast().file()).normalize();
            if (!last.startsWith(home) || !Files.isRegularFile(last)) {
                throw new NoSuchFileException(last.toString(), null, "the manifest is missing");
            }
            return MhlText.read(Files.readString(last));
        } catch (IllegalArgumentException e) {
            throw new IOException("The manifest in " + folder.getFileName() + " can't be used: " + e.getMessage(), e);
        }
    }

    /** What is wrong with a file, or null. */
    private static String against(Path folder, Manifest.Entry entry) throws IOException {
        Path file = folder.resolve(entry.path()).normalize();
        if (!file.startsWith(folder.normalize())) {
            return entry.path() + " would lie outside of the folder";
        }
        if (!Files.isRegularFile(file)) {
            return entry.path() + " is missing";
        }
        if (Files.size(file) != entry.bytes()) {
            return entry.path() + " has " + Files.size(file) + " bytes where " + entry.bytes() + " were handed over";
        }
        if (entry.prints().c4() == null && entry.prints().md5() == null) {
            return entry.path() + " has no fingerprint that Vat knows (C4, MD5)";
        }
        return entry.prints().agrees(Digests.of(file)) ? null : entry.path() + " was changed: its content isn't what was handed over";
    }

    /** All files of a folder but its manifests, from the folder on, with {@code /} between their parts. */
    static Stream<String> files(Path folder) throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile).map(f -> folder.relativize(f).toString().replace('\\', '/'))
                    .filter(f -> !f.startsWith(Manifest.FOLDER + "/") && !f.endsWith(".DS_Store")).toList().stream();
        }
    }
}
