package dev.vat.desktop.session;

import dev.vat.core.reel.Layout;
import dev.vat.core.words.Words;
import dev.vat.engine.storage.LayoutStore;
import java.io.IOException;
import java.util.List;

/** Layouts that somebody keeps for other sources; they hold no place. */
public final class Layouts {

    private static final Words WORDS = Words.of(Layouts.class);

    private final LayoutStore store;
    private final Session session;

    Layouts(LayoutStore store, Session session) {
        this.store = store;
        this.session = session;
    }

    public List<Layout> all() {
        try {
            return store.list();
        } catch (IOException e) {
            session.fail(WORDS.say("theLayoutsCantBeRead", e.getMessage()));
            return List.of();
        }
    }

    public void keep(Layout layout) {
        try {
            store.keep(layout);
            session.say(WORDS.say("keptAsWithoutItsSources", layout.name()));
        } catch (IOException | IllegalArgumentException e) {
            session.fail(WORDS.say("theLayoutCantBeKept", e.getMessage()));
        }
    }

    public void forget(Layout layout) {
        try {
            store.forget(layout.name());
        } catch (IOException e) {
            session.fail(WORDS.say("theLayoutCantBeDeleted", e.getMessage()));
        }
    }
}
