package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The ordered items of one programme. */
public record Reel(String id, String name, List<Item> items,
                   @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Reel {
        items = items == null ? List.of() : List.copyOf(items);
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Reel of(String id, String name, List<Item> items) {
        return new Reel(id, name, items, Map.of());
    }

    public Reel withItems(List<Item> other) {
        return new Reel(id, name, other, extra);
    }

    public Reel with(Item item) {
        List<Item> more = new ArrayList<>(items);
        more.add(item);
        return withItems(more);
    }

    public Reel without(int index) {
        List<Item> fewer = new ArrayList<>(items);
        fewer.remove(index);
        return withItems(fewer);
    }

    /** The item at {@code from} goes to stand at {@code to}. */
    public Reel moved(int from, int to) {
        List<Item> reordered = new ArrayList<>(items);
        reordered.add(to, reordered.remove(from));
        return withItems(reordered);
    }
}
