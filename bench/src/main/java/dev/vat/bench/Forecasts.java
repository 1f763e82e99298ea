package dev.vat.bench;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.trial.Trial;
import dev.vat.engine.run.Run;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.trial.ProjectTrial;
import dev.vat.engine.trial.Trials;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import dev.vat.scene.Drawing;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;

/** What trials foretell against what is made then: reels of different content, each for several targets. */
final class Forecasts {

    private static final int WIDTH = 640;
    private static final int HEIGHT = 360;
    private static final int LONG = 480;
    /** Of short reels, taken at other places of what the long ones show. */
    private static final int SHORT = 60;
    private static final List<Integer> STARTS = List.of(37, 211);
    private static final List<String> TARGETS = List.of("web-h264", "review-h264", "web-vp9", "edit-prores-hq");
    private static final List<String> TARGETS_OF_SHORT = List.of("web-h264", "review-h264", "web-vp9", "edit-prores-hq", "hevc-10");

    /** What a reel shows. */
    private enum Reel {
        GRASS, SKY, GRAIN, CUTS, TITLES, STILLS, MIXED;

        /** The shot, its frame, and how much grain. */
        private Object[] at(int frame) {
            Shot[] shots = {Shot.DUNES, Shot.GLOW, Shot.KITE, Shot.TITLE};
            return switch (this) {
                case GRASS -> new Object[] {Shot.DUNES, frame, 0.0};
                case SKY -> new Object[] {Shot.GLOW, frame % Shot.GLOW.frames(), 0.0};
                case GRAIN -> new Object[] {Shot.DUNES, frame, .03};
                case CUTS -> new Object[] {shots[frame / 31 % shots.length], frame % 31, 0.0};
                case TITLES -> new Object[] {Shot.TITLE, frame % Shot.TITLE.frames(), 0.0};
                case STILLS -> new Object[] {shots[frame / 60 % shots.length], frame / 60 * 7 % 30, 0.0};
                case MIXED -> frame < 120 ? new Object[] {Shot.DUNES, frame, 0.0}
                        : frame < 240 ? new Object[] {Shot.TITLE, frame % Shot.TITLE.frames(), 0.0}
                                : frame < 330 ? new Object[] {Shot.DUNES, frame, .04} : new Object[] {Shot.KITE, 12, 0.0};
            };
        }
    }

    /** One figure with what it was foretold to be. */
    private record Pair(String what, Estimate foretold, double fact) {
        double off() {
            return foretold.middle() / fact - 1;
        }
    }

    private final Path home;

    Forecasts(Path home) {
        this.home = home;
    }

    /** What is cut out of a reel. */
    private record Cut(Reel reel, int start, int frames) {
        @Override
        public String toString() {
            return frames == LONG ? reel.toString() : reel + " from " + start;
        }

        Object[] at(int frame) {
            return reel.at(start + frame);
        }
    }

    void run() throws Exception {
        all(Arrays.stream(Reel.values()).map(r -> new Cut(r, 0, LONG)).toList(), TARGETS);
    }

    /** The same of reels of two seconds and a half. */
    void runShort() throws Exception {
        all(Arrays.stream(Reel.values()).flatMap(r -> STARTS.stream().map(s -> new Cut(r, s, SHORT))).toList(), TARGETS_OF_SHORT);
    }

    private void all(List<Cut> cuts, List<String> targets) throws Exception {
        List<Pair> bytes = new ArrayList<>();
        List<Pair> times = new ArrayList<>();
        List<Pair> likeness = new ArrayList<>();
        for (Cut cut : cuts) {
            one(cut, targets, bytes, times, likeness);
        }
        quantiles("bytes", bytes);
        quantiles("seconds of the run", times);
        System.out.printf(Locale.ROOT, "PSNR: off by %.2f dB in the median, %.2f dB nine times of ten; %d of %d within the range%n",
                quantile(likeness, .5, true), quantile(likeness, .9, true),
                likeness.stream().filter(p -> p.foretold.holds(p.fact)).count(), likeness.size());
    }

    private void one(Cut reel, List<String> targets, List<Pair> bytes, List<Pair> times, List<Pair> likeness) throws Exception {
        Path frames = draw(reel);
        Path out = home.resolve("foretold");
        Path own = home.resolve("foretold-home");
        Durable.deleteTree(out);
        Durable.deleteTree(own);
        Sequence sequence = SourceFinder.find(frames).sequences().getFirst();
        Project project = Edits.bringIn(List.of(sequence.location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setFolder(Place.of(out)).apply(Edits.setRate(Rate.FPS_25).apply(project));
        for (String target : targets) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
        }
        FrameTable.Collector table = FrameTable.collect(sequence);
        try (FrameReader reader = new FrameReader()) {
            for (int i = 0; i < sequence.count(); i++) {
                table.add(reader.check(sequence.file(sequence.number(i)), sequence.kind(), PictureChoice.MAIN, sequence.number(i)));
            }
        }
        ResolvedReel programme = ResolvedReel.of(project, Map.of("s1", table.build())).orElseThrow();
        Places places = Places.in(own);
        ProjectTrial tried = ProjectTrial.of(project, programme, Map.of(), MediaLibrary.version());
        long since = System.nanoTime();
        Trial trial = new Trials(places).start(tried.plan(), _ -> {}).await();
        double trying = (System.nanoTime() - since) / 1e9;
        Map<String, FileForecast> foretold = tried.deliverables(trial, project.deliverablesOn());
        RunPlan plan = RunPlanner.ofSystem().plan(project, programme, out, Map.of(), "bench", MediaLibrary.version());
        since = System.nanoTime();
        try (Run run = Run.start(plan, places, _ -> {})) {
            Run.Outcome outcome = run.outcome().join();
            double seconds = (System.nanoTime() - since) / 1e9;
            for (FileProgress file : outcome.files()) {
                if (file.stage() != Stage.DELIVERED) {
                    throw new IllegalStateException(file.target() + ": " + file.stage() + ", " + file.why());
                }
                FileForecast forecast = foretold.get(file.target());
                tell(bytes, new Pair(reel + " " + file.target(), forecast.bytes(), Files.size(Path.of(file.path()))), 1e6, "MB");
                Double psnr = ReceiptFile.read(Path.of(file.receipt())).quality() == null ? null
                        : ReceiptFile.read(Path.of(file.receipt())).quality().meanPsnr();
                if (psnr != null && forecast.psnr() != null) {
                    tell(likeness, new Pair(reel + " " + file.target(), forecast.psnr(), psnr), 1, "dB");
                }
            }
            tell(times, new Pair(reel + " run, trial " + Math.round(trying) + " s", ProjectTrial.seconds(foretold), seconds), 1, "s");
        }
        Durable.deleteTree(out);
        Durable.deleteTree(own);
    }

    private static void tell(List<Pair> all, Pair pair, double unit, String name) {
        all.add(pair);
        System.out.printf(Locale.ROOT, "%-28s foretold %8.2f (%.2f to %.2f), was %8.2f %s: %+.1f %% %s%n", pair.what,
                pair.foretold.middle() / unit, pair.foretold.low() / unit, pair.foretold.high() / unit,
                pair.fact / unit, name, 100 * pair.off(), pair.foretold.holds(pair.fact) ? "" : "OUTSIDE");
    }

    private static void quantiles(String what, List<Pair> pairs) {
        System.out.printf(Locale.ROOT, "%s: off by %.1f %% in the median, %.1f %% nine times of ten, %.1f %% at most; %d of %d within "
                + "the range%n", what, 100 * quantile(pairs, .5, false),
                100 * quantile(pairs, .9, false), 100 * quantile(pairs, 1, false),
                pairs.stream().filter(p -> p.foretold.holds(p.fact)).count(), pairs.size());
    }

    private static double quantile(List<Pair> pairs, double share, boolean absolute) {
        double[] off = pairs.stream().mapToDouble(p -> Math.abs(absolute ? p.foretold.middle() - p.fact : p.off())).sorted().toArray();
        return off[(int) Math.min(off.length - 1, Math.ceil(share * off.length) - 1)];
    }

    private Path draw(Cut reel) throws IOException {
        Path folder = Files.createDirectories(home.resolve("reel-" + reel.toString().toLowerCase(Locale.ROOT).replace(' ', '-')));
        IntStream.range(0, reel.frames).parallel().forEach(i -> {
            Path file = folder.resolve("f.%04d.png".formatted(i));
            if (!Files.exists(file)) {
                Object[] what = reel.at(i);
                Drawing d = ((Shot) what[0]).draw((int) what[1], WIDTH, HEIGHT);
                try {
                    Files.write(file, StillWriter.PNG16.write(new Samples(WIDTH, HEIGHT, grained(d, "R", i, (double) what[2]),
                            grained(d, "G", i, (double) what[2]), grained(d, "B", i, (double) what[2]), null)));
                } catch (IOException e) {
                    throw new IllegalStateException("A frame can't be written: " + e.getMessage(), e);
                }
            }
        });
        return folder;
    }

    private static float[] grained(Drawing d, String channel, int frame, double grain) {
        float[] samples = d.channel(channel).clone();
        if (grain > 0) {
            Random random = new Random(frame * 31L + channel.hashCode());
            for (int i = 0; i < samples.length; i++) {
                samples[i] = (float) Math.clamp(samples[i] + grain * random.nextGaussian(), 0, 1);
            }
        }
        return samples;
    }
}
