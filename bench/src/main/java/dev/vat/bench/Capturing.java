package dev.vat.bench;

import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.SceneFacts;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.studio.LiveScene;
import dev.vat.engine.capture.Captures;
import dev.vat.engine.feed.Question;
import dev.vat.engine.feed.SceneFeed;
import dev.vat.engine.place.Durable;
import dev.vat.engine.place.Places;
import dev.vat.engine.standin.Manners;
import dev.vat.engine.standin.StandIn;
import dev.vat.engine.standin.StandInFeed;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/** A camera of the stand-in captured, against the stand-in drawing alone; and how soon a preview plays once its last frame is drawn. */
final class Capturing {

    /** What the camera is keyed for, and all that the scene has. */
    private static final List<FrameRange> RANGES = List.of(FrameRange.of(1, 184), FrameRange.of(1, 600));

    private final Path home;
    private final int rounds;

    Capturing(Path home, int rounds) {
        this.home = home;
        this.rounds = rounds;
    }

    void run() throws Exception {
        for (Size size : List.of(Size.of(480, 270), Size.of(960, 540))) {
            for (FrameRange range : RANGES) {
                speed(size, range);
            }
        }
        played();
    }

    private void speed(Size size, FrameRange range) throws Exception {
        Places places = Places.in(home.resolve("capture-home"));
        Durable.deleteTree(home.resolve("capture-home"));
        double[] alone = new double[rounds];
        double[] captured = new double[rounds];
        double[] whole = new double[rounds];
        draw(size, FrameRange.of(1, 48));
        try (StandInFeed scene = StandInFeed.start(places.scenes(), 1, Manners.GOOD); SceneFeed feed = SceneFeed.connect(scene.notice(), _ -> { })) {
            SceneFacts facts = feed.describe();
            CaptureWish wish = CaptureWish.of(facts, facts.camera("pier").orElseThrow()).withSize(size).withRange(range);
            for (int round = 0; round < rounds; round++) {
                long since = System.nanoTime();
                draw(size, range);
                alone[round] = seconds(since);
                long[] first = {0};
                long[] last = {0};
                since = System.nanoTime();
                try (Captures.Going going = new Captures(places).start(scene.notice(), wish, p -> {
                    first[0] = p.drawn() == 1 ? System.nanoTime() : first[0];
                    last[0] = System.nanoTime();
                })) {
                    going.result().join();
                }
                whole[round] = seconds(since);
                // The first frame comes when the process is there: what it takes by itself is no matter of speed.
                captured[round] = (last[0] - first[0]) / 1e9 * range.count() / (range.count() - 1);
            }
        }
        double drawn = Figures.median(alone);
        System.out.printf(Locale.ROOT, "%d frames of %s: drawn alone in %.2f s, captured in %.2f s (x%.3f), %.2f s with the process's start and the file's end%n", range.count(), size, drawn, Figures.median(captured),
                Figures.median(captured) / drawn, Figures.median(whole));
    }

    /** As the feed draws, up to the bytes that are handed over: so many at a time as there are cores. */
    private static void draw(Size size, FrameRange range) throws Exception {
        List<String> classes = List.of("backdrop", "strings", "cells");
        try (ExecutorService pool = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (long f = range.first(); f <= range.last(); f++) {
                long frame = f;
                pool.submit(() -> StandIn.picture(new Question.Frame(0, "pier", frame, frame - 1, size.width(), size.height(), null, classes, null, null), 1));
            }
        }
    }

    private static double seconds(long since) {
        return (System.nanoTime() - since) / 1e9;
    }

    private void played() throws Exception {
        try (BenchWindow bench = new BenchWindow(home.resolve("capture-window"))) {
            bench.run(() -> bench.window().studio().scenes().startStandIn());
            bench.await(() -> !bench.window().studio().scenes().all().isEmpty() && bench.window().studio().scenes().all().getFirst().picture("sand").isPresent());
            double[] times = new double[Math.max(3, rounds)];
            for (int i = 0; i < times.length; i++) {
                int kept = i + 1;
                bench.run(() -> {
                    LiveScene scene = bench.window().studio().scenes().all().getFirst();
                    scene.facts().flatMap(f -> f.camera("pier")).ifPresent(c -> bench.window().studio().previews().capture(scene, List.of(scene.wish(c))));
                });
                bench.await(2, () -> bench.window().studio().previews().share() >= 1);
                long since = System.nanoTime();
                bench.await(2, () -> bench.window().studio().previews().all().size() == kept && bench.window().shell().playing().filter(name -> name.equals("pier_v00" + kept + ".mp4")).isPresent());
                times[i] = seconds(since) * 1000;
            }
            System.out.printf(Locale.ROOT, "from the last captured frame to the first one that plays: %.0f ms in the median of %d%n", Figures.median(times), times.length);
        }
    }
}
