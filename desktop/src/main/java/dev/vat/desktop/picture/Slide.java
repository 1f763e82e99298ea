package dev.vat.desktop.picture;

import dev.vat.core.delivery.Placement;
import javafx.scene.image.ImageView;
import javafx.scene.shape.Rectangle;

/** A picture that is cut off follows the pointer in its frame, as far as there is more of it, until it is drawn anew. */
final class Slide {

    private static final double LEAST = 3;

    private final ImageView image;
    private final Rectangle frame = new Rectangle();
    private Dragged what = Dragged.NOTHING;
    private Placement.Room room = Placement.Room.NONE;
    private double downX;
    private double downY;

    Slide(ImageView image) {
        this.image = image;
    }

    void of(Dragged dragged) {
        what = dragged;
    }

    void press(double x, double y) {
        downX = x;
        downY = y;
        room = what.room();
    }

    void drag(double x, double y) {
        double width = image.getFitWidth();
        double height = image.getFitHeight();
        move(Math.clamp(x - downX, -room.leftwards() * width, room.rightwards() * width),
                Math.clamp(y - downY, -room.upwards() * height, room.downwards() * height));
    }

    void release() {
        double x = image.getTranslateX();
        double y = image.getTranslateY();
        if (Math.max(Math.abs(x), Math.abs(y)) < LEAST) {
            move(0, 0);
        } else {
            what.by(x / image.getFitWidth(), y / image.getFitHeight());
        }
    }

    /** The picture is drawn as it lies now. */
    void settle() {
        move(0, 0);
    }

    private void move(double x, double y) {
        image.setTranslateX(x);
        image.setTranslateY(y);
        frame.setX(-x);
        frame.setY(-y);
        frame.setWidth(image.getFitWidth());
        frame.setHeight(image.getFitHeight());
        image.setClip(x == 0 && y == 0 ? null : frame);
    }
}
