package dev.vat.engine.run;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Ground;
import dev.vat.core.project.Project;
import dev.vat.core.source.FileKind;
import dev.vat.media.Looks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Looks at the files that deliverables need beside frames: tables of colours, and pictures to lay under. */
public final class BesideProbe {

    private BesideProbe() { }

    /** Every such file of a project, by its path. */
    public static Set<String> files(Project project) {
        Set<String> files = new HashSet<>();
        for (Deliverable deliverable : project.deliverables()) {
            if (deliverable.look() != null) {
                files.add(deliverable.look().path());
            }
            if (deliverable.flatten() instanceof Ground.Still(String path)) {
                files.add(path);
            }
        }
        return files;
    }

    /** Of some of these, why each that can't be used can't. */
    public static Map<String, String> unusable(Set<String> files) {
        Map<String, String> unusable = new HashMap<>();
        for (String file : files) {
            try {
                probe(Path.of(file));
            } catch (NoSuchFileException _) {
                unusable.put(file, Path.of(file).getFileName() + " isn't there any more");
            } catch (IOException e) {
                unusable.put(file, e.getMessage());
            }
        }
        return unusable;
    }

    private static void probe(Path file) throws IOException {
        if (!Files.exists(file)) {
            throw new NoSuchFileException(file.toString());
        }
        String name = file.getFileName().toString();
        if (name.toLowerCase(Locale.ROOT).endsWith(".cube")) {
            Looks.check(file);
        } else if (FileKind.ofName(name).filter(k -> !k.isMovie()).isEmpty()) {
            throw new IOException(name + " is no picture that Vat reads; it reads " + FileKind.stillTitles());
        }
    }
}
