package dev.vat.media.lib;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * The few things used last, each made when it is first asked for; what hasn't been used for longest is closed. Belongs to one thread, and
 * so does what it holds.
 */
public final class Kept<K, V> implements AutoCloseable {

    private final Function<K, V> make;
    private final Consumer<V> close;
    private final Map<K, V> held;

    /** @param most that are kept at once, at least one */
    public Kept(int most, Function<K, V> make, Consumer<V> close) {
        this.make = make;
        this.close = close;
        this.held = new LinkedHashMap<>(16, .75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                if (size() > most) {
                    close.accept(eldest.getValue());
                    return true;
                }
                return false;
            }
        };
    }

    /** It stays this one's, and is there until others were asked for. */
    public V get(K key) {
        V there = held.get(key);
        if (there == null) {
            there = make.apply(key);
            held.put(key, there);
        }
        return there;
    }

    @Override
    public void close() {
        held.values().forEach(close);
        held.clear();
    }
}
