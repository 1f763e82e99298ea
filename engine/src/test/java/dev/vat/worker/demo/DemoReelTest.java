package dev.vat.worker.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import dev.vat.core.burnin.BurnIn;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.Conform;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Joint;
import dev.vat.core.reel.Playing;
import dev.vat.core.reel.Reel;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.resolved.PlanText;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.TestPlaces;
import dev.vat.engine.demo.DemoProject;
import dev.vat.engine.run.Run;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.viewer.Listing;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Places;
import dev.vat.scene.FrameMark;
import dev.vat.scene.Wind;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The demo's opening with a leader, a dissolve, burn-in and sound, of five items that differ in size, rate, depth and alpha, made into a
 * broadcast master, a web file and a review copy by one run. What each file holds is read out of its own pictures and its own sound.
 */
class DemoReelTest {

    private static final int WIDTH = 480;
    private static final int HEIGHT = 270;
    /** Frames of the leader: the programme, and its sound, begin behind them. */
    private static final long LEADER = 75;
    private static final Pattern MIX = Pattern.compile("(.*) \\+ (.*) \\((\\d+/\\d+) of the later\\)");
    private static final Pattern FRAME = Pattern.compile("^(sh010|sh020|title|glow|archive)\\S* (\\d+)");
    private static final List<String> SHOTS = List.of("", "sh010", "sh020", "title", "glow", "archive");

    @TempDir
    Path folder;

    private Places places;

    private static String id(Project project, String name) {
        return project.sources().stream().filter(s -> s.pattern().baseName().startsWith(name)).findFirst().map(Source::id).orElseThrow();
    }

    /** 16-bit PNG, 8-bit TGA with holes, RGBA read at 24, linear EXR, and an old clip with pixels that aren't square. */
    private Project project(Path demo) {
        Project project = DemoProject.in(demo);
        String archive = id(project, "archive");
        String wind = id(project, "wind");
        List<Item> items = List.of(Item.of("s1"), Item.of("s2"), Item.of("s3"), Item.of("s4"), Item.of(archive));
        project = project.withReels(List.of(Reel.of("r1", "opening", items)), "r1").withDeliverables(List.of());
        for (String target : List.of("broadcast-prores", "web-h264", "review-h264")) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
        }
        for (Edit edit : List.of(ReelEdits.setRate(Rate.FPS_25), ReelEdits.trimItem(0, FrameRange.of(1011, 1070)),
                ReelEdits.trimItem(1, FrameRange.of(21, 60)), ReelEdits.joinItem(1, Joint.dissolve(8)),
                SourceEdits.setSourceRate("s3", Rate.of(24)), ReelEdits.trimItem(2, FrameRange.of(13, 36)),
                ReelEdits.playItem(2, Playing.PLAIN.withConform(Conform.NEAREST)), ReelEdits.trimItem(3, FrameRange.of(1, 20)),
                ReelEdits.trimItem(4, FrameRange.of(10, 39)), ReelEdits.addDrawn(0, new GeneratedItem.Leader(25, -18, LEADER)),
                ReelEdits.setStart("09:59:57:00"), ReelEdits.burnIn(BurnIn.forReview()), ReelEdits.addSound(wind),
                ReelEdits.changeSound(0, SoundUse.of(wind).withAt(Rational.of(LEADER, 25))),
                DeliverableEdits.follow("broadcast-prores", d -> d.withCleanPictures().withLoudness(LoudnessTarget.EBU_R128)),
                DeliverableEdits.follow("web-h264", Deliverable::withCleanPictures))) {
            project = edit.apply(project);
        }
        return project;
    }

    @Test
    @Tag("torture")
    void oneRunMakesAMasterAWebFileAndAReviewCopyFrameForFrame() throws Exception {
        places = TestPlaces.in(folder);
        Path demo = folder.resolve("demo");
        DemoFrames.in(demo, WIDTH, HEIGHT).write(_ -> {});
        Project project = project(demo);
        try (Viewer viewer = new Viewer(places)) {
            Map<String, FrameTable> tables = new HashMap<>();
            Map<String, ClipFacts> clips = new HashMap<>();
            for (Source source : project.sources()) {
                Listing listing = Listing.of(viewer, source.location());
                listing.clip().ifPresent(clip -> clips.put(source.id(), clip));
                if (listing.sequence().isPresent()) {
                    tables.put(source.id(), viewer.check(listing.sequence().get(), false, source.reading().picture().choice(), _ -> {})
                            .get(300, TimeUnit.SECONDS));
                }
            }
            assertThat(Findings.of(project, new Observed(tables, Map.of(), clips, Observed.Destination.UNKNOWN, Set.of())).blockers())
                    .isEmpty();
            ResolvedReel programme = ResolvedReel.of(project, tables).orElseThrow();
            Path out = folder.resolve("out");
            RunPlan plan = RunPlanner.ofSystem().plan(project, programme, out, clips, RunPlan.CHOSEN, viewer.library());
            try (Run run = Run.start(plan, places, _ -> {})) {
                assertThat(run.outcome().get(300, TimeUnit.SECONDS).files()).hasSize(3)
                        .allSatisfy(f -> assertThat(f.stage()).as(f.target() + ": " + f.why()).isEqualTo(Stage.DELIVERED));
            }
            List<String> printed = PlanText.of(programme).lines().toList();
            assertThat(printed).hasSize((int) (LEADER + 60 + 40 - 8 + 25 + 20 + 30));
            for (RunFile file : plan.files()) {
                Path made = out.resolve(file.fileName());
                frames(viewer, made, printed);
                boolean packed = !file.target().startsWith("broadcast");
                bells(viewer, made, packed ? 1 : 0);
                Receipt receipt = ReceiptFile.read(ReceiptFile.of(made));
                assertThat(receipt.planned().timecode()).isEqualTo("09:59:57:00");
            }
            assertThat(ReceiptFile.read(ReceiptFile.of(out.resolve(plan.files().getFirst().fileName()))).loudness().integrated())
                    .isCloseTo(-23, within(.1));
            // The ground of the burn-in, at the lower left of the safe area, darkens the review copy alone.
            double clean = brightness(viewer, out.resolve(plan.files().get(1).fileName()), LEADER + 5).at(.055, .94);
            double burnt = brightness(viewer, out.resolve(plan.files().get(2).fileName()), LEADER + 5).at(.055, .94);
            assertThat(burnt).isLessThan(clean * .6);
        }
    }

    private static FrameMark.Brightness brightness(Viewer viewer, Path file, long frame) throws Exception {
        ByteBuffer pixels = ByteBuffer.allocate(4 * WIDTH * HEIGHT);
        try (ShownPicture shown = viewer.picture(new Recipe.Finished(file.toString(), frame),
                new ViewerMessage.Shape(WIDTH, HEIGHT, Rgb.BLACK, ViewerMessage.Showing.COLOUR, null)).get(300, TimeUnit.SECONDS)) {
            shown.copyTo(pixels);
        }
        return (across, down) -> (pixels.get(4 * ((int) (down * HEIGHT) * WIDTH + (int) (across * WIDTH)) + 1) & 0xff) / 255.;
    }

    /** Each picture's own mark against what the plan says stands there; the old clip lies between bars at its sides. */
    private void frames(Viewer viewer, Path file, List<String> printed) throws Exception {
        int read = 0;
        List<String> wrong = new ArrayList<>();
        for (int frame = 0; frame < printed.size(); frame++) {
            String shown = printed.get(frame).substring(printed.get(frame).indexOf("-> ") + 3);
            FrameMark.Brightness picture = brightness(viewer, file, frame);
            double clip = 4 / 3. / (16 / 9.);
            Optional<FrameMark> mark = FrameMark
                    .read(shown.startsWith("archive") ? (across, down) -> picture.at((1 - clip) / 2 + across * clip, down) : picture);
            String own = mark.map(m -> SHOTS.get(m.shot()) + " " + m.number()).orElse("no mark");
            String wanted = wanted(shown);
            read += wanted.equals("no mark") ? 0 : 1;
            if (!own.equals(wanted)) {
                wrong.add(printed.get(frame) + ": the picture says " + own);
            }
        }
        assertThat(wrong).as(file.getFileName().toString()).isEmpty();
        // Of the eight that are mixed, the first two and the last two are read through what little lies over them.
        assertThat(read).isEqualTo(60 + 40 - 16 + 4 + 25 + 20 + 30);
    }

    /** What a picture's mark has to say: of two that are mixed the stronger one's, if it is over three quarters. */
    private static String wanted(String shown) {
        Matcher mix = MIX.matcher(shown);
        if (mix.matches()) {
            double share = Rational.parse(mix.group(3)).toDouble();
            return share < .25 ? wanted(mix.group(1)) : share > .75 ? wanted(mix.group(2)) : "no mark";
        }
        // A frame that is held stands where another was wanted: "sh020 32 (held for 33)".
        Matcher frame = FRAME.matcher(shown);
        return frame.find() ? frame.group(1) + " " + Integer.parseInt(frame.group(2)) : "no mark";
    }

    /** How far the sound of a file is shifted against the wind as it was drawn, by the best of all shifts over each bell. */
    private void bells(Viewer viewer, Path file, int allowed) throws Exception {
        Path copy = folder.resolve("copy.pcm");
        viewer.listen(file, copy).get(300, TimeUnit.SECONDS);
        ByteBuffer samples = ByteBuffer.wrap(Files.readAllBytes(copy)).order(ByteOrder.LITTLE_ENDIAN);
        float[] wind = Wind.samples();
        int bells = 0;
        for (int bell : Wind.bells()) {
            int from = bell * Wind.RATE / 25 - 2400;
            int at = (int) (LEADER * Wind.RATE / 25) + from;
            if ((at + 9600 + 300) * 4 > samples.capacity()) {
                continue;
            }
            bells++;
            double best = Double.NEGATIVE_INFINITY;
            int shift = 0;
            for (int lag = -300; lag <= 300; lag++) {
                double sum = 0;
                for (int i = 0; i < 9600; i++) {
                    sum += wind[from + i] * samples.getShort((at + lag + i) * 4);
                }
                if (sum > best) {
                    best = sum;
                    shift = lag;
                }
            }
            assertThat(Math.abs(shift)).as(file.getFileName() + ", bell on frame " + bell + ", samples").isLessThanOrEqualTo(allowed);
        }
        assertThat(bells).isEqualTo(2);
    }
}
