package dev.vat.engine.source;

import dev.vat.core.source.Location;
import dev.vat.core.source.NameWords;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Other versions of a source that lie beside it: in its own folder, or in one whose name differs by its version alone. */
public final class Versions {

    private Versions() {}

    /** By their names, as {@code sh010_v01} and {@code sh010_v02} are; in the order of their names. */
    public static List<Location> beside(Location source) throws IOException {
        List<Path> folders = new ArrayList<>();
        folders.add(source.folder());
        Path parent = source.folder().getParent();
        if (parent != null && source.folder().getFileName() != null && hasVersion(source.folder().getFileName().toString())) {
            try (Stream<Path> siblings = Files.list(parent)) {
                siblings.filter(Files::isDirectory).filter(f -> !f.equals(source.folder()))
                        .filter(f -> common(f).equals(common(source.folder()))).sorted().forEach(folders::add);
            }
        }
        List<Location> versions = new ArrayList<>();
        for (Path folder : folders) {
            for (Location found : SourceFinder.find(folder).locations()) {
                boolean same = found.folder().equals(source.folder()) && found.pattern().equals(source.pattern());
                // What lies deeper in the folder is something else.
                if (!same && found.folder().equals(folder)
                        && NameWords.versionless(found.name()).equals(NameWords.versionless(source.name()))) {
                    versions.add(found);
                }
            }
        }
        return versions;
    }

    private static boolean hasVersion(String name) {
        return !NameWords.versionless(name).equals(name);
    }

    private static String common(Path folder) {
        return NameWords.versionless(folder.getFileName().toString());
    }
}
