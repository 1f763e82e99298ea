package dev.vat.core.run;

import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Codec;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.WorkingFormat;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * The most memory that a run's process takes, in bytes, as far as its pictures go: those that are read ahead, those that wait for each
 * file, and those that an encoder holds back together with their originals, which its check compares them with. Measured runs stay below.
 */
public final class MemoryBound {

    /** The process itself: its heap, code, and what encoders keep whatever the picture's size. */
    private static final long BASE = 1_200_000_000L;
    private static final long EACH_FILE = 60_000_000L;
    /** Decoded and composed pictures ahead of the slowest file, and what a decoder works in. */
    private static final int AHEAD = 14;
    /** Frames that an encoder of long groups may look ahead, in its own copy and as originals. */
    private static final int LONG_DELAY = 150;
    private static final int SHORT_DELAY = 14;

    private MemoryBound() {}

    /** Of some of a plan's files, made from one read. */
    public static long of(RunPlan plan, List<RunFile> files) {
        long working = files.stream().map(plan::workingFor).distinct().mapToLong(w -> working(largest(plan), w)).sum();
        return BASE + AHEAD * working + files.stream().mapToLong(MemoryBound::file).sum();
    }

    /** Of its pictures and those of its sources, before they are laid into it. */
    private static Size largest(RunPlan plan) {
        return Stream.concat(Stream.of(plan.size()), plan.sources().stream().map(RunSource::size))
                .max(Comparator.comparing(Size::pixels)).orElseThrow();
    }

    private static long working(Size size, WorkingFormat format) {
        return size.pixels() * 4 * (format == WorkingFormat.W8 ? 1 : 2);
    }

    private static long file(RunFile file) {
        if (file.isSound()) {
            return 0;
        }
        Codec codec = file.codecInCatalogue();
        long samples = file.expected().size().pixels() * planes(codec.chroma()) / 2;
        long alpha = codec.alphaBits() > 0 ? file.expected().size().pixels() : 0;
        // OpenEXR's encoder takes single precision and makes half of it itself.
        int bytes = codec.reportedName().equals("exr") ? 4 : codec.codedBits() > 8 ? 2 : 1;
        long coded = (samples + alpha) * bytes;
        return EACH_FILE + coded * (codec.groupSeconds() > 0 ? LONG_DELAY : SHORT_DELAY);
    }

    /** Samples for each pixel, times two. */
    private static int planes(Chroma chroma) {
        return switch (chroma) {
            case YUV420, YUV411 -> 3;
            case YUV422 -> 4;
            case YUV444, RGB -> 6;
        };
    }

    /**
     * Files that can be made from one read together within a limit, in the plan's order; a file that needs more than the limit is made
     * alone.
     */
    public static List<List<RunFile>> groups(RunPlan plan, List<RunFile> files, long limit) {
        List<List<RunFile>> groups = new ArrayList<>();
        for (RunFile file : files) {
            List<RunFile> last = groups.isEmpty() ? null : groups.getLast();
            if (last == null || of(plan, with(last, file)) > limit) {
                last = new ArrayList<>();
                groups.add(last);
            }
            last.add(file);
        }
        return groups;
    }

    private static List<RunFile> with(List<RunFile> files, RunFile one) {
        List<RunFile> more = new ArrayList<>(files);
        more.add(one);
        return more;
    }
}
