package dev.vat.engine.content;

import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.source.SequencePattern;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.media.read.FrameReader;
import dev.vat.scene.Drawing;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.IntFunction;
import java.util.stream.LongStream;

/** Frames made of the demo's shots, whole or spoiled in a known way, and what the checks say of them. */
final class Footage {

    static final int WIDTH = 160;
    static final int HEIGHT = 90;
    private static final int FIRST = 1001;
    /** Nobody writes into these: a change makes a new picture. */
    private static final Map<String, Samples> DRAWN = new ConcurrentHashMap<>();

    final List<Samples> frames = new ArrayList<>();
    private final long[] times = new long[10_000];

    static Footage of(Shot shot, int from, int count) {
        Footage footage = new Footage();
        for (int i = 0; i < count; i++) {
            int frame = from + i;
            footage.frames.add(DRAWN.computeIfAbsent(shot.id() + (from + i), _ -> draw(shot, frame)));
        }
        return footage;
    }

    /** A frame that nobody keeps. */
    static Samples draw(Shot shot, int frame) {
        Drawing d = shot.draw(frame, WIDTH, HEIGHT);
        return new Samples(WIDTH, HEIGHT, d.channel("R"), d.channel("G"), d.channel("B"), d.channel("A"));
    }

    interface Change {
        /**
         * @param value one sample of a channel, 0 red to 2 blue
         * @param x and {@code y}: its place as if the picture had 320 x 180 pixels
         */
        float of(float value, int x, int y, int channel);
    }

    Footage change(int index, Change change) {
        Samples s = frames.get(index);
        float[][] channels = {s.red().clone(), s.green().clone(), s.blue().clone()};
        for (int c = 0; c < 3; c++) {
            for (int i = 0; i < channels[c].length; i++) {
                channels[c][i] = change.of(channels[c][i], i % WIDTH * 2, i / WIDTH * 2, c);
            }
        }
        frames.set(index, new Samples(WIDTH, HEIGHT, channels[0], channels[1], channels[2], s.alpha()));
        return this;
    }

    Footage each(int from, int to, IntFunction<Change> change) {
        for (int i = from; i <= to; i++) {
            change(i, change.apply(i));
        }
        return this;
    }

    Footage put(int index, Samples other) {
        frames.set(index, other);
        return this;
    }

    Footage then(Footage other) {
        frames.addAll(other.frames);
        return this;
    }

    /** Each picture {@code hold} times. */
    Footage held(int hold) {
        Footage longer = new Footage();
        for (Samples s : frames) {
            for (int i = 0; i < hold; i++) {
                longer.frames.add(s);
            }
        }
        return longer;
    }

    Footage noise(int from, int to, double amount, long seed) {
        Random random = new Random(seed);
        return each(from, to, _ -> (v, _, _, _) -> (float) (v + random.nextGaussian() * amount));
    }

    /** The file times of frames, in seconds. */
    Footage written(int from, int to, long startSeconds) {
        for (int i = from; i <= to; i++) {
            times[i] = (startSeconds + 30L * (i - from)) * 1000;
        }
        return this;
    }

    FrameTable table(Path folder) throws IOException {
        Files.createDirectories(folder);
        long[] numbers = LongStream.range(FIRST, FIRST + frames.size()).toArray();
        long[] sizes = new long[numbers.length];
        Arrays.fill(sizes, 1);
        Sequence sequence = Sequence.of(folder, new SequencePattern("shot.", 4, ".tif"), FileKind.TIFF, numbers, sizes,
                Arrays.copyOf(times, numbers.length));
        FrameTable.Collector collector = FrameTable.collect(sequence);
        try (FrameReader reader = new FrameReader()) {
            for (int i = 0; i < numbers.length; i++) {
                Path file = Files.write(sequence.file(numbers[i]), StillWriter.TIFF16.write(frames.get(i)));
                collector.add(reader.check(file, FileKind.TIFF, PictureChoice.MAIN, numbers[i]));
            }
        }
        return collector.build();
    }

    ContentReview review(Path folder) throws IOException {
        return ContentReview.of(table(folder));
    }

    static long number(int index) {
        return FIRST + index;
    }
}
