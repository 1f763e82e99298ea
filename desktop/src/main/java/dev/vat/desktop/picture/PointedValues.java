package dev.vat.desktop.picture;

import dev.vat.core.words.Words;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.util.concurrent.CompletableFuture;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.util.Duration;

/** The samples under the pointer: as they are stored, of one picture or two, and as they are shown. */
final class PointedValues extends Label {

    private static final Words WORDS = Words.of(PointedValues.class);

    private static final double MARGIN = 8;

    private final Viewer viewer;
    private final PauseTransition pause = new PauseTransition(Duration.millis(60));
    private ViewerMessage.Taken first;
    private ViewerMessage.Taken second;
    private byte[] shown = new byte[0];
    private int shownWidth;
    private int shownHeight;
    private double left;
    private double top;
    private double width = 1;
    private double height = 1;
    private double pointX;
    private double pointY;
    private boolean inside;
    private long asked;

    PointedValues(Viewer viewer) {
        this.viewer = viewer;
        setId("values");
        getStyleClass().addAll("mono", "pointed-values");
        setMouseTransparent(true);
        setVisible(false);
        pause.setOnFinished(_ -> ask());
    }

    /**
     * What is shown now.
     *
     * @param one null to show no values
     * @param other the second picture, or null
     * @param pixels B G R A as they are shown
     */
    void show(ViewerMessage.Taken one, ViewerMessage.Taken other, ByteBuffer pixels, int across, int down) {
        first = one;
        second = other;
        if (one == null) {
            setVisible(false);
            return;
        }
        ByteBuffer copy = pixels.duplicate().clear();
        shown = new byte[4 * across * down];
        copy.get(0, shown);
        shownWidth = across;
        shownHeight = down;
        if (inside) {
            pause.playFromStart();
        }
    }

    /** Where the picture lies in its stage. */
    void arrange(double x, double y, double wide, double tall, double stage) {
        left = x;
        top = y;
        width = wide;
        height = tall;
        relocate(MARGIN, stage - MARGIN - 22 * Math.max(1, getText().lines().count()));
    }

    void point(double x, double y) {
        pointX = (x - left) / width;
        pointY = (y - top) / height;
        inside = pointX >= 0 && pointX < 1 && pointY >= 0 && pointY < 1;
        if (first != null && inside) {
            pause.playFromStart();
        } else {
            setVisible(false);
        }
    }

    void leave() {
        inside = false;
        setVisible(false);
    }

    private void ask() {
        if (first == null || !inside) {
            return;
        }
        long number = ++asked;
        String display = displayed();
        CompletableFuture<String> one = viewer.sample(first, pointX, pointY);
        CompletableFuture<String> other = second == null ? CompletableFuture.completedFuture(null) : viewer.sample(second, pointX, pointY);
        one.thenCombine(other, (a, b) -> b == null ? WORDS.say("shown", a, display) : WORDS.say("1Shown2", a, display, b))
                .whenComplete((words, failure) -> Platform.runLater(() -> {
                    if (number == asked && first != null && inside) {
                        setText(failure == null ? words : String.valueOf(failure.getMessage()));
                        setVisible(true);
                    }
                }));
    }

    private String displayed() {
        int at = 4 * ((int) (pointY * shownHeight) * shownWidth + (int) (pointX * shownWidth));
        return (shown[at + 2] & 0xff) + " " + (shown[at + 1] & 0xff) + " " + (shown[at] & 0xff);
    }
}
