package dev.vat.desktop.picture;

import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/**
 * Brings pictures from the viewer process into the cache, a few at a time, so that the one that is due is there. While
 * nothing else is to be done it goes on filling the cache from the playhead on. On the interface's thread only.
 */
final class FramePump {

    private static final int AHEAD = 6;
    /** How far the cache is filled from the playhead when nothing plays. */
    private static final int IDLE_AHEAD = 250;
    private static final int MOST_CACHED_MARKS = 200_000;

    /** A picture on its way; another subject at its place makes it useless. */
    private record Coming(FrameCache.Key key, CompletableFuture<ShownPicture> picture) {}

    private final Viewer viewer;
    private final FrameCache cache;
    private final Map<Long, Coming> coming = new LinkedHashMap<>();
    private final Map<Long, String> failed = new HashMap<>();
    private FrameTrack strip;
    private ViewerMessage.Shape wish;
    private BitSet cached = new BitSet();
    private long cachedVersion = -1;
    private long filled;

    FramePump(Viewer viewer, FrameCache cache) {
        this.viewer = viewer;
        this.cache = cache;
    }

    void setStrip(FrameTrack other) {
        if (other != null && !other.equals(strip)) {
            failed.clear();
            cachedVersion = -1;
        }
        strip = other;
    }

    /** Another size or look makes everything on its way useless. */
    void setWish(ViewerMessage.Shape other) {
        if (!other.equals(wish)) {
            wish = other;
            failed.clear();
            cachedVersion = -1;
            forget();
        }
    }

    ViewerMessage.Shape wish() {
        return wish;
    }

    private void forget() {
        coming.values().forEach(c -> drop(c.picture));
        coming.clear();
    }

    private static void drop(CompletableFuture<ShownPicture> picture) {
        if (!picture.cancel(false) && !picture.isCompletedExceptionally()) {
            picture.join().close();
        }
    }

    private Optional<FrameCache.Key> key(long place) {
        return strip.subject(place).map(s -> new FrameCache.Key(s, wish));
    }

    /** Asks for a place, and for what comes after it when playing; at rest for what isn't cached yet. */
    void want(long place, Player player) {
        if (strip == null || wish == null) {
            return;
        }
        collect();
        Deque<Long> wanted = new ArrayDeque<>();
        long at = place;
        int steps = player.isPlaying() ? AHEAD * 4 : IDLE_AHEAD;
        for (int i = 0; i <= steps && wanted.size() < AHEAD; i++) {
            if (!isReady(at) && !wanted.contains(at)) {
                wanted.add(at);
            }
            long next = player.next(at);
            if (next == at || next == place) {
                break;
            }
            at = next;
        }
        coming.entrySet().removeIf(entry -> {
            // What is on its way and still useful is let come; the place in hand must not wait behind it.
            boolean useless = !wanted.contains(entry.getKey())
                    || key(entry.getKey()).filter(k -> k.equals(entry.getValue().key)).isEmpty();
            if (useless) {
                drop(entry.getValue().picture);
            }
            return useless;
        });
        for (long each : wanted) {
            if (!coming.containsKey(each)) {
                key(each).ifPresentOrElse(k -> ask(each, k), () -> failed.put(each, strip.remark(each)));
            }
        }
    }

    private void ask(long place, FrameCache.Key key) {
        if (!cache.fetch(key)) {
            coming.put(place, new Coming(key, viewer.picture(key.subject(), wish)));
        }
    }

    /** Wants nothing any more: what is on its way is let go. */
    void rest() {
        forget();
    }

    /** Takes what has arrived into the cache. */
    private void collect() {
        coming.entrySet().removeIf(entry -> {
            CompletableFuture<ShownPicture> picture = entry.getValue().picture;
            if (!picture.isDone()) {
                return false;
            }
            if (picture.isCancelled()) {
                return true;
            }
            if (picture.isCompletedExceptionally()) {
                failed.put(entry.getKey(), picture.exceptionNow().getMessage());
                return true;
            }
            try (ShownPicture arrived = picture.join()) {
                cache.put(entry.getValue().key, arrived);
                filled++;
            }
            return true;
        });
    }

    /** Whether there is an answer for a place: its picture, or why there is none. */
    boolean isReady(long place) {
        return failed.containsKey(place) || key(place).filter(cache::has).isPresent();
    }

    /** Why there is no picture of a place, if so. */
    Optional<String> trouble(long place) {
        return Optional.ofNullable(failed.get(place));
    }

    /** The picture of a place, valid until the next call. */
    Optional<ByteBuffer> picture(long place) {
        collect();
        return key(place).flatMap(cache::get);
    }

    /** Pictures that came in altogether, for telling how fast they come. */
    long filled() {
        return filled;
    }

    /** Whether pictures are on their way. */
    boolean isFilling() {
        return !coming.isEmpty();
    }

    /** The places whose pictures are held as they are shown now. */
    BitSet cached() {
        if (strip == null || wish == null || strip.count() > MOST_CACHED_MARKS) {
            return new BitSet();
        }
        if (cachedVersion != cache.version()) {
            cachedVersion = cache.version();
            BitSet places = new BitSet();
            for (int p = 0; p < strip.count(); p++) {
                places.set(p, key(p).filter(cache::isKept).isPresent());
            }
            cached = places;
        }
        return cached;
    }

    void close() {
        forget();
        cache.close();
    }
}
