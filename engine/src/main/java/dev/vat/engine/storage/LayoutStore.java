package dev.vat.engine.storage;

import dev.vat.core.reel.Layout;
import dev.vat.core.reel.SavedLayout;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The layouts that somebody keeps, each a file of its own in {@code CONFIG/layouts}. */
public final class LayoutStore {

    private final NamedTexts texts;

    private LayoutStore(NamedTexts texts) {
        this.texts = texts;
    }

    public static LayoutStore in(Places places) {
        return new LayoutStore(new NamedTexts(places.config().resolve("layouts"), ".layout.json"));
    }

    /** By name. */
    public List<Layout> list() throws IOException {
        List<SavedLayout> found = texts.list(SavedLayout::parse);
        return found.stream().map(SavedLayout::layout).sorted(Comparator.comparing(Layout::name, String.CASE_INSENSITIVE_ORDER)).toList();
    }

    public Optional<Layout> find(String name) throws IOException {
        return list().stream().filter(l -> l.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /** Keeps a layout without its sources; one of the same name gives way. */
    public void keep(Layout layout) throws IOException {
        texts.write(layout.name(), SavedLayout.of(layout).toText());
    }

    public void forget(String name) throws IOException {
        texts.forget(name);
    }
}
