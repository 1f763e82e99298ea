package dev.vat.bench;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.session.LiveScene;
import dev.vat.engine.capture.Captures;
import dev.vat.protocol.feed.Question;
import dev.vat.protocol.feed.SceneFeed;
import dev.vat.protocol.feed.StandInBehaviour;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.standin.StandIn;
import dev.vat.worker.standin.StandInFeed;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** A camera of the stand-in captured, against the stand-in drawing alone; and how soon a preview plays once its last frame is drawn. */
final class Capturing {

    /** What the camera is keyed for. */
    private static final FrameRange KEYED = FrameRange.of(1, 184);
    /** All that the scene has. */
    private static final FrameRange WHOLE = FrameRange.of(1, 600);
    /** A process is ready within that. */
    private static final long READY_MILLIS = 5000;

    private final Path home;
    private final int rounds;

    Capturing(Path home, int rounds) {
        this.home = home;
        this.rounds = rounds;
    }

    void run() throws Exception {
        speed(Size.of(480, 270), KEYED);
        speed(Size.of(960, 540), KEYED);
        speed(Size.of(480, 270), WHOLE);
        played();
    }

    private void speed(Size size, FrameRange range) throws Exception {
        Places places = Places.in(home.resolve("capture-home"));
        Durable.deleteTree(home.resolve("capture-home"));
        double[] alone = new double[rounds];
        double[] captured = new double[rounds];
        double[] whole = new double[rounds];
        double[] ratios = new double[rounds];
        draw(size, FrameRange.of(1, 48), 1, 0);
        try (Captures captures = new Captures(places); StandInFeed scene = StandInFeed.start(places.scenes(), 1, StandInBehaviour.GOOD);
                SceneFeed feed = SceneFeed.connect(scene.notice(), _ -> {})) {
            SceneFacts facts = feed.describe();
            CaptureWish wish = CaptureWish.of(facts, facts.camera("pier").orElseThrow()).withSize(size).withRange(range);
            // What the scene does for each picture that it hands over is known to its compiler by now, as what it draws is.
            captured(captures, scene, wish.withRange(FrameRange.of(1, 96)));
            captures.rest();
            for (int round = 0; round < rounds; round++) {
                // As the window has it, while somebody looks at what is to be captured.
                captures.prepare();
                Thread.sleep(READY_MILLIS);
                // Every other frame before and the rest after, so that a machine that gets slower or quicker meanwhile does so for both.
                alone[round] = drawn(size, range, 0);
                long since = System.nanoTime();
                captured[round] = captured(captures, scene, wish) * range.count() / (range.count() - 1);
                whole[round] = seconds(since);
                alone[round] += drawn(size, range, 1);
                ratios[round] = captured[round] / alone[round];
                captures.rest();
            }
        }
        System.out.printf(Locale.ROOT, "%d frames of %s: drawn alone in %.2f s, captured in %.2f s (x%.3f, from %.3f to %.3f), %.2f s "
                + "with the process's start and the file's end%n", range.count(), size,
                Figures.median(alone), Figures.median(captured), Figures.median(ratios), Arrays.stream(ratios).min().orElseThrow(),
                Arrays.stream(ratios).max().orElseThrow(), Figures.median(whole));
    }

    /** From the first captured frame to the last one, in seconds: when the first one comes is no matter of speed. */
    private static double captured(Captures captures, StandInFeed scene, CaptureWish wish) throws IOException {
        long[] first = {0};
        long[] last = {0};
        try (Captures.Going going = captures.start(scene.notice(), wish, p -> {
            first[0] = p.drawn() == 1 ? System.nanoTime() : first[0];
            last[0] = System.nanoTime();
        })) {
            going.result().join();
        }
        return (last[0] - first[0]) / 1e9;
    }

    private static double drawn(Size size, FrameRange range, long from) {
        long since = System.nanoTime();
        draw(size, range, 2, from);
        return seconds(since);
    }

    /** As the feed draws, up to the bytes that are handed over: so many at a time as there are cores. */
    private static void draw(Size size, FrameRange range, long step, long from) {
        List<String> classes = List.of("backdrop", "strings", "cells");
        try (ExecutorService pool = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (long f = range.first() + from; f <= range.last(); f += step) {
                long frame = f;
                pool.submit(() -> StandIn.picture(
                        new Question.Frame(0, "pier", frame, frame - 1, size.width(), size.height(), null, classes, null, null), 1));
            }
        }
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    private void played() throws Exception {
        try (BenchWindow bench = new BenchWindow(home.resolve("capture-window"))) {
            bench.run(() -> bench.window().session().scenes().startStandIn());
            bench.await(() -> !bench.window().session().scenes().all().isEmpty()
                    && bench.window().session().scenes().all().getFirst().picture("sand").isPresent());
            double[] times = new double[Math.max(3, rounds)];
            for (int i = 0; i < times.length; i++) {
                int kept = i + 1;
                bench.run(() -> {
                    LiveScene scene = bench.window().session().scenes().all().getFirst();
                    scene.facts().flatMap(f -> f.camera("pier"))
                            .ifPresent(c -> bench.window().session().previews().captures().capture(scene, List.of(scene.wish(c))));
                });
                bench.await(2, () -> bench.window().session().previews().captures().share() >= 1);
                long since = System.nanoTime();
                bench.await(2, () -> bench.window().session().previews().all().size() == kept
                        && bench.window().mainView().steering().playing().filter(name -> name.equals("pier_v00" + kept + ".mp4"))
                                .isPresent());
                times[i] = seconds(since) * 1000;
            }
            System.out.printf(Locale.ROOT, "from the last captured frame to the first one that plays: %.0f ms in the median of %d%n",
                    Figures.median(times), times.length);
        }
    }
}
