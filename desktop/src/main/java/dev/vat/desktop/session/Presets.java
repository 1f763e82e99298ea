package dev.vat.desktop.session;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Preset;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.words.Words;
import dev.vat.engine.storage.PresetStore;
import java.io.IOException;
import java.util.List;

/** Columns that somebody keeps for other projects; they hold no place, and come and go as text. */
public final class Presets {

    private static final Words WORDS = Words.of(Presets.class);

    private final PresetStore store;
    private final Session session;

    Presets(PresetStore store, Session session) {
        this.store = store;
        this.session = session;
    }

    public List<Preset> all() {
        try {
            return store.list();
        } catch (IOException e) {
            session.fail(WORDS.say("thePresetsCantBeRead", e.getMessage()));
            return List.of();
        }
    }

    public void keep(String name, Deliverable column) {
        try {
            Preset kept = store.keep(Preset.of(name, column));
            session.say(WORDS.say("keptAsItStandsUnderMore", kept.name()));
        } catch (IOException | IllegalArgumentException e) {
            session.fail(WORDS.say("thePresetCantBeKept", e.getMessage()));
        }
    }

    /** Keeps a preset that came as text, and adds its column. */
    public void paste(String text) {
        try {
            Preset kept = store.keep(Preset.parse(text));
            session.edit(DeliverableEdits.addPreset(kept));
        } catch (IOException | IllegalArgumentException e) {
            session.fail(WORDS.say("whatLiesOnTheClipboardCant", e.getMessage()));
        }
    }

    public void forget(Preset preset) {
        try {
            store.forget(preset.name());
        } catch (IOException e) {
            session.fail(WORDS.say("thePresetCantBeDeleted", e.getMessage()));
        }
    }
}
