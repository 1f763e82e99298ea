package dev.vat.engine;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Small real frames of a drifting kite, and plans over them, for tests. */
public final class KiteFrames {

    public static final int WIDTH = 64;
    public static final int HEIGHT = 48;
    private static final int DRAWN = 100;

    private KiteFrames() {}

    /** A sky with a square kite that moves one pixel a frame. */
    public static Samples draw(int frame, boolean alpha) {
        int n = WIDTH * HEIGHT;
        float[] r = new float[n];
        float[] g = new float[n];
        float[] b = new float[n];
        float[] a = alpha ? new float[n] : null;
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                int i = y * WIDTH + x;
                boolean kite = Math.abs(x - (frame + 8) % WIDTH) < 6 && Math.abs(y - 20) < 6;
                r[i] = kite ? .8f : .1f + .4f * y / HEIGHT;
                g[i] = kite ? .2f : .3f;
                b[i] = kite ? .1f : .7f - .3f * x / WIDTH;
                if (alpha) {
                    a[i] = kite ? 1 : (float) x / WIDTH;
                }
            }
        }
        return new Samples(WIDTH, HEIGHT, r, g, b, a);
    }

    /** {@code count} PNG files {@code name.0001.png} and on, 16 bits; beyond the first few they are links to these. */
    public static Path png(Path folder, String name, int first, int count, boolean alpha) throws IOException {
        Files.createDirectories(folder);
        for (int i = 0; i < count; i++) {
            Path file = folder.resolve("%s.%04d.png".formatted(name, first + i));
            if (i < DRAWN) {
                Files.write(file, StillWriter.PNG16.write(draw(i, alpha)));
            } else {
                Files.createLink(file, folder.resolve("%s.%04d.png".formatted(name, first + i % DRAWN)));
            }
        }
        return folder;
    }

    public static byte[] exr(int frame) {
        Samples s = draw(frame, false);
        return ExrWriter.write(WIDTH, HEIGHT, Map.of("R", s.red(), "G", s.green(), "B", s.blue()));
    }

    public static void cut(Path file, double share) throws IOException {
        byte[] data = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(data, (int) (data.length * share)));
    }

    /** Every file of a sequence decoded here, without a process. */
    public static FrameTable check(Sequence sequence) {
        FrameTable.Collector collector = FrameTable.collect(sequence);
        try (FrameReader reader = new FrameReader()) {
            for (int i = 0; i < sequence.count(); i++) {
                collector.add(reader.check(sequence.file(sequence.number(i)), sequence.kind(), PictureChoice.MAIN, sequence.number(i)));
            }
        }
        return collector.build();
    }

    /** What a run is planned from. */
    public record Job(Project project, Map<String, FrameTable> tables) {
        public ResolvedReel programme() {
            return ResolvedReel.of(project, tables).orElseThrow();
        }

        public RunPlan plan(Path out) {
            Findings findings = Findings.of(project, new Observed(tables, Observed.Destination.UNKNOWN));
            if (!findings.mayRun()) {
                throw new AssertionError("blocked: " + findings.blockers());
            }
            return RunPlanner.ofSystem().plan(project, programme(), out, Map.of(), "chosen by the user", MediaLibrary.version());
        }
    }

    /** For some of a job's columns alone, whatever is found of the others. */
    public static RunPlan planOf(Job job, List<Deliverable> columns, Path out) {
        return RunPlanner.ofSystem().plan(job.project.withDeliverables(columns), job.programme(), out, Map.of(), "chosen by the user",
                MediaLibrary.version());
    }

    public static RunPlan plan(Path frames, Path out, List<String> targets, Edit... edits) throws IOException {
        return job(frames, out, targets, edits).plan(out);
    }

    /** All sequences of a folder as one programme at 25, for these targets, after these edits. */
    public static Job job(Path frames, Path out, List<String> targets, Edit... edits) throws IOException {
        List<Sequence> found = SourceFinder.find(frames).sequences();
        Project project = Edits.bringIn(found.stream().map(Sequence::location).toList(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setFolder(Place.of(out)).apply(Edits.setRate(Rate.FPS_25).apply(project));
        for (String target : targets) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
        }
        for (Edit edit : edits) {
            project = edit.apply(project);
        }
        Map<String, FrameTable> tables = new HashMap<>();
        for (int i = 0; i < found.size(); i++) {
            tables.put("s" + (i + 1), check(found.get(i)));
        }
        return new Job(project, tables);
    }
}
