package dev.vat.desktop.band;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.desktop.look.ShownImage;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;

/**
 * Pictures at their places: as many as fit, each of the place at its left edge, every item beginning with its own first picture. They are
 * asked for one by one beside all else, and kept, so that going back shows them at once. On the interface's thread only.
 */
final class Filmstrip {

    private static final int MOST = 1200;
    /** Behind transparent places: the picture area's own grey. */
    private static final Rgb GROUND = new Rgb(92, 92, 92);
    /** Wider ones would leave too few places; of panoramas the middle is shown. */
    private static final double WIDEST = 2.4;
    private static final double NARROWEST = 12;

    /** Where pictures come from that can wait. */
    interface Pictures {
        CompletableFuture<ShownPicture> later(ViewerMessage.Subject subject, ViewerMessage.Shape shape);
    }

    /** A picture's room on the band. @param begins whether an item begins with it */
    record Tile(long place, double x, double width, boolean begins) {}

    private record Key(ViewerMessage.Subject subject, ViewerMessage.Shape shape) {}

    private final Pictures pictures;
    private final Runnable arrived;
    private final Map<Key, Image> images = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Key, Image> eldest) {
            return size() > MOST;
        }
    };
    private final Map<Key, CompletableFuture<ShownPicture>> coming = new HashMap<>();
    private final Set<Key> failed = new HashSet<>();
    private boolean resting;

    /** @param arrived told when a picture has come, so that it can be drawn */
    Filmstrip(Pictures pictures, Runnable arrived) {
        this.pictures = pictures;
        this.arrived = arrived;
    }

    /** While something plays nothing is asked for. */
    void rest(boolean on) {
        if (on != resting) {
            resting = on;
            arrived.run();
        }
    }

    /** Whether every picture is there that is asked for. */
    boolean isThere() {
        return coming.isEmpty();
    }

    /** Frames that couldn't be shown may have come meanwhile. */
    void tryAgain() {
        failed.clear();
    }

    /** The pictures' rooms. @param wide of a whole picture */
    static List<Tile> tiles(BandView view, List<Long> cuts, long count, double width, double wide) {
        List<Tile> tiles = new ArrayList<>();
        double place = width / view.shown();
        long step = 1;
        // At least half of each picture is seen; the same places whatever stretch is shown.
        while (step * place < wide / 2) {
            step *= 2;
        }
        List<Long> starts = new ArrayList<>(cuts);
        starts.addFirst(0L);
        for (int i = 0; i < starts.size(); i++) {
            long start = starts.get(i);
            long end = i + 1 < starts.size() ? starts.get(i + 1) : count;
            if (end <= view.first() || start >= view.first() + view.shown()) {
                continue;
            }
            long first = start + Math.max(0, ((long) view.first() - start) / step) * step;
            for (long p = first; p < end && p < view.first() + view.shown(); p += step) {
                double x = view.xOf(p, width);
                // Of items too narrow for anything to be made out, some go without a picture.
                if (tiles.isEmpty() || p != start || x - tiles.getLast().x >= NARROWEST) {
                    tiles.add(new Tile(p, x, view.xOf(Math.min(end, p + step), width) - x, p == start));
                }
            }
        }
        return tiles;
    }

    /** Paints what is there and asks for what isn't. @param scale pixels of the screen for one of the window's */
    void paint(GraphicsContext g, BandColours dyes, FrameTrack track, BandView view, double top, double width, double scale) {
        Size seen = track.size().map(s -> track.pixelAspect().seen(s)).orElse(null);
        g.setFill(dyes.empty());
        g.fillRect(BandRows.SIDE, top, width, BandRows.STRIP);
        if (seen == null) {
            want(Set.of());
            return;
        }
        double wide = BandRows.STRIP * Math.min(WIDEST, (double) seen.width() / seen.height());
        ViewerMessage.Shape shape = new ViewerMessage.Shape((int) Math.max(1, Math.round(wide * scale)),
                (int) Math.max(1, Math.round(wide * scale * seen.height() / seen.width())), GROUND, ViewerMessage.Showing.COLOUR, null);
        Set<Key> wanted = new HashSet<>();
        Image last = null;
        g.save();
        g.beginPath();
        g.rect(BandRows.SIDE, top, width, BandRows.STRIP);
        g.clip();
        for (Tile tile : tiles(view, track.cuts(), track.count(), width, wide)) {
            Key key = track.subject(tile.place).map(s -> new Key(s, shape)).orElse(null);
            if (key != null) {
                wanted.add(key);
            }
            // Until it comes, what stands before it is nearer to it than nothing.
            Image image = key == null ? null : images.getOrDefault(key, tile.begins ? null : last);
            if (image != null) {
                draw(g, image, BandRows.SIDE + tile.x, top, Math.min(tile.width, wide), wide);
            } else if (key == null) {
                g.setFill(dyes.ground(track.mark(tile.place)));
                g.fillRect(BandRows.SIDE + tile.x, top, tile.width, BandRows.STRIP);
            }
            last = key == null ? null : image;
        }
        g.restore();
        want(wanted);
    }

    /** The middle of a picture, where there is no room for all of it. */
    private static void draw(GraphicsContext g, Image image, double x, double top, double width, double wide) {
        double share = Math.min(1, width / wide);
        double tall = wide * image.getHeight() / image.getWidth();
        g.drawImage(image, image.getWidth() * (1 - share) / 2, 0, image.getWidth() * share, image.getHeight(), x,
                top + (BandRows.STRIP - tall) / 2, width, tall);
    }

    private void want(Set<Key> wanted) {
        for (Iterator<Map.Entry<Key, CompletableFuture<ShownPicture>>> each = coming.entrySet().iterator(); each.hasNext();) {
            Map.Entry<Key, CompletableFuture<ShownPicture>> entry = each.next();
            if (resting || !wanted.contains(entry.getKey())) {
                each.remove();
                entry.getValue().cancel(false);
            }
        }
        if (resting) {
            return;
        }
        for (Key key : wanted) {
            if (!images.containsKey(key) && !coming.containsKey(key) && !failed.contains(key)) {
                CompletableFuture<ShownPicture> picture = pictures.later(key.subject, key.shape);
                coming.put(key, picture);
                picture.whenComplete((shown, _) -> Platform.runLater(() -> take(key, picture, shown)));
            }
        }
    }

    private void take(Key key, CompletableFuture<ShownPicture> picture, ShownPicture shown) {
        if (coming.get(key) == picture) {
            coming.remove(key);
        }
        if (shown != null) {
            try (shown) {
                images.put(key, ShownImage.of(shown));
            }
        } else if (!picture.isCancelled()) {
            failed.add(key);
        }
        arrived.run();
    }
}
