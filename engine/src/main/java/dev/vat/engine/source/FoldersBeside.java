package dev.vat.engine.source;

import dev.vat.core.source.Kin;
import dev.vat.core.source.Sequence;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Folders that lie beside one, and may hold what belongs to what lies in it. */
public final class FoldersBeside {

    private static final Logger LOG = LoggerFactory.getLogger(FoldersBeside.class);
    /** Whoever keeps more shots than this in one place has named them apart. */
    private static final int MOST = 64;

    private FoldersBeside() {}

    /** Their sequences, as far as the folders' names let them be kin; those before the first that can't be listed. */
    public static List<Sequence> sequences(Path folder) {
        List<Sequence> found = new ArrayList<>();
        Path own = folder.getFileName();
        if (own == null || folder.getParent() == null) {
            return found;
        }
        try (Stream<Path> all = Files.list(folder.getParent())) {
            for (Path other : all.filter(p -> !p.equals(folder) && mayHold(own.toString(), p)).sorted().limit(MOST).toList()) {
                found.addAll(SourceFinder.in(other));
            }
        } catch (IOException | UncheckedIOException e) {
            // Nobody asked for what lies there: it only tells more of what was asked for.
            LOG.info("What lies beside {} can't be listed", folder, e);
        }
        return found;
    }

    private static boolean mayHold(String own, Path other) {
        String name = other.getFileName().toString();
        return !name.startsWith(".") && Kin.mayLieIn(own, name) && Files.isDirectory(other);
    }
}
