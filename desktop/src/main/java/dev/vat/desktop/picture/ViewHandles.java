package dev.vat.desktop.picture;

import dev.vat.core.layout.Area;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/**
 * Frames round the views of a layout: dragged they move, by a corner they change their size; with Shift it is the part of its picture that
 * each shows, which the wheel makes larger and smaller. Arrows do the same for the one that has the keyboard.
 */
final class ViewHandles extends Pane {

    private static final Words WORDS = Words.of(ViewHandles.class);

    private static final double CORNER = 10;
    /** Places are round ones: half a percent. */
    private static final int STEPS = 200;
    private static final Rational KEY_STEP = Rational.of(1, 100);

    private final List<Region> frames = new ArrayList<>();
    private LaidOut laidOut;
    private List<Area> areas = List.of();
    /** What is being dragged: its place so far, or its crop; which of them was said when it began. */
    private Area dragged;
    private boolean cropping;
    private boolean corner;
    private boolean atLeft;
    private boolean atTop;
    private double startX;
    private double startY;
    private double pressX;
    private double pressY;

    ViewHandles() {
        setManaged(false);
        setVisible(false);
        setPickOnBounds(false);
        getStyleClass().add("view-handles");
    }

    void of(LaidOut views) {
        laidOut = views;
    }

    /** Where the picture lies. */
    void over(double x, double y, double width, double height) {
        resizeRelocate(x, y, width, height);
        areas = laidOut == null ? List.of() : laidOut.areas();
        setVisible(!areas.isEmpty());
        while (frames.size() < areas.size()) {
            frames.add(frame(frames.size()));
            getChildren().add(frames.getLast());
        }
        while (frames.size() > areas.size()) {
            getChildren().remove(frames.removeLast());
        }
        // What is being dragged lies where the hand has it.
        for (int i = 0; i < areas.size() && dragged == null; i++) {
            lay(i, areas.get(i));
        }
    }

    private void lay(int view, Area area) {
        double x = area.left().toDouble() * getWidth();
        double y = area.top().toDouble() * getHeight();
        frames.get(view).resizeRelocate(x, y, area.width().toDouble() * getWidth(), area.height().toDouble() * getHeight());
        frames.get(view).setAccessibleText(WORDS.say("viewAtPercent", (view + 1), laidOut.name(view), area));
    }

    private Region frame(int view) {
        Region frame = new Region();
        frame.setId("view-handle-" + view);
        frame.getStyleClass().addAll("view-handle", "takes-arrows");
        frame.setManaged(false);
        frame.setFocusTraversable(true);
        frame.setAccessibleRole(AccessibleRole.THUMB);
        frame.addEventHandler(MouseEvent.MOUSE_MOVED, e -> frame.setCursor(isCorner(frame, e.getX(), e.getY()) ? Cursor.CROSSHAIR
                : Cursor.OPEN_HAND));
        frame.addEventHandler(MouseEvent.MOUSE_PRESSED, e -> {
            frame.requestFocus();
            pressX = e.getX();
            pressY = e.getY();
            e.consume();
        });
        frame.addEventHandler(MouseEvent.MOUSE_DRAGGED, e -> {
            drag(view, frame, e);
            e.consume();
        });
        frame.addEventHandler(MouseEvent.MOUSE_RELEASED, e -> {
            letGo(view);
            e.consume();
        });
        frame.addEventHandler(ScrollEvent.SCROLL, e -> {
            if (e.isShiftDown()) {
                // The wheel goes sideways while Shift is held.
                double turned = e.getDeltaY() == 0 ? e.getDeltaX() : e.getDeltaY();
                laidOut.crop(view, laidOut.crop(view).zoomed(turned > 0 ? Rational.of(9, 10) : Rational.of(10, 9)));
                e.consume();
            }
        });
        frame.addEventHandler(KeyEvent.KEY_PRESSED, e -> key(view, e));
        return frame;
    }

    private static boolean isCorner(Region frame, double x, double y) {
        return (x < CORNER || x > frame.getWidth() - CORNER) && (y < CORNER || y > frame.getHeight() - CORNER);
    }

    private void drag(int view, Region frame, MouseEvent e) {
        Area from = areas.get(view);
        if (dragged == null) {
            // Shift may be let go before the button is.
            cropping = e.isShiftDown();
            corner = isCorner(frame, pressX, pressY);
            atLeft = pressX < CORNER;
            atTop = pressY < CORNER;
            startX = frame.getLayoutX() + pressX;
            startY = frame.getLayoutY() + pressY;
        }
        if (cropping) {
            Area crop = laidOut.crop(view);
            // What is seen goes along with the hand, so the part that is taken goes the other way.
            dragged = crop.movedBy(share((pressX - e.getX()) / frame.getWidth()).times(crop.width()),
                    share((pressY - e.getY()) / frame.getHeight()).times(crop.height()));
            return;
        }
        double x = frame.getLayoutX() + e.getX();
        double y = frame.getLayoutY() + e.getY();
        dragged = corner ? from.withCorner(atLeft, atTop, share(x / getWidth()), share(y / getHeight()))
                : from.movedBy(share((x - startX) / getWidth()), share((y - startY) / getHeight()));
        lay(view, dragged);
    }

    private static Rational share(double of) {
        return Rational.of(Math.round(of * STEPS), STEPS);
    }

    private void letGo(int view) {
        Area to = dragged;
        dragged = null;
        if (to != null && cropping) {
            laidOut.crop(view, to);
        } else if (to != null && !to.equals(areas.get(view))) {
            laidOut.move(view, to);
        }
    }

    private void key(int view, KeyEvent e) {
        Rational right = switch (e.getCode()) {
            case LEFT -> Rational.ZERO.minus(KEY_STEP);
            case RIGHT -> KEY_STEP;
            default -> Rational.ZERO;
        };
        Rational down = switch (e.getCode()) {
            case UP -> Rational.ZERO.minus(KEY_STEP);
            case DOWN -> KEY_STEP;
            default -> Rational.ZERO;
        };
        if (right.signum() == 0 && down.signum() == 0 || e.isShortcutDown() || e.isAltDown()) {
            return;
        }
        Area now = areas.get(view);
        laidOut.move(view, e.isShiftDown()
                ? now.withCorner(false, false, now.left().plus(now.width()).plus(right), now.top().plus(now.height()).plus(down))
                : now.movedBy(right, down));
        e.consume();
    }
}
