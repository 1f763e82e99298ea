package dev.vat.bench;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.View;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.desktop.window.VatWindow;
import dev.vat.engine.run.Run;
import dev.vat.media.compose.Composer;
import dev.vat.media.convert.Conversion;
import dev.vat.media.draw.ViewsPainter;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.picture.Picture;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/** Four views with captions at 1024x576: whether they play, and what they cost against the sum of what has to be done for them. */
final class Views {

    private static final int FRAMES = 384;
    private static final int DRAWN = 96;
    private static final int VIEWS = 4;
    private static final int SECONDS = 20;
    private static final Size SIZE = Size.of(1024, 576);
    private static final PictureReading READING = PictureReading.of(AlphaKind.NONE, false);

    private final Path home;
    private final int rounds;

    Views(Path home, int rounds) {
        this.home = home;
        this.rounds = rounds;
    }

    private static Layout layout() {
        Line caption = Line.of(Wording.parse("{source} {frame}"), Spot.BOTTOM_LEFT);
        return Layout
                .of("Views", SIZE, new Arrangement.Grid(2),
                        IntStream.rangeClosed(1, VIEWS).mapToObj(i -> View.of(Item.of("s" + i)).withCaption(caption)).toList())
                .withBetween(Rational.ONE);
    }

    private List<Path> material(int frames) throws Exception {
        Path drawn = Material.frames(home, DRAWN, 960, 540);
        List<Path> four = new ArrayList<>();
        for (int i = 0; i < VIEWS; i++) {
            // Each its own folder of links: a view of another source.
            Path folder = home.resolve("views-" + frames + "-" + i);
            if (Files.notExists(folder)) {
                Files.createDirectories(folder);
                for (int f = 0; f < frames; f++) {
                    Path from = drawn.resolve(name(drawn, f % DRAWN));
                    Files.createLink(folder.resolve("view%d.%04d.png".formatted(i + 1, f + 1)), from);
                }
            }
            four.add(folder);
        }
        return four;
    }

    private static String name(Path folder, int index) throws Exception {
        try (var files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).filter(f -> f.endsWith(".png")).sorted().toList().get(index);
        }
    }

    void run() throws Exception {
        play(material(DRAWN));
        cost(material(FRAMES));
    }

    private void play(List<Path> four) throws Exception {
        try (BenchWindow bench = new BenchWindow(home.resolve("views-home"))) {
            VatWindow window = bench.window();
            for (int i = 0; i < VIEWS; i++) {
                int which = i;
                bench.run(() -> window.session().search().bringIn(List.of(four.get(which))));
                bench.await(() -> window.session().watch().table("s" + (which + 1)) != null && !window.session().watch().isChecking());
            }
            bench.run(() -> window.session().files().show(
                    window.session().project().withCurrentReel(r -> r.withItems(List.of(Item.of(layout())))),
                    null));
            bench.await(() -> window.session().programme().filter(p -> p.plan().count() == DRAWN).isPresent()
                    && !window.session().watch().isChecking());
            bench.press("reel");
            bench.press("picture-only");
            bench.press("actual");
            for (Rate rate : List.of(Rate.of(25), Rate.of(50))) {
                BenchWindow.Played played = bench.play(rate, SECONDS);
                System.out.printf(Locale.ROOT, "four views of %s played at %s for %d s: %d of %.0f frames shown%s%n", SIZE, rate.label(),
                        SECONDS, played.shown(), rate.perSecond().toDouble() * SECONDS,
                        played.words().isEmpty() ? "" : ", " + played.words());
            }
        }
    }

    private void cost(List<Path> four) throws Exception {
        RunPlan plan = plan(four);
        double[] sums = new double[rounds];
        double[] made = new double[rounds];
        for (int round = 0; round < rounds; round++) {
            sums[round] = stages(plan);
            made[round] = made(plan(four));
        }
        System.out.printf(Locale.ROOT, "four views of %s, %d frames to H.264: the sum of the stages takes %.2f s of CPU, the run %.2f "
                + "s (x%.3f)%n", SIZE, FRAMES, Figures.median(sums), Figures.median(made),
                Figures.median(made) / Figures.median(sums));
    }

    private RunPlan plan(List<Path> four) throws Exception {
        Path out = home.resolve("views-out");
        Durable.deleteTree(out);
        return Plans.of(four, out, List.of("web-h264"), project -> laidOut(project));
    }

    private static Project laidOut(Project project) {
        return Edits.setRate(Rate.FPS_25).apply(project.withCurrentReel(r -> r.withItems(List.of(Item.of(layout())))));
    }

    /** Seconds of CPU of this process while something is done. */
    private static double cpu(Work work) throws Exception {
        Duration before = ProcessHandle.current().info().totalCpuDuration().orElseThrow();
        work.run();
        return ProcessHandle.current().info().totalCpuDuration().orElseThrow().minus(before).toMillis() / 1000.;
    }

    private interface Work {
        void run() throws Exception;
    }

    /** Each thing that has to be done, by itself and one frame after the other. */
    private double stages(RunPlan plan) throws Exception {
        Assembly.Views how = (Assembly.Views) plan.spans().getFirst().how();
        RunFile file = plan.files().getFirst();
        Path part = home.resolve("views-part.mkv");
        double read = cpu(() -> {
            try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, false)) {
                for (int i = 0; i < FRAMES; i++) {
                    for (RunSource source : plan.sources()) {
                        working(reader, composer, source, i).close();
                    }
                }
            }
        });
        List<Picture> pictures = new ArrayList<>();
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, false)) {
            for (RunSource source : plan.sources()) {
                pictures.add(working(reader, composer, source, 40));
            }
        }
        Picture[] laid = new Picture[1];
        double lay = cpu(() -> {
            try (Composer composer = new Composer(WorkingFormat.W16, false);
                    ViewsPainter painter = new ViewsPainter(composer, false, PixelAspect.SQUARE)) {
                for (int i = 0; i < FRAMES; i++) {
                    List<ViewsPainter.Shown> shown = new ArrayList<>();
                    for (int v = 0; v < VIEWS; v++) {
                        Lettering caption = how.letteringAt(v, i, new ReelFrame(v, i + 1, new ReelFrame.SourceFrame(i + 1)),
                                plan.sources().get(v).location());
                        shown.add(new ViewsPainter.Shown(pictures.get(v), caption, false));
                    }
                    if (laid[0] != null) {
                        laid[0].close();
                    }
                    laid[0] = painter.paint(how, shown);
                }
            }
        });
        // What is encoded is what really is shown, frame after frame: how hard a picture is decides what it costs.
        double encode = encoded(plan, how, file, part);
        Files.deleteIfExists(part);
        pictures.forEach(Picture::close);
        laid[0].close();
        System.out.printf(Locale.ROOT, "  read %.2f, laid out %.2f, converted, encoded and checked %.2f%n", read, lay, encode);
        return read + lay + encode;
    }

    private static Picture working(FrameReader reader, Composer composer, RunSource source, int index) {
        Path file = Path.of(source.folder()).resolve(source.pattern().fileName(index + 1));
        try (Picture decoded = ((FrameRead.Sound) reader.read(file, FileKind.PNG, PictureChoice.MAIN, index + 1)).picture()) {
            return composer.compose(decoded, READING);
        }
    }

    private double encoded(RunPlan plan, Assembly.Views how, RunFile file, Path part) throws Exception {
        List<Picture> all = new ArrayList<>();
        try (FrameReader reader = new FrameReader(); Composer composer = new Composer(WorkingFormat.W16, false);
                ViewsPainter painter = new ViewsPainter(composer, false, PixelAspect.SQUARE)) {
            for (int i = 0; i < DRAWN; i++) {
                List<ViewsPainter.Shown> shown = new ArrayList<>();
                for (int v = 0; v < VIEWS; v++) {
                    shown.add(new ViewsPainter.Shown(working(reader, composer, plan.sources().get(v), i), how.letteringAt(v, i,
                            new ReelFrame(v, i + 1, new ReelFrame.SourceFrame(i + 1)), plan.sources().get(v).location()), false));
                }
                all.add(painter.paint(how, shown));
                shown.forEach(s -> s.picture().close());
            }
        }
        try {
            return cpu(() -> {
                EncoderSpec spec = EncoderSpec.of(file);
                try (Conversion conversion = new Conversion(file.codecInCatalogue(), SIZE, file.treatment());
                        PartWriter writer = new PartWriter(part, spec, 0, true)) {
                    for (int i = 0; i < FRAMES; i++) {
                        try (Picture converted = conversion.convert(all.get(i % DRAWN))) {
                            writer.write(converted);
                        }
                    }
                    writer.finish();
                }
                MovieProof.prove(part, _ -> true);
            });
        } finally {
            all.forEach(Picture::close);
        }
    }

    /** Seconds of CPU of the run's own process, from its start to the proven file. */
    private double made(RunPlan plan) throws Exception {
        Places places = Places.in(home.resolve("views-run-home"));
        try (Run run = Run.start(plan, places, _ -> {})) {
            var ended = run.outcome().get();
            if (ended.files().stream().anyMatch(f -> f.stage() != FileProgress.Stage.DELIVERED)) {
                throw new IllegalStateException("not made: " + ended.files());
            }
            return ProcessHandle.current().children().map(c -> c.info().totalCpuDuration().orElse(Duration.ZERO)).max(Duration::compareTo)
                    .orElseThrow().toMillis() / 1000.;
        }
    }
}
