package dev.vat.bench;

import dev.vat.core.time.Rate;
import dev.vat.desktop.look.Nobody;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.place.Durable;
import dev.vat.engine.place.Places;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.beans.property.StringProperty;
import javafx.beans.value.ChangeListener;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** The real window playing 96 frames of 960x540 at one stored pixel to a pixel of the screen, once they are cached. */
final class Playing {

    private static final int SECONDS = 20;

    private final Path home;

    Playing(Path home) {
        this.home = home;
    }

    void run() throws Exception {
        Path frames = Material.frames(home, 96, 960, 540);
        Path own = home.resolve("play-home");
        Durable.deleteTree(own);
        CompletableFuture<VatWindow> opened = new CompletableFuture<>();
        Platform.startup(() -> {
            Stage stage = new Stage();
            VatWindow window = new VatWindow(stage, Places.in(own), new Nobody());
            stage.show();
            opened.complete(window);
        });
        VatWindow window = opened.get();
        try {
            on(() -> {
                window.studio().bringIn(List.of(frames));
                return null;
            });
            await(() -> window.studio().table("s1") != null && !window.studio().watch().isChecking());
            press(window, "picture-only");
            press(window, "actual");
            for (Rate rate : List.of(Rate.of(24), Rate.of(25), Rate.of(30), Rate.of(50), Rate.of(60))) {
                on(() -> {
                    window.studio().chooseRate(rate);
                    return null;
                });
                // Once through, so that every frame is there.
                press(window, "play");
                Thread.sleep(9000);
                press(window, "play");
                press(window, "first");
                Thread.sleep(500);
                AtomicInteger shown = new AtomicInteger();
                ChangeListener<String> counting = (_, _, _) -> shown.incrementAndGet();
                StringProperty number = ((Label) window.shell().lookup("#picture-number")).textProperty();
                on(() -> {
                    number.addListener(counting);
                    return null;
                });
                press(window, "play");
                Thread.sleep(SECONDS * 1000L);
                String words = on(() -> ((Label) window.shell().lookup("#dropped")).getText());
                press(window, "play");
                on(() -> {
                    number.removeListener(counting);
                    return null;
                });
                long dropped = words.endsWith("dropped") ? Long.parseLong(words.replaceAll("\\D", "")) : 0;
                double due = rate.perSecond().toDouble() * SECONDS;
                System.out.printf(Locale.ROOT, "played at %s for %d s: %d frames shown, %d of %.0f dropped (%.2f %%)%s%n", rate.label(), SECONDS, shown.get(), dropped, due,
                        100 * dropped / due, words.startsWith("filling") ? " while " + words : "");
            }
        } finally {
            on(() -> {
                window.close();
                window.stage().hide();
                return null;
            });
            Platform.exit();
        }
    }

    private static void press(VatWindow window, String command) throws Exception {
        on(() -> {
            window.shell().press(command);
            return null;
        });
    }

    private static void await(Callable<Boolean> condition) throws Exception {
        while (!on(condition)) {
            Thread.sleep(100);
        }
    }

    private static <T> T on(Callable<T> act) throws Exception {
        CompletableFuture<T> done = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                done.complete(act.call());
            } catch (Exception e) {
                done.completeExceptionally(e);
            }
        });
        return done.get();
    }
}
