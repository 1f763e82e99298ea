package dev.vat.worker.output;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Wording;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Scan;
import dev.vat.core.delivery.Target;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.pass.PassWords;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.Interpretation;
import dev.vat.core.time.FrameRange;
import dev.vat.engine.KiteFrames;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameRead;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.RenderOrder;
import dev.vat.protocol.ViewerMessage.OutputView;
import dev.vat.worker.run.FrameFeed;
import dev.vat.worker.standin.StandInRender;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.io.TempDir;

/**
 * What the window shows as a file is what the file's encoder is given, sample for sample: for reels of every kind of source, and one
 * codec of each family.
 */
@Tag("slow")
class SeenIsWrittenTest {

    @TempDir
    Path folder;

    private static void stills(Path frames, String name, int count, StillWriter writer, boolean alpha) throws IOException {
        Files.createDirectories(frames);
        for (int n = 1; n <= count; n++) {
            Files.write(frames.resolve("%s.%04d.%s".formatted(name, n, writer.name().startsWith("TGA") ? "tga" : "png")),
                    writer.write(KiteFrames.draw(n, alpha)));
        }
    }

    /** Half as large as the others. */
    private static void small(Path frames) throws IOException {
        Files.createDirectories(frames);
        for (int n = 1; n <= 3; n++) {
            Samples s = KiteFrames.draw(n, false);
            int wide = s.width() / 2;
            int tall = s.height() / 2;
            float[][] planes = new float[3][wide * tall];
            for (int i = 0; i < wide * tall; i++) {
                int at = i / wide * 2 * s.width() + i % wide * 2;
                planes[0][i] = s.red()[at];
                planes[1][i] = s.green()[at];
                planes[2][i] = s.blue()[at];
            }
            Files.write(frames.resolve("small.%04d.png".formatted(n)),
                    StillWriter.PNG8.write(new Samples(wide, tall, planes[0], planes[1], planes[2], null)));
        }
    }

    private static Edit items(List<Item> items) {
        return new Edit("items", p -> p.withCurrentReel(r -> r.withItems(items)));
    }

    private interface Draw {
        void into(Path frames) throws Exception;
    }

    private record Reel(Draw draw, List<Edit> edits) {}

    private static Map<String, Reel> reels() {
        Map<String, Reel> reels = new LinkedHashMap<>();
        reels.put("8 bits", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG8, false), List.of()));
        reels.put("16 bits", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG16, false), List.of()));
        reels.put("8 bits with alpha", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG8, true), List.of()));
        reels.put("16 bits with alpha", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG16, true), List.of()));
        reels.put("float", new Reel(f -> {
            Files.createDirectories(f);
            for (int n = 1; n <= 3; n++) {
                Files.write(f.resolve("light.%04d.exr".formatted(n)), KiteFrames.exr(n));
            }
        }, List.of()));
        reels.put("mixed sizes and depths, dissolved, one seen through", new Reel(f -> {
            stills(f, "a", 4, StillWriter.PNG16, true);
            stills(f, "b", 4, StillWriter.TGA8, false);
            small(f);
        }, List.of(items(List.of(Item.of("s1"), Item.of("s2"), Item.of("s3"))), ReelEdits.joinItem(1, Joint.dissolve(2)))));
        reels.put("passes",
                new Reel(
                        f -> new StandInRender(new RenderOrder(f.toString(), "flats", "pier", FrameRange.of(60, 61), Size.of(96, 54), true,
                                1, 0, 0, false, null, List.of()))
                                .run((_, _) -> {}),
                        List.of(ReelEdits.mixItem(0,
                                PassWords.mix(List.of(new PassWords.Found("full", null, ""), new PassWords.Found("base", null, "base"),
                                        new PassWords.Found("light", null, "light"), new PassWords.Found("haze", null, "haze")))))));
        reels.put("views with captions", new Reel(f -> {
            stills(f, "a", 3, StillWriter.PNG8, false);
            stills(f, "b", 3, StillWriter.PNG16, true);
        }, List.of(items(List.of(Item.of(Layout.of("Both", Size.of(128, 48), new Arrangement.Grid(2),
                List.of(View.of(Item.of("s1")).withCaption(Line.of(Wording.parse("{frame}"), Spot.BOTTOM)), View.of(Item.of("s2"))))))))));
        reels.put("burn-in", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG8, false), List.of(ReelEdits.burnIn(BurnIn.forReview()))));
        reels.put("burn-in over pixels that aren't square", new Reel(f -> stills(f, "kite", 3, StillWriter.PNG16, false),
                List.of(SourceEdits.setPicture("s1", Interpretation.AS_STATED.withPixelAspect(PixelAspect.of(16, 11))),
                        ReelEdits.burnIn(BurnIn.forReview()))));
        return reels;
    }

    /**
     * The first target of each codec family that makes every frame by itself: fields are woven of two reel frames, which nobody can see
     * at once.
     */
    private static List<String> families() {
        Map<String, String> first = new TreeMap<>();
        for (Target target : Catalogue.targets()) {
            Codec codec = target.settings().codec();
            if (target.settings().framing().scanInUse() == Scan.PROGRESSIVE) {
                first.putIfAbsent(codec.reportedName() + (codec.hasAlpha() ? " with alpha" : "")
                        + (target.settings().colourFor(Size.of(64, 48)).isHighRange() ? " of high range" : ""), target.id());
            }
        }
        return List.copyOf(first.values());
    }

    @TestFactory
    Stream<DynamicTest> whatIsSeenIsWhatTheEncoderIsGiven() {
        assertThat(families()).as("one target a family").hasSizeGreaterThan(15);
        return reels().entrySet().stream()
                .map(reel -> DynamicTest.dynamicTest(reel.getKey(), () -> compare(reel.getKey(), reel.getValue())));
    }

    private void compare(String name, Reel reel) throws Exception {
        Path frames = folder.resolve(name.replace(' ', '-')).resolve("frames");
        reel.draw.into(frames);
        KiteFrames.Job job = KiteFrames.job(frames, folder.resolve("out"), families(), reel.edits.toArray(Edit[]::new));
        ResolvedReel resolved = job.programme();
        List<Deliverable> columns = job.project().deliverablesOn().stream().filter(d -> OutputView.of(resolved, d).isPresent()).toList();
        RunPlan plan = KiteFrames.planOf(job, columns, folder.resolve("out"));
        assertThat(columns).hasSizeGreaterThan(12);
        Map<String, List<Integer>> written = written(plan);
        Map<String, List<Integer>> seen = seen(resolved, columns);
        assertThat(seen).isEqualTo(written);
        assertThat(seen.values()).allSatisfy(prints -> assertThat(prints).hasSize((int) plan.frames()));
    }

    /** By the run's own steps. */
    private static Map<String, List<Integer>> written(RunPlan plan) throws IOException, InterruptedException {
        Map<String, List<Integer>> prints = new TreeMap<>();
        List<FileConversion> conversions = plan.files().stream().map(file -> new FileConversion(plan, file)).toList();
        try (FrameFeed feed = new FrameFeed(plan, 2)) {
            for (long frame = 0; frame < plan.frames(); frame++) {
                try (WorkingPictures made = feed.next()) {
                    for (int i = 0; i < conversions.size(); i++) {
                        RunFile file = plan.files().get(i);
                        try (Picture converted = conversions.get(i).next(frame, () -> made.in(plan.pictureFor(file)).share())) {
                            prints.computeIfAbsent(file.target(), _ -> new ArrayList<>()).add(converted.crc32c());
                        }
                    }
                }
            }
        } finally {
            conversions.forEach(FileConversion::close);
        }
        return prints;
    }

    /** By what the window asks of its viewer. */
    private static Map<String, List<Integer>> seen(ResolvedReel reel, List<Deliverable> columns) throws IOException {
        Map<String, List<Integer>> prints = new TreeMap<>();
        try (FrameReader reader = new FrameReader(); FrameMaker maker = new FrameMaker(f -> decoded(reader, f));
                OutputPictures outputs = new OutputPictures(maker)) {
            for (Deliverable column : columns) {
                OutputView view = OutputView.of(reel, column).orElseThrow();
                PictureWords words = PictureWords.of(reel, column, LocalDate.now().toString()).orElse(null);
                for (long place = 0; place < reel.plan().count(); place++) {
                    try (Picture converted = outputs.converted(reel.recipe(place, words).orElseThrow(), view)) {
                        prints.computeIfAbsent(column.id(), _ -> new ArrayList<>()).add(converted.crc32c());
                    }
                }
            }
        }
        return prints;
    }

    private static Picture decoded(FrameReader reader, Recipe.Frame frame) {
        return ((FrameRead.Sound) reader.read(Path.of(frame.path()), frame.kind(), frame.reading().choice(), frame.number())).picture();
    }
}
