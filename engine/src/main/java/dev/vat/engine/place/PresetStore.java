package dev.vat.engine.place;

import dev.vat.core.delivery.Preset;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The presets that somebody keeps, each a file of its own in {@code CONFIG/presets}. */
public final class PresetStore {

    private static final Logger LOG = LoggerFactory.getLogger(PresetStore.class);
    private static final String EXTENSION = ".preset.json";

    private final Path folder;

    private PresetStore(Path folder) {
        this.folder = folder;
    }

    public static PresetStore in(Places places) {
        return new PresetStore(places.config().resolve("presets"));
    }

    /** All that can be understood, by name; others stay where they are and are written down in the log. */
    public List<Preset> list() throws IOException {
        List<Preset> presets = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.filter(f -> f.getFileName().toString().endsWith(EXTENSION)).toList()) {
                try {
                    presets.add(Preset.parse(Files.readString(file)));
                } catch (IllegalArgumentException e) {
                    LOG.warn("{}: {}", file.getFileName(), e.getMessage());
                }
            }
        } catch (NoSuchFileException _) {
            return List.of();
        }
        presets.sort(Comparator.comparing(Preset::name, String.CASE_INSENSITIVE_ORDER));
        return presets;
    }

    public Optional<Preset> find(String name) throws IOException {
        return list().stream().filter(p -> p.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /** Keeps a preset; where its name is taken by another, it gets a number. @return as it was kept */
    public Preset keep(Preset preset) throws IOException {
        Preset kept = preset;
        for (int number = 2; find(kept.name()).filter(other -> !other.column().equals(preset.column())).isPresent(); number++) {
            kept = new Preset(preset.version(), preset.name() + " " + number, preset.column());
        }
        Files.createDirectories(folder);
        Durable.write(file(kept.name()), kept.toText());
        return kept;
    }

    public void forget(String name) throws IOException {
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
        return folder.resolve(safe + EXTENSION);
    }
}
