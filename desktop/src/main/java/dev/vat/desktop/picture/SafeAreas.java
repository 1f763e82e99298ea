package dev.vat.desktop.picture;

import dev.vat.core.burnin.Spot;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;

/**
 * Frames over the picture: inside the outer one lies what viewers see of the action, inside the inner one what is written
 * (Recommendation EBU R 95: 3.5 and 5 percent clear on each side).
 */
final class SafeAreas extends Pane {

    private static final double ACTION = .035;

    private final Region action = frame("action-safe");
    private final Region title = frame("title-safe");

    SafeAreas() {
        setMouseTransparent(true);
        setManaged(false);
        setVisible(false);
        getChildren().addAll(action, title);
    }

    private static Region frame(String style) {
        Region frame = new Region();
        frame.getStyleClass().addAll("safe-area", style);
        frame.setManaged(false);
        return frame;
    }

    /** Where the picture lies. */
    void over(double x, double y, double width, double height) {
        resizeRelocate(x, y, width, height);
        lay(action, ACTION);
        lay(title, Spot.CLEAR);
    }

    private void lay(Region frame, double clear) {
        double across = Math.round(getWidth() * clear);
        double down = Math.round(getHeight() * clear);
        frame.resizeRelocate(across, down, getWidth() - 2 * across, getHeight() - 2 * down);
    }
}
