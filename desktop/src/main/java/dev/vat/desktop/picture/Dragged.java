package dev.vat.desktop.picture;

import dev.vat.core.delivery.Placement;

/** What is done with a picture that is cut off and dragged while the whole of its frame is seen. */
public interface Dragged {
    Dragged NOTHING = new Dragged() {
        @Override
        public Placement.Room room() {
            return Placement.Room.NONE;
        }

        @Override
        public void by(double rightwards, double downwards) {}
    };

    /** How far it can be dragged from where it lies. */
    Placement.Room room();

    /** It was let go. @param rightwards by how much of its frame's width @param downwards by how much of its height */
    void by(double rightwards, double downwards);
}
