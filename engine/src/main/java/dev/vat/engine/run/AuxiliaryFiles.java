package dev.vat.engine.run;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Ground;
import dev.vat.core.delivery.Look;
import dev.vat.core.finding.WrittenWords;
import dev.vat.core.project.Project;
import dev.vat.core.source.FileKind;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import java.awt.Font;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;

/** Looks at what deliverables need beside frames: tables of colours, pictures to lay under and over, and faces for words. */
public final class AuxiliaryFiles {

    private static final Words WORDS = Words.of(AuxiliaryFiles.class);

    /** What names of font files end in. */
    public static final List<String> FONTS = List.of("ttf", "otf");

    private AuxiliaryFiles() {}

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
        for (BurnIn burnIn : WrittenWords.burnIns(project)) {
            Stream.of(burnIn.face(), burnIn.watermark() == null ? null : burnIn.watermark().path()).filter(Objects::nonNull)
                    .forEach(files::add);
        }
        return files;
    }

    /** The letters of words that their faces haven't. @param words by face, as {@link WrittenWords} has them */
    public static Map<String, String> lacking(Map<String, String> words) {
        Map<String, String> lacking = new HashMap<>();
        words.forEach((face, text) -> {
            try {
                String letters = Face.missing(face.isEmpty() ? Face.own() : font(Path.of(face)), text);
                if (!letters.isEmpty()) {
                    lacking.put(face, letters);
                }
            } catch (IOException _) {
                // A face that can't be used is named as such.
            }
        });
        return lacking;
    }

    /** Of some of these, why each that can't be used can't. */
    public static Map<String, String> unusable(Set<String> files) {
        Map<String, String> unusable = new HashMap<>();
        for (String file : files) {
            try {
                probe(Path.of(file));
            } catch (NoSuchFileException _) {
                unusable.put(file, WORDS.say("isntThereAnyMore", Path.of(file).getFileName()));
            } catch (IOException e) {
                unusable.put(file, e.getMessage());
            }
        }
        return unusable;
    }

    private static Font font(Path file) throws IOException {
        // Not by Java from the file itself: it would keep that open.
        try (InputStream data = Files.newInputStream(file)) {
            return Face.read(data, file.getFileName().toString());
        }
    }

    /** A look with the fingerprint of its text. @throws IOException saying in words, with the line, why it can't be used */
    static Look look(Path file) throws IOException {
        try {
            return Look.read(file, Files.readAllBytes(file));
        } catch (IllegalArgumentException e) {
            throw new IOException(e.getMessage(), e);
        }
    }

    private static void probe(Path file) throws IOException {
        if (!Files.exists(file)) {
            throw new NoSuchFileException(file.toString());
        }
        String name = file.getFileName().toString();
        String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
        if (ending.equals("cube")) {
            look(file);
        } else if (FONTS.contains(ending)) {
            font(file);
        } else if (FileKind.ofName(name).filter(k -> !k.isMovie()).isEmpty()) {
            throw new IOException(WORDS.say("isNoPictureThatVatReads", name, FileKind.stillTitles()));
        }
    }
}
