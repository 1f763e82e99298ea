package dev.vat.bench;

import dev.vat.core.time.Rate;
import dev.vat.desktop.window.VatWindow;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import javafx.scene.Node;

/**
 * Two sources of 96 frames of 960x540 in step in the real window: played once cached, flipped, and gone through by seeking against one
 * alone.
 */
final class Comparing {

    private static final int SECONDS = 10;
    private static final int SEEKS = 24;

    private final Path home;

    Comparing(Path home) {
        this.home = home;
    }

    void run() throws Exception {
        Path frames = Material.frames(home, 96, 960, 540);
        Path others = Material.repeated(home, frames, 96);
        try (BenchWindow bench = new BenchWindow(home.resolve("compare-home"))) {
            VatWindow window = bench.window();
            bench.run(() -> window.session().search().bringIn(List.of(frames)));
            bench.await(() -> window.session().watch().table("s1") != null && !window.session().watch().isChecking());
            bench.run(() -> window.session().search().bringIn(List.of(others)));
            bench.await(() -> window.session().watch().table("s2") != null && !window.session().watch().isChecking());
            bench.run(() -> window.mainView().steering().selectSource("s1"));
            bench.press("picture-only");
            bench.press("actual");
            double single = seeks(bench, 0);
            bench.run(() -> window.mainView().steering().compare("compare-source-s2"));
            bench.await(() -> window.mainView().steering().isMeasured());
            // Another size makes every picture anew.
            bench.press("actual");
            double both = seeks(bench, 1);
            System.out.printf(Locale.ROOT, "a seek takes %.1f ms with one picture, %.1f ms with two (x%.2f)%n", single, both,
                    both / single);
            for (Rate rate : List.of(Rate.of(25), Rate.of(50), Rate.of(60))) {
                BenchWindow.Played played = bench.play(rate, SECONDS);
                System.out.printf(Locale.ROOT, "two played at %s for %d s: %d of %.0f frames shown%s%n", rate.label(), SECONDS,
                        played.shown(), rate.perSecond().toDouble() * SECONDS,
                        played.words().isEmpty() ? "" : ", " + played.words());
            }
            flips(bench, window);
        }
    }

    /** Milliseconds from asking for a place that isn't there yet to seeing it, in the median. */
    private static double seeks(BenchWindow bench, int from) throws Exception {
        bench.press("actual");
        Thread.sleep(50);
        bench.press("actual");
        double[] times = new double[SEEKS];
        for (int i = 0; i < SEEKS; i++) {
            int place = (from + 41 * (i + 1)) % 96;
            long since = System.nanoTime();
            bench.run(() -> bench.window().mainView().seek(place));
            bench.await(2, () -> bench.window().mainView().isSettled());
            times[i] = (System.nanoTime() - since) / 1e6;
        }
        return Figures.median(times);
    }

    /** Milliseconds from the key to the other picture. */
    private static void flips(BenchWindow bench, VatWindow window) throws Exception {
        bench.press("flip");
        Thread.sleep(500);
        double[] times = IntStream.range(0, 20).mapToDouble(_ -> {
            try {
                Node second = window.mainView().lookup("#second-picture");
                boolean before = bench.on(second::isVisible);
                long since = System.nanoTime();
                bench.press("flip");
                bench.await(1, () -> second.isVisible() != before);
                return (System.nanoTime() - since) / 1e6;
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        }).toArray();
        System.out.printf(Locale.ROOT, "a flip takes %.1f ms in the median, a pulse is 16.7 ms%n", Figures.median(times));
    }
}
