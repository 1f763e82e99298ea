package dev.vat.engine.storage;

import dev.vat.core.delivery.Preset;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The presets that somebody keeps, each a file of its own in {@code CONFIG/presets}. */
public final class PresetStore {

    private final NamedTexts texts;

    private PresetStore(NamedTexts texts) {
        this.texts = texts;
    }

    public static PresetStore in(Places places) {
        return new PresetStore(new NamedTexts(places.config().resolve("presets"), ".preset.json"));
    }

    /** All that can be understood, by name; others stay where they are and are written down in the log. */
    public List<Preset> list() throws IOException {
        List<Preset> presets = texts.list(Preset::parse);
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
        texts.write(kept.name(), kept.toText());
        return kept;
    }

    public void forget(String name) throws IOException {
        texts.forget(name);
    }
}
