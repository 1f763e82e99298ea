package dev.vat.desktop.session;

import dev.vat.core.reel.Layout;
import dev.vat.engine.storage.LayoutStore;
import java.io.IOException;
import java.util.List;

/** Layouts that somebody keeps for other sources; they hold no place. */
public final class Layouts {

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
            session.fail("The layouts can't be read: " + e.getMessage());
            return List.of();
        }
    }

    public void keep(Layout layout) {
        try {
            store.keep(layout);
            session.say("Kept as " + layout.name() + ", without its sources: it stands where views are added to a reel.");
        } catch (IOException | IllegalArgumentException e) {
            session.fail("The layout can't be kept: " + e.getMessage());
        }
    }

    public void forget(Layout layout) {
        try {
            store.forget(layout.name());
        } catch (IOException e) {
            session.fail("The layout can't be deleted: " + e.getMessage());
        }
    }
}
