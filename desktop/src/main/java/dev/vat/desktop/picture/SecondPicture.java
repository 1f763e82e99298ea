package dev.vat.desktop.picture;

import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.HalfPlane;
import dev.vat.desktop.compare.Side;
import dev.vat.desktop.compare.Way;
import dev.vat.desktop.compare.WipeLine;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.shape.Rectangle;

/** The picture that another one is held against: in its place, behind a line, or beside it. In step with it, always. */
final class SecondPicture {

    private final CompareBar compare;
    private final FramePump pump;
    private final PixelRing ring = new PixelRing();
    private final ImageView image = new ImageView();
    private static final double EDGE = 20;
    private static final double LEAST_WORDS = 200;

    private final Label trouble = new Label();
    private final WipeLine line;

    /** @param again told when both have to be shown anew */
    SecondPicture(Viewer viewer, FrameCache cache, CompareBar compare, Runnable again) {
        this.compare = compare;
        this.pump = new FramePump(viewer, cache);
        this.line = new WipeLine(again);
        image.setId("second-picture");
        image.setMouseTransparent(true);
        trouble.getStyleClass().add("picture-trouble");
        trouble.setMouseTransparent(true);
        trouble.setWrapText(true);
        clear();
    }

    List<Node> nodes() {
        return List.of(image, trouble, line);
    }

    void clear() {
        image.setImage(null);
        trouble.setText("");
        line.setVisible(false);
    }

    /** Whether a second picture is on the screen at all. */
    private boolean isWanted() {
        return compare.isGoing() && compare.way() != Way.DIFFERENCE;
    }

    Optional<ViewerMessage.Subject> subject(long place) {
        return isWanted() ? compare.beside().strip().subject(place) : Optional.empty();
    }

    /** As large as the first one, but as its own file. @return null while there is none */
    ViewerMessage.Shape shape(ViewerMessage.Shape first) {
        if (!isWanted()) {
            return null;
        }
        Side side = compare.beside();
        return new ViewerMessage.Shape(first.width(), first.height(), side.strip().transparent() ? side.ground() : null, first.look(),
                side.as());
    }

    void prepare(ViewerMessage.Shape first) {
        if (isWanted()) {
            pump.setStrip(compare.beside().strip());
            pump.setWish(shape(first));
        }
    }

    void want(long place, Player player) {
        if (isWanted()) {
            pump.want(place, player);
        }
    }

    boolean isReady(long place) {
        return !isWanted() || pump.isReady(place);
    }

    boolean isFilling() {
        return pump.isFilling();
    }

    long filled() {
        return pump.filled();
    }

    void show(long place) {
        if (!isWanted()) {
            clear();
            pump.rest();
            return;
        }
        Optional<ByteBuffer> pixels = pump.picture(place);
        image.setImage(half() != null ? null : pixels.map(p -> ring.put(p, pump.wish().width(), pump.wish().height())).orElse(null));
        trouble.setText(pixels.isPresent() ? "" : pump.trouble(place).orElse(""));
    }

    /** What of the first picture gives way to this one's samples; null unless they lie behind a line. */
    HalfPlane half() {
        return isWanted() && compare.way() == Way.WIPE ? line.side() : null;
    }

    /** @return null where there is no picture */
    ByteBuffer samples(long place) {
        return isWanted() ? pump.picture(place).orElse(null) : null;
    }

    /** Whether it stands in the first one's place. */
    boolean covers() {
        return isWanted() && compare.way() == Way.FLIP && compare.isFlipped();
    }

    void turn(double degrees) {
        line.turn(degrees);
    }

    /** @param x where the first one lies */
    void arrange(double x, double y, double width, double height, boolean smooth) {
        boolean wanted = isWanted();
        Way way = compare.way();
        image.setVisible(wanted && (way == Way.BESIDE || covers()));
        trouble.setVisible(wanted && (way != Way.FLIP || covers()));
        line.setVisible(wanted && way == Way.WIPE);
        if (!wanted) {
            return;
        }
        image.setSmooth(smooth);
        image.setFitWidth(width);
        image.setFitHeight(height);
        double left = way == Way.BESIDE ? x + width + 2 : x;
        image.relocate(left, y);
        double wide = image.getParent().getLayoutBounds().getWidth();
        double from = Math.clamp(left + EDGE, 0, Math.max(0, wide - LEAST_WORDS));
        trouble.setPrefWidth(Math.max(0, wide - from - EDGE));
        trouble.relocate(from, y + height / 2);
        line.over(x, y, width, height);
        image.setClip(way == Way.BESIDE ? new Rectangle(width, height) : null);
    }

    void close() {
        pump.close();
    }
}
