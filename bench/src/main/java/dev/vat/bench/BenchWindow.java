package dev.vat.bench;

import dev.vat.core.time.Rate;
import dev.vat.desktop.look.NoDialogs;
import dev.vat.desktop.window.VatWindow;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.testkit.InterfaceThread;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.beans.property.StringProperty;
import javafx.beans.value.ChangeListener;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** The real window on the headless platform, from opening to closing. */
final class BenchWindow implements AutoCloseable {

    private final VatWindow window;

    /** @param own Vat's own folder, which is emptied first */
    BenchWindow(Path own) throws Exception {
        Durable.deleteTree(own);
        CompletableFuture<VatWindow> opened = new CompletableFuture<>();
        VatWindow.startToolkit(() -> {
            Stage stage = new Stage();
            VatWindow shown = new VatWindow(stage, Places.in(own), new NoDialogs());
            stage.show();
            opened.complete(shown);
        });
        window = opened.get();
    }

    VatWindow window() {
        return window;
    }

    void press(String command) throws Exception {
        run(() -> window.mainView().press(command));
    }

    void await(Callable<Boolean> condition) throws Exception {
        await(100, condition);
    }

    /** @param every milliseconds from one look to the next */
    void await(int every, Callable<Boolean> condition) throws Exception {
        while (!on(condition)) {
            Thread.sleep(every);
        }
    }

    /** What came of playing. @param words what the window said of dropped frames */
    record Played(int shown, String words) {}

    /** Plays once through, so that every frame is there, then counts what is shown. */
    Played play(Rate rate, int seconds) throws Exception {
        run(() -> window.session().chooseRate(rate));
        press("play");
        Thread.sleep(9000);
        press("play");
        press("first");
        Thread.sleep(500);
        AtomicInteger shown = new AtomicInteger();
        ChangeListener<String> counting = (_, _, _) -> shown.incrementAndGet();
        StringProperty number = ((Label) window.mainView().lookup("#picture-number")).textProperty();
        run(() -> number.addListener(counting));
        press("play");
        Thread.sleep(seconds * 1000L);
        String words = on(() -> ((Label) window.mainView().lookup("#dropped")).getText());
        press("play");
        run(() -> number.removeListener(counting));
        return new Played(shown.get(), words);
    }

    void run(Runnable act) throws Exception {
        on(() -> {
            act.run();
            return null;
        });
    }

    /** On the interface's thread. */
    <T> T on(Callable<T> act) throws Exception {
        return InterfaceThread.on(act);
    }

    @Override
    public void close() {
        Platform.runLater(() -> {
            window.close();
            window.stage().hide();
            Platform.exit();
        });
    }
}
