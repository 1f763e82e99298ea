package dev.vat.desktop.band;

import dev.vat.core.picture.Size;
import dev.vat.desktop.look.SmallPictures;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Executor;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.image.Image;

/**
 * Pictures at their places: as many as fit, each of the place at its left edge, every item beginning with its own first picture. They are
 * asked for one by one beside all else, and kept, so that going back shows them at once. On the interface's thread only.
 */
final class Filmstrip {

    private static final int MOST = 1200;
    /** Wider ones would leave too few places; of panoramas the middle is shown. */
    private static final double WIDEST = 2.4;
    private static final double NARROWEST = 12;

    /** A picture's room on the band. @param begins whether an item begins with it */
    record Tile(long place, double x, double width, boolean begins) {}

    private final SmallPictures pictures;
    private final Runnable repaint;
    private boolean resting;

    /** @param repaint told when there is something new to draw */
    Filmstrip(SmallPictures.Origin origin, Executor ui, Runnable repaint) {
        this.pictures = new SmallPictures(origin, MOST, ui, _ -> repaint.run());
        this.repaint = repaint;
    }

    /** While something plays nothing is asked for. */
    void rest(boolean on) {
        if (on != resting) {
            resting = on;
            repaint.run();
        }
    }

    /** Whether every picture is there that is asked for. */
    boolean isThere() {
        return pictures.isThere();
    }

    /** Frames that couldn't be shown may have come meanwhile. */
    void tryAgain() {
        pictures.tryAgain();
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
            pictures.want(Set.of());
            return;
        }
        double wide = BandRows.STRIP * Math.min(WIDEST, (double) seen.width() / seen.height());
        double tall = wide * seen.height() / seen.width();
        Set<SmallPictures.Key> wanted = new HashSet<>();
        Image last = null;
        g.save();
        g.beginPath();
        g.rect(BandRows.SIDE, top, width, BandRows.STRIP);
        g.clip();
        for (Tile tile : tiles(view, track.cuts(), track.count(), width, wide)) {
            SmallPictures.Key key = track.subject(tile.place).map(s -> SmallPictures.Key.of(s, wide * scale, tall * scale)).orElse(null);
            if (key != null) {
                wanted.add(key);
            }
            // Until it comes, what stands before it is nearer to it than nothing.
            Image own = key == null ? null : pictures.get(key);
            Image image = own != null || key == null || tile.begins ? own : last;
            if (image != null) {
                draw(g, image, BandRows.SIDE + tile.x, top, Math.min(tile.width, wide), wide);
            } else if (key == null) {
                g.setFill(dyes.ground(track.mark(tile.place)));
                g.fillRect(BandRows.SIDE + tile.x, top, tile.width, BandRows.STRIP);
            }
            last = key == null ? null : image;
        }
        g.restore();
        pictures.want(resting ? Set.of() : wanted);
    }

    /** The middle of a picture, where there is no room for all of it. */
    private static void draw(GraphicsContext g, Image image, double x, double top, double width, double wide) {
        double share = Math.min(1, width / wide);
        double tall = wide * image.getHeight() / image.getWidth();
        g.drawImage(image, image.getWidth() * (1 - share) / 2, 0, image.getWidth() * share, image.getHeight(), x,
                top + (BandRows.STRIP - tall) / 2, width, tall);
    }
}
