package dev.vat.core.source;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;

/** Frame tables for tests, as checking would give them. */
public final class Frames {

    public static final PictureFormat PNG16 = format("PNG", Size.of(960, 540), Depth.integer(16), AlphaKind.NONE);

    private final Map<Long, FrameCheck> checks = new TreeMap<>();
    private final SequencePattern pattern;

    private Frames(SequencePattern pattern) {
        this.pattern = pattern;
    }

    public static PictureFormat format(String kind, Size size, Depth depth, AlphaKind alpha) {
        return new PictureFormat(kind, size, depth, alpha, PixelAspect.SQUARE, kind.equals("EXR"), List.of());
    }

    /** Good frames from {@code first} to {@code last} of {@code name.####.png}. */
    public static Frames good(String name, long first, long last) {
        return good(name, first, last, PNG16);
    }

    public static Frames good(String name, long first, long last, PictureFormat format) {
        Frames frames = new Frames(new SequencePattern(name + ".", 4, ".png"));
        for (long f = first; f <= last; f++) {
            frames.checks.put(f, FrameCheck.sound(f, format, null, null));
        }
        return frames;
    }

    public Frames without(long... numbers) {
        for (long n : numbers) {
            checks.remove(n);
        }
        return this;
    }

    public Frames faulty(long number, FrameState state, String why) {
        checks.put(number, FrameCheck.fault(number, state, why));
        return this;
    }

    public Frames changed(long number, UnaryOperator<FrameCheck> change) {
        checks.computeIfPresent(number, (_, c) -> change.apply(c));
        return this;
    }

    /** What a picture with nothing odd about it looks like. */
    public static FrameLook look(boolean opaque) {
        return new FrameLook(1, opaque, false, false, .5f, 1, .1f, null, null, new byte[FrameLook.PRINT_BYTES]);
    }

    public Sequence sequence() {
        long[] numbers = checks.keySet().stream().mapToLong(Long::longValue).toArray();
        long[] sizes = checks.values().stream().mapToLong(c -> c.state() == FrameState.EMPTY ? 0 : 1000).toArray();
        return Sequence.of(Path.of("/frames/" + pattern.baseName()), pattern, FileKind.PNG, numbers, sizes, new long[numbers.length]);
    }

    public FrameTable table() {
        FrameTable.Collector collector = FrameTable.collect(sequence());
        checks.values().forEach(collector::add);
        return collector.build();
    }

    /** Nothing looked into yet. */
    public FrameTable unchecked() {
        return FrameTable.unchecked(sequence());
    }
}
