package dev.vat.bench;

import dev.vat.core.project.Edits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.ListView;

/** The window with very many sources and items: how smoothly lists scroll, and how soon a press is answered. */
final class Crowded {

    private static final int SOURCES = Integer.getInteger("bench.crowd", 2000);
    private static final int PULSES = 300;
    private static final int PRESSES = 60;

    private final Path home;

    Crowded(Path home) {
        this.home = home;
    }

    void run() throws Exception {
        Path tree = tree();
        try (BenchWindow bench = new BenchWindow(home.resolve("crowd-home"))) {
            VatWindow window = bench.window();
            long start = System.nanoTime();
            bench.run(() -> window.session().bringIn(List.of(tree)));
            bench.await(() -> !window.session().search().isGoing() && !window.session().question().isEmpty());
            bench.run(() -> window.session().answer(Edits.Layout.ONE_PROGRAMME));
            bench.await(() -> window.session().project().sources().size() == SOURCES && !window.session().watch().isChecking());
            bench.run(() -> window.session().chooseRate(Rate.FPS_25));
            System.out.printf(Locale.ROOT, "%d sources brought in and looked into in %.1f s%n", SOURCES, (System.nanoTime() - start) / 1e9);
            for (String face : List.of("in", "reel")) {
                bench.press(face);
                bench.await(window.mainView()::isSettled);
                scroll(bench, face.equals("in") ? "sources" : "items");
            }
            presses(bench);
        }
    }

    /** Sources of two frames, all links to the same two. */
    private Path tree() throws IOException {
        Path frames = Material.frames(home, 2, 96, 54);
        List<Path> real;
        try (var files = Files.list(frames)) {
            real = files.sorted().limit(2).toList();
        }
        Path tree = home.resolve("crowd");
        for (int i = 0; i < SOURCES; i++) {
            Path folder = Files.createDirectories(tree.resolve("s%04d".formatted(i)));
            for (int f = 0; f < real.size(); f++) {
                Path link = folder.resolve("shot%04d.%04d.png".formatted(i, f + 1));
                if (!Files.exists(link)) {
                    Files.createSymbolicLink(link, real.get(f).toAbsolutePath());
                }
            }
        }
        return tree;
    }

    private static void scroll(BenchWindow bench, String id) throws Exception {
        ListView<?> list = bench.on(() -> (ListView<?>) bench.window().mainView().lookup("#" + id));
        CompletableFuture<Void> through = new CompletableFuture<>();
        PulseGaps gaps = new PulseGaps() {
            @Override
            public void handle(long now) {
                super.handle(now);
                list.scrollTo(count() * list.getItems().size() / PULSES);
                if (count() == PULSES) {
                    stop();
                    through.complete(null);
                }
            }
        };
        bench.run(gaps::start);
        through.get();
        long[] sorted = gaps.sorted();
        System.out.printf(Locale.ROOT,
                "%s, %d rows scrolled through in %d pulses: median gap %.1f ms, 99 %% below %.1f ms, longest %.1f ms%n",
                id, list.getItems().size(), PULSES, sorted[PULSES / 2] / 1e6, sorted[PULSES * 99 / 100] / 1e6, sorted[PULSES - 1] / 1e6);
    }

    /** From a press to the window laid out anew. */
    private static void presses(BenchWindow bench) throws Exception {
        double[] millis = new double[PRESSES];
        List<String> commands = List.of("in", "forward", "reel", "back", "out", "forward");
        Scene scene = bench.on(() -> bench.window().stage().getScene());
        for (int i = 0; i < PRESSES; i++) {
            String command = commands.get(i % commands.size());
            CompletableFuture<Void> laidOut = new CompletableFuture<>();
            Runnable listener = () -> laidOut.complete(null);
            long start = System.nanoTime();
            bench.run(() -> {
                bench.window().mainView().press(command);
                // What a press leads to comes with the next turn of the interface, and is laid out after that.
                Platform.runLater(() -> {
                    scene.addPostLayoutPulseListener(listener);
                    Platform.requestNextPulse();
                });
            });
            laidOut.get();
            millis[i] = (System.nanoTime() - start) / 1e6;
            bench.run(() -> scene.removePostLayoutPulseListener(listener));
            Thread.sleep(100);
        }
        double[] sorted = millis.clone();
        Arrays.sort(sorted);
        System.out.printf(Locale.ROOT, "%d presses among these: median %.1f ms, 99 %% below %.1f ms%n", PRESSES, sorted[PRESSES / 2],
                sorted[PRESSES - 1]);
    }
}
