package dev.vat.desktop.window;

import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.robot.Robot;
import javafx.stage.Stage;

/**
 * Works the mouse and the keys of the window under test. Each gesture returns when the window has answered it and is laid out again:
 * that is asked for, nothing is waited for by the clock.
 */
final class Hand {

    private static final long PATIENCE_SECONDS = 180;

    private final Robot robot;
    private final Stage stage;
    private Point2D place = Point2D.ZERO;

    private Hand(Robot robot, Stage stage) {
        this.robot = robot;
        this.stage = stage;
    }

    /** A hand over what this window shows. */
    static Hand over(Stage stage) throws Exception {
        return new Hand(on(Robot::new), stage);
    }

    /** Does this in the window's thread; what it throws is thrown here. */
    static <T> T on(Callable<T> act) throws Exception {
        if (Platform.isFxApplicationThread()) {
            return act.call();
        }
        CompletableFuture<T> answer = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                answer.complete(act.call());
            } catch (Throwable e) {
                answer.completeExceptionally(e);
            }
        });
        try {
            return answer.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Exception cause) {
                throw cause;
            }
            throw (Error) e.getCause();
        }
    }

    /** Returns when this holds; it is asked again after each pulse of the window. */
    void await(Callable<Boolean> condition) throws Exception {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(PATIENCE_SECONDS);
        while (!on(condition)) {
            if (System.nanoTime() > end) {
                throw new TimeoutException("this has not come about in " + PATIENCE_SECONDS + " s");
            }
            pulse();
        }
    }

    /** Returns when all that was asked of the window's thread is done and the scene is laid out. */
    void rest() throws Exception {
        pulse();
        pulse();
    }

    private void pulse() throws Exception {
        CompletableFuture<Void> laidOut = new CompletableFuture<>();
        Scene scene = on(stage::getScene);
        Runnable listener = () -> laidOut.complete(null);
        on(() -> {
            scene.addPostLayoutPulseListener(listener);
            Platform.requestNextPulse();
            return null;
        });
        laidOut.get(PATIENCE_SECONDS, TimeUnit.SECONDS);
        on(() -> {
            scene.removePostLayoutPulseListener(listener);
            return null;
        });
    }

    private Hand does(Runnable gesture) throws Exception {
        on(() -> {
            gesture.run();
            // Asked of the screen after the gesture: when the answer is here the window has the gesture, too.
            robot.getPixelColor(0, 0);
            return null;
        });
        pulse();
        return this;
    }

    /** Moves to a point of the screen. */
    Hand moveTo(Point2D place) throws Exception {
        this.place = place;
        return does(() -> robot.mouseMove(place));
    }

    /** Moves to the middle of a node. */
    Hand moveTo(Node node) throws Exception {
        return moveTo(on(() -> {
            Bounds box = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(box.getCenterX(), box.getCenterY());
        }));
    }

    /** Moves from where it is, in pixels. */
    Hand moveBy(double right, double down) throws Exception {
        return moveTo(place.add(right, down));
    }

    Hand press(MouseButton button) throws Exception {
        return does(() -> robot.mousePress(button));
    }

    Hand release(MouseButton button) throws Exception {
        return does(() -> robot.mouseRelease(button));
    }

    Hand press() throws Exception {
        return does(() -> robot.mousePress(MouseButton.PRIMARY));
    }

    Hand release() throws Exception {
        return does(() -> robot.mouseRelease(MouseButton.PRIMARY));
    }

    Hand click() throws Exception {
        return press().release();
    }

    /** Clicks so many times at once: clicks that a slow machine lets be far apart aren't one gesture. */
    Hand click(int times) throws Exception {
        return does(() -> {
            for (int i = 0; i < times; i++) {
                robot.mousePress(MouseButton.PRIMARY);
                robot.mouseRelease(MouseButton.PRIMARY);
            }
        });
    }

    /** Turns the wheel; away from the hand is positive. */
    Hand wheel(int notches) throws Exception {
        for (int i = 0; i < Math.abs(notches); i++) {
            does(() -> robot.mouseWheel(-Integer.signum(notches)));
        }
        return this;
    }

    /** Presses these together and lets them go. */
    Hand push(KeyCode... keys) throws Exception {
        int last = keys.length - 1;
        for (int i = 0; i < last; i++) {
            hold(keys[i]);
        }
        // At once: a key that a slow machine holds down for long is repeated by the system.
        does(() -> {
            robot.keyPress(keys[last]);
            robot.keyRelease(keys[last]);
        });
        for (int i = last - 1; i >= 0; i--) {
            letGo(keys[i]);
        }
        return this;
    }

    Hand hold(KeyCode key) throws Exception {
        return does(() -> robot.keyPress(key));
    }

    Hand letGo(KeyCode key) throws Exception {
        return does(() -> robot.keyRelease(key));
    }

    /** Writes where the focus is. */
    Hand write(String text) throws Exception {
        return does(
                () -> text.codePoints().mapToObj(Character::toString).forEach(letter -> Event.fireEvent(stage.getScene().getFocusOwner(),
                        new KeyEvent(KeyEvent.KEY_TYPED, letter, "", KeyCode.UNDEFINED, false, false, false, false))));
    }
}
