package dev.vat.worker.demo;

import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.protocol.demo.DemoShot;
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
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;

/**
 * The opening of Kite Week: frames drawn by code, with the faults that real renders have. Frames that stand there already
 * are kept. Every frame of the opening says by a machine-readable mark which one it is. Codes pictures by the media library, so this
 * belongs into a process of its own.
 */
public final class DemoFrames {

    static final int WIDTH = 960;
    static final int HEIGHT = 540;

    /** What is wrong with shot 020. */
    private static final Set<Integer> HOLE = Set.of(33, 34, 35);
    private static final int EMPTY = 41;
    private static final int CUT_SHORT = 52;

    private final Path folder;
    private final int width;
    private final int height;

    private DemoFrames(Path folder, int width, int height) {
        this.folder = folder;
        this.width = width;
        this.height = height;
    }

    public static DemoFrames in(Path folder) {
        return new DemoFrames(folder, WIDTH, HEIGHT);
    }

    /** The same at another size, for tests. */
    public static DemoFrames in(Path folder, int width, int height) {
        return new DemoFrames(folder, width, height);
    }

    /** @param told of each shot when it is whole */
    public void write(Consumer<Shot> told) throws IOException, InterruptedException {
        try (ExecutorService pool = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (Shot shot : Shot.values()) {
                Path place = new DemoFolder(folder).shot(DemoShot.valueOf(shot.name()));
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
        DemoShot names = DemoShot.valueOf(shot.name());
        int number = names.first() + frame;
        Path file = place.resolve(names.pattern().fileName(number));
        if (Files.exists(file) || shot == Shot.KITE && HOLE.contains(number)) {
            return;
        }
        byte[] data = shot == Shot.KITE && number == EMPTY ? new byte[0]
                : encode(shot, new FrameMark(shot.ordinal() + 1, number).on(shot.draw(frame, width, height)));
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
}
