package dev.vat.engine.demo;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Reel;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.media.Samples;
import dev.vat.media.StillWriter;
import dev.vat.media.still.ExrWriter;
import dev.vat.scene.Drawing;
import dev.vat.scene.FrameMark;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import java.util.function.Predicate;

/**
 * The opening of Kite Week: frames drawn by code, with the faults that real renders have. Frames that stand there already
 * are kept. Every frame of the opening says by a machine-readable mark which one it is. Codes pictures by the media library, so this belongs into a process of its own.
 */
public final class DemoData {

    static final int WIDTH = 960;
    static final int HEIGHT = 540;

    /** What is wrong with shot 020. */
    private static final Set<Integer> HOLE = Set.of(33, 34, 35);
    private static final int EMPTY = 41;
    private static final int CUT_SHORT = 52;

    private final Path folder;
    private final int width;
    private final int height;

    private DemoData(Path folder, int width, int height) {
        this.folder = folder;
        this.width = width;
        this.height = height;
    }

    public static DemoData in(Path folder) {
        return new DemoData(folder, WIDTH, HEIGHT);
    }

    /** The same at another size, for tests. */
    public static DemoData in(Path folder, int width, int height) {
        return new DemoData(folder, width, height);
    }

    /** How the files of a shot are named. */
    public static SequencePattern pattern(Shot shot) {
        return switch (shot) {
            case DUNES -> new SequencePattern("sh010.", 4, ".png");
            case KITE -> new SequencePattern("sh020.", 1, ".tga");
            case TITLE -> new SequencePattern("title_", 3, ".png");
            case GLOW -> new SequencePattern("glow.", 4, ".exr");
        };
    }

    static int firstFrame(Shot shot) {
        return shot == Shot.DUNES ? 1001 : 1;
    }

    /** @param told of each shot when it is whole */
    public void write(Consumer<Shot> told) throws IOException, InterruptedException {
        try (ExecutorService pool = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (Shot shot : Shot.values()) {
                Path place = folder.resolve(shot.id());
                Files.createDirectories(place);
                List<Future<?>> frames = new ArrayList<>();
                for (int i = 0; i < shot.frames(); i++) {
                    int frame = i;
                    frames.add(pool.submit(() -> {
                        writeFrame(shot, frame, place);
                        return null;
                    }));
                }
                for (Future<?> frame : frames) {
                    await(frame);
                }
                if (shot == Shot.DUNES) {
                    new BesideTheReel(folder, width, height).write();
                }
                told.accept(shot);
            }
        }
    }

    /** Frames appear whole, so that a watcher never sees half of one. */
    static void put(Path file, byte[] data) throws IOException {
        Path fresh = file.resolveSibling("." + file.getFileName() + ".new");
        Files.write(fresh, data);
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE);
    }

    private static void await(Future<?> frame) throws IOException, InterruptedException {
        try {
            frame.get();
        } catch (ExecutionException e) {
            throw new IOException("A demo frame couldn't be written: " + e.getCause().getMessage(), e.getCause());
        }
    }

    private void writeFrame(Shot shot, int frame, Path place) throws IOException {
        int number = firstFrame(shot) + frame;
        Path file = place.resolve(pattern(shot).fileName(number));
        if (Files.exists(file) || shot == Shot.KITE && HOLE.contains(number)) {
            return;
        }
        byte[] data = shot == Shot.KITE && number == EMPTY ? new byte[0] : encode(shot, new FrameMark(shot.ordinal() + 1, number).on(shot.draw(frame, width, height)));
        if (shot == Shot.KITE && number == CUT_SHORT) {
            data = Arrays.copyOf(data, data.length * 3 / 5);
        }
        put(file, data);
    }

    private static byte[] encode(Shot shot, Drawing d) {
        return switch (shot) {
            case DUNES, TITLE -> StillWriter.PNG16.write(samples(d));
            case KITE -> StillWriter.TGA8.write(samples(d));
            case GLOW -> ExrWriter.write(d.width(), d.height(), d.channels());
        };
    }

    static Samples samples(Drawing d) {
        return new Samples(d.width(), d.height(), d.channel("R"), d.channel("G"), d.channel("B"), d.channel("A"));
    }

    /** The demo's project: the opening in four shots, other material beside it, three targets, the hole of shot 020 filled by holding. */
    public static Project project(Path folder) {
        List<Source> sources = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        for (Shot shot : Shot.values()) {
            String id = "s" + (sources.size() + 1);
            Reading reading = Reading.PLAIN.withRate(Rate.FPS_25)
                    .withGap(shot == Shot.KITE ? GapPolicy.HOLD : GapPolicy.REFUSE);
            sources.add(new Source(id, Place.of(folder.resolve(shot.id())), pattern(shot), reading, Map.of()));
            items.add(Item.of(id));
        }
        for (Location beside : BesideTheReel.locations(folder)) {
            Reading reading = beside.isMovie() || beside.isSound() ? Reading.PLAIN : Reading.PLAIN.withRate(Rate.FPS_25);
            sources.add(new Source("s" + (sources.size() + 1), Place.of(beside.folder()), beside.pattern(), reading, Map.of()));
        }
        Project project = Project.EMPTY.withName("Kite Week").withSources(sources)
                .withReels(List.of(Reel.of("r1", "opening", items)), "r1")
                .withFolder(Place.of(folder.resolve("delivered")));
        for (var target : List.of(Catalogue.WEB_H264, Catalogue.EDIT_PRORES_HQ, Catalogue.ALPHA_PRORES_4444)) {
            project = Edits.addTarget(target).apply(project);
        }
        return project;
    }

    /** The faulty shot alone in a reel that refuses gaps: what a broken render looks like. */
    public static Project faultyProject(Path folder) {
        return Edits.setGap("s2", GapPolicy.REFUSE).apply(
                project(folder).withReels(List.of(Reel.of("r1", "sh020", List.of(Item.of("s2")))), "r1"));
    }

    /** The sources alone that a predicate takes, in no reel: for looking at them. */
    public static Project only(Path folder, Predicate<Source> wanted) {
        Project project = project(folder);
        List<Source> sources = project.sources().stream().filter(wanted).toList();
        return project.withSources(sources).withReels(List.of(Reel.of("r1", "opening", List.of(Item.of(sources.getFirst().id())))), "r1");
    }

    public static boolean isThere(Path folder) {
        return BesideTheReel.isThere(folder) && Arrays.stream(Shot.values()).allMatch(shot -> Files.exists(folder.resolve(shot.id())
                .resolve(pattern(shot).fileName(firstFrame(shot) + shot.frames() - 1L))));
    }
}
