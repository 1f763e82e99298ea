package dev.vat.desktop.picture;

import dev.vat.desktop.strip.Player;
import dev.vat.desktop.strip.Strip;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;

/**
 * Keeps a few pictures on their way from the viewer process, so that the one that is due is there. Memory is bounded by
 * the viewer's slots. On the interface's thread only.
 */
final class FramePump {

    private static final int AHEAD = 6;

    private final Viewer viewer;
    /** A picture on its way; another subject at its place makes it useless. */
    private record Coming(Optional<Message.Subject> subject, CompletableFuture<ShownPicture> picture) { }

    private final Map<Long, Coming> coming = new LinkedHashMap<>();
    private Strip strip;
    private Message.Shape wish;

    FramePump(Viewer viewer) {
        this.viewer = viewer;
    }

    void setStrip(Strip other) {
        strip = other;
    }

    /** Another size or look makes everything on its way useless. */
    void setWish(Message.Shape other) {
        if (!other.equals(wish)) {
            wish = other;
            forget();
        }
    }

    Message.Shape wish() {
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

    /** Asks for a place and, when playing, for what comes after it. */
    void want(long place, Player player) {
        if (strip == null || wish == null) {
            return;
        }
        Deque<Long> wanted = new ArrayDeque<>();
        long at = place;
        wanted.add(at);
        for (int i = 1; player.isPlaying() && i < AHEAD; i++) {
            at = player.next(at);
            if (wanted.contains(at)) {
                break;
            }
            wanted.add(at);
        }
        coming.entrySet().removeIf(entry -> {
            boolean past = !wanted.contains(entry.getKey())
                    || !entry.getValue().subject.equals(strip.subject(entry.getKey()));
            if (past) {
                drop(entry.getValue().picture);
            }
            return past;
        });
        for (long each : wanted) {
            if (!coming.containsKey(each)) {
                Optional<Message.Subject> subject = strip.subject(each);
                coming.put(each, new Coming(subject, subject
                        .map(s -> viewer.picture(s, wish))
                        .orElseGet(() -> CompletableFuture.failedFuture(new IllegalStateException(strip.remark(each))))));
            }
        }
    }

    /** What came of a place, if anything has; it is handed out once. */
    Optional<CompletableFuture<ShownPicture>> arrived(long place) {
        Coming came = coming.get(place);
        if (came == null || !came.picture.isDone()) {
            return Optional.empty();
        }
        coming.remove(place);
        return Optional.of(came.picture);
    }

    /** The latest place up to {@code due} that has arrived, for when the one that is due isn't there yet. */
    Optional<Long> latestArrived(long due) {
        Long best = null;
        for (Map.Entry<Long, Coming> entry : coming.entrySet()) {
            if (entry.getValue().picture.isDone() && entry.getKey() <= due && (best == null || entry.getKey() > best)) {
                best = entry.getKey();
            }
        }
        return Optional.ofNullable(best);
    }

    void close() {
        forget();
    }
}
