package dev.vat.desktop.look;

import dev.vat.core.picture.Rgb;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.scene.image.Image;

/**
 * Small pictures of the viewer's: those that are wanted now are asked for, each once; what is no longer wanted is asked for no longer, and
 * what has come is kept. On the interface's thread only.
 */
public final class SmallPictures {

    /** Behind transparent places: the picture area's own grey. */
    private static final Rgb GROUND = new Rgb(92, 92, 92);

    /** Where pictures come from that can wait. */
    public interface Origin {
        CompletableFuture<ShownPicture> later(ViewerMessage.Subject subject, ViewerMessage.Shape shape);
    }

    /** Which picture, and how large. */
    public record Key(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {
        /** @param width in pixels of the screen, at least 1 */
        public static Key of(ViewerMessage.Subject subject, double width, double height) {
            return new Key(subject, new ViewerMessage.Shape((int) Math.max(1, Math.round(width)), (int) Math.max(1, Math.round(height)),
                    GROUND, ViewerMessage.Showing.COLOUR, null));
        }
    }

    private final Origin origin;
    private final Executor ui;
    private final Consumer<Key> arrived;
    private final Map<Key, Image> images;
    private final Map<Key, CompletableFuture<ShownPicture>> coming = new HashMap<>();
    private final Set<Key> failed = new HashSet<>();

    /**
     * @param most pictures that are kept
     * @param ui runs what it is given on the interface's thread, later
     * @param arrived told of each picture that has come
     */
    public SmallPictures(Origin origin, int most, Executor ui, Consumer<Key> arrived) {
        this.origin = origin;
        this.ui = ui;
        this.arrived = arrived;
        this.images = new LinkedHashMap<>(16, .75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<Key, Image> eldest) {
                return size() > most;
            }
        };
    }

    /** A picture that has come, or null. */
    public Image get(Key key) {
        return images.get(key);
    }

    /** Says all that is wanted now. */
    public void want(Set<Key> wanted) {
        Set<Key> useless = new HashSet<>(coming.keySet());
        useless.removeAll(wanted);
        useless.forEach(key -> coming.remove(key).cancel(false));
        for (Key key : wanted) {
            if (!images.containsKey(key) && !coming.containsKey(key) && !failed.contains(key)) {
                CompletableFuture<ShownPicture> picture = origin.later(key.subject, key.shape);
                coming.put(key, picture);
                picture.whenComplete((shown, _) -> {
                    if (!picture.isCancelled()) {
                        ui.execute(() -> take(key, picture, shown));
                    }
                });
            }
        }
    }

    /** Whether all that is wanted has come. */
    public boolean isThere() {
        return coming.isEmpty();
    }

    /** What couldn't be shown may be asked for again. */
    public void tryAgain() {
        failed.clear();
    }

    private void take(Key key, CompletableFuture<ShownPicture> picture, ShownPicture shown) {
        coming.remove(key, picture);
        if (shown == null) {
            failed.add(key);
            return;
        }
        try (shown) {
            images.put(key, ShownImage.of(shown));
        }
        arrived.accept(key);
    }
}
