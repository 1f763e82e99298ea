package dev.vat.bench;

import dev.vat.core.project.Edits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import javafx.scene.control.ListView;

/** The window with very many sources and items: how smoothly lists scroll, and how soon a press is answered. */
final class Crowded {

    private static final int SOURCES = Integer.getInteger("bench.crowd", 2000);
    private static final int PULSES = 300;

    private final Path home;

    Crowded(Path home) {
        this.home = home;
    }

    void run() throws Exception {
        Path tree = tree();
        try (BenchWindow bench = new BenchWindow(home.resolve("crowd-home"))) {
            VatWindow window = bench.window();
            long start = System.nanoTime();
            bench.run(() -> window.session().search().bringIn(List.of(tree)));
            bench.await(() -> !window.session().search().isGoing() && !window.session().search().question().isEmpty());
            bench.run(() -> window.session().search().answer(Edits.Layout.ONE_PROGRAMME));
            bench.await(() -> window.session().project().sources().size() == SOURCES && !window.session().watch().isChecking());
            bench.run(() -> window.session().chooseRate(Rate.FPS_25));
            System.out.printf(Locale.ROOT, "%d sources brought in and looked into in %.1f s%n", SOURCES, (System.nanoTime() - start) / 1e9);
            for (String face : List.of("in", "reel")) {
                bench.press(face);
                bench.await(window.mainView()::isSettled);
                scroll(bench, face.equals("in") ? "sources" : "items");
            }
            System.out.println(Presses.of(bench, () -> true).words("among these"));
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
}
