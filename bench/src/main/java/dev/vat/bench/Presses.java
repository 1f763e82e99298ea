package dev.vat.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.scene.Scene;

/** How long it takes from a press to the window laid out anew, in milliseconds from the shortest to the longest. */
record Presses(double[] sorted) {

    private static final int MOST = 200;
    private static final int BETWEEN = 100;
    private static final List<String> COMMANDS = List.of("in", "forward", "reel", "back", "out", "forward");

    /** Walks through the faces and frames. @param on whether to go on, asked before each press; at most 200 are made */
    static Presses of(BenchWindow bench, Callable<Boolean> on) throws Exception {
        double[] millis = new double[MOST];
        int count = 0;
        Scene scene = bench.on(() -> bench.window().stage().getScene());
        while (count < MOST && bench.on(on)) {
            String command = COMMANDS.get(count % COMMANDS.size());
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
            millis[count++] = (System.nanoTime() - start) / 1e6;
            bench.run(() -> scene.removePostLayoutPulseListener(listener));
            Thread.sleep(BETWEEN);
        }
        double[] sorted = Arrays.copyOf(millis, count);
        Arrays.sort(sorted);
        return new Presses(sorted);
    }

    /** @param when they were made */
    String words(String when) {
        return String.format(Locale.ROOT, "%d presses %s: median %.1f ms, 99 %% below %.1f ms, longest %.1f ms", sorted.length, when,
                sorted[sorted.length / 2], sorted[Math.min(sorted.length - 1, sorted.length * 99 / 100)], sorted[sorted.length - 1]);
    }
}
