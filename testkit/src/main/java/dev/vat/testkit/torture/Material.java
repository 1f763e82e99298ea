package dev.vat.testkit.torture;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.RateControl;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.Rate;
import dev.vat.engine.run.RunPlanner;
import dev.vat.engine.source.SourceFinder;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Small frames, all different, enough of them for several parts of every codec; and plans over them. */
final class Material {

    /**
     * Made whole and in two passes. Not H.264, whose bits depend on how far the encoder's threads are wherever its rate is bounded: such a
     * file isn't the same twice, undisturbed either.
     */
    static final String IN_TWO_PASSES = "phone-h265";
    static final String BASE_NAME = "gust";
    static final int FRAMES = 160;
    /** Slow, so that parts hold few frames. */
    static final Rate RATE = Rate.of(6);
    private static final long TWO_PASS_BITS = 300_000;
    /**
     * The encoder of H.264 looks at memory that it never wrote: of pictures smaller than this its bits differ now and then, undisturbed
     * too.
     */
    private static final int WIDTH = 256;
    private static final int HEIGHT = 144;

    private final Path frames;
    private final FrameTable table;

    private Material(Path frames, FrameTable table) {
        this.frames = frames;
        this.table = table;
    }

    static Material draw(Path folder) throws IOException {
        Files.createDirectories(folder);
        for (int i = 0; i < FRAMES; i++) {
            Files.write(folder.resolve((BASE_NAME + ".%04d.png").formatted(i + 1)), StillWriter.PNG8.write(frame(i)));
        }
        return new Material(folder, checked(folder));
    }

    private static FrameTable checked(Path folder) throws IOException {
        Sequence sequence = SourceFinder.find(folder).sequences().getFirst();
        FrameTable.Collector collector = FrameTable.collect(sequence);
        try (FrameReader reader = new FrameReader()) {
            for (int i = 0; i < sequence.count(); i++) {
                FrameCheck check = reader.check(sequence.file(sequence.number(i)), sequence.kind(), PictureChoice.MAIN, sequence.number(i));
                collector.add(check);
            }
        }
        return collector.build();
    }

    /** Dunes that drift, under a kite that goes round. */
    private static Samples frame(int index) {
        float[][] rgb = new float[3][WIDTH * HEIGHT];
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                double dune = .5 + .3 * Math.sin((x + index) * .11) * Math.sin(y * .07 + index * .013);
                boolean kite = Math.abs(x - 48 - 30 * Math.cos(index * .1)) + Math.abs(y - 30 - 18 * Math.sin(index * .1)) < 6;
                int at = y * WIDTH + x;
                rgb[0][at] = kite ? .9f : (float) dune;
                rgb[1][at] = kite ? .2f : (float) (dune * .8);
                rgb[2][at] = (float) (.2 + .5 * y / HEIGHT);
            }
        }
        return new Samples(WIDTH, HEIGHT, rgb[0], rgb[1], rgb[2], null);
    }

    /** The same frames in another folder. */
    Material in(Path folder) throws IOException {
        Files.createDirectories(folder);
        try (Stream<Path> files = Files.list(frames)) {
            for (Path file : files.toList()) {
                Files.copy(file, folder.resolve(file.getFileName()), StandardCopyOption.COPY_ATTRIBUTES);
            }
        }
        return new Material(folder, checked(folder));
    }

    /** @param naming of the files */
    RunPlan plan(List<String> targets, Path out, String naming) {
        Project project = Edits.bringIn(List.of(table.sequence().location()), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        project = Edits.setNaming(naming).apply(Edits.setFolder(Place.of(out)).apply(Edits.setRate(RATE).apply(project)));
        for (String target : targets) {
            project = DeliverableEdits.addTarget(Catalogue.target(target)).apply(project);
            if (target.equals(IN_TWO_PASSES)) {
                project = DeliverableEdits.setControl(target, new RateControl.TwoPass(TWO_PASS_BITS)).apply(project);
            }
        }
        return RunPlanner.ofSystem().plan(project, ResolvedReel.of(project, Map.of("s1", table)).orElseThrow(), out, Map.of(),
                RunPlan.CHOSEN, MediaLibrary.version());
    }

    Path frames() {
        return frames;
    }
}
