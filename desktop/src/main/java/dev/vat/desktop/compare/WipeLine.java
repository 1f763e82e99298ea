package dev.vat.desktop.compare;

import javafx.event.Event;
import javafx.scene.Cursor;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;

/** The line between two pictures that lie over each other: dragged by its middle, turned by its end. */
public final class WipeLine extends Pane {

    private static final double GRIP = 7;
    private static final double TURN_AT = 70;

    private final Runnable moved;
    private final Line line = new Line();
    private final Circle middle = new Circle(GRIP);
    private final Circle end = new Circle(GRIP - 2);
    /** Where it goes through, as shares of the picture; degrees from upright. */
    private double x = .5;
    private double y = .5;
    private double angle;

    /** @param moved told whenever it lies otherwise */
    public WipeLine(Runnable moved) {
        this.moved = moved;
        setId("wipe-line");
        setManaged(false);
        setPickOnBounds(false);
        line.getStyleClass().add("wipe-line");
        line.setMouseTransparent(true);
        middle.getStyleClass().add("wipe-grip");
        middle.setId("wipe-middle");
        middle.setCursor(Cursor.MOVE);
        end.getStyleClass().add("wipe-grip");
        end.setId("wipe-end");
        end.setCursor(Cursor.HAND);
        middle.setOnMouseDragged(e -> {
            var at = sceneToLocal(e.getSceneX(), e.getSceneY());
            x = Math.clamp(at.getX() / getWidth(), 0, 1);
            y = Math.clamp(at.getY() / getHeight(), 0, 1);
            arrange();
            e.consume();
        });
        end.setOnMouseDragged(e -> {
            var at = sceneToLocal(e.getSceneX(), e.getSceneY());
            angle = Math.toDegrees(Math.atan2(at.getX() - x * getWidth(), -(at.getY() - y * getHeight())));
            arrange();
            e.consume();
        });
        middle.setOnMousePressed(Event::consume);
        end.setOnMousePressed(Event::consume);
        getChildren().addAll(line, middle, end);
    }

    /** Turns it. @param degrees clockwise */
    public void turn(double degrees) {
        angle += degrees;
        arrange();
    }

    /** Where the picture lies. */
    public void over(double left, double top, double width, double height) {
        resizeRelocate(left, top, width, height);
        lay();
    }

    private void arrange() {
        lay();
        moved.run();
    }

    private void lay() {
        double cx = x * getWidth();
        double cy = y * getHeight();
        double dx = Math.sin(Math.toRadians(angle));
        double dy = -Math.cos(Math.toRadians(angle));
        double far = getWidth() + getHeight();
        line.setStartX(cx - far * dx);
        line.setStartY(cy - far * dy);
        line.setEndX(cx + far * dx);
        line.setEndY(cy + far * dy);
        setClip(new Rectangle(-GRIP, -GRIP, getWidth() + 2 * GRIP, getHeight() + 2 * GRIP));
        middle.setCenterX(cx);
        middle.setCenterY(cy);
        end.setCenterX(cx + TURN_AT * dx);
        end.setCenterY(cy + TURN_AT * dy);
    }

    /** What of the second picture is seen: all to the right of the line, seen along it. */
    public HalfPlane side() {
        return HalfPlane.rightOf(x, y, angle);
    }
}
