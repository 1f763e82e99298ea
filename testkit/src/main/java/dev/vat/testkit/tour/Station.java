package dev.vat.testkit.tour;

import dev.vat.core.project.Project;
import dev.vat.core.reel.Layout;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.window.VatWindow;
import dev.vat.testkit.InterfaceThread;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;

/** A part of the tour: presses what a person would press, and takes pictures of it. */
abstract class Station {

    /** Beyond this something is stuck, however slow the machine. */
    private static final long STUCK_MILLIS = 30 * 60_000;

    final VatWindow window;
    final Path folder;
    private final Path shots;

    /** @param folder of the demo's frames @param shots where pictures go */
    Station(VatWindow window, Path folder, Path shots) {
        this.window = window;
        this.folder = folder;
        this.shots = shots;
    }

    /** Opens a group of what is chosen. */
    void open(String group) throws InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        act(() -> window.mainView().steering().openGroup(group));
    }

    void show(Project project) throws InterruptedException, ExecutionException {
        act(() -> {
            session().files().show(project, null);
        });
        await("the frames to be checked", () -> !session().watch().isChecking());
    }

    void seek(long place) throws InterruptedException, ExecutionException {
        act(() -> {
            window.mainView().seek(place);
        });
    }

    Session session() {
        return window.session();
    }

    /** Presses a button, or chooses a row, by its id. */
    void press(String id) throws InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        act(() -> {
            if (id.startsWith("source-")) {
                window.mainView().steering().selectSource(id.replaceFirst("^source-", ""));
            } else if (window.mainView().lookup("#" + id) instanceof ButtonBase button && !button.isDisabled()) {
                button.fire();
            } else {
                throw new IllegalStateException("nothing to press at " + id);
            }
        });
    }

    void shoot(String name) throws IOException, InterruptedException, ExecutionException {
        await("the window to settle", window.mainView()::isSettled);
        pulse();
        pulse();
        await("the window to settle", window.mainView()::isSettled);
        Shots.write(InterfaceThread.on(() -> Shots.of(window.stage().getScene())), shots.resolve(name + ".png"));
        System.err.println("  picture " + shots.resolve(name + ".png"));
    }

    /** Layout follows on a pulse. */
    void pulse() throws InterruptedException, ExecutionException {
        CompletableFuture<Void> laidOut = new CompletableFuture<>();
        Scene scene = window.stage().getScene();
        Runnable listener = () -> laidOut.complete(null);
        act(() -> {
            scene.addPostLayoutPulseListener(listener);
            Platform.requestNextPulse();
        });
        laidOut.get();
        act(() -> scene.removePostLayoutPulseListener(listener));
    }

    static void act(Runnable act) throws InterruptedException, ExecutionException {
        InterfaceThread.on(() -> {
            act.run();
            return true;
        });
    }

    static void await(String what, BooleanSupplier condition) throws InterruptedException, ExecutionException {
        long end = System.currentTimeMillis() + STUCK_MILLIS;
        while (!InterfaceThread.on(condition::getAsBoolean)) {
            if (System.currentTimeMillis() > end) {
                throw new IllegalStateException("waited in vain for " + what);
            }
            Thread.sleep(40);
        }
    }
}
