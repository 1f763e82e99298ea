package dev.vat.engine.run;

import java.io.IOException;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;

/**
 * What a test plants in a run's home to go wrong in the worker: lines {@code crash TARGET FRAME} and {@code hang TARGET FRAME} of a file
 * {@code planted}. There is none in a run of anybody else's.
 */
final class Planted {

    static final String FILE = "planted";
    private static final Planted NOTHING = new Planted(List.of());

    private record Line(String what, String target, long frame) { }

    private final List<Line> lines;

    private Planted(List<Line> lines) {
        this.lines = lines;
    }

    static Planted in(Path home) throws IOException {
        try {
            return new Planted(Files.readAllLines(home.resolve(FILE)).stream().map(l -> l.split(" ")).map(w -> new Line(w[0], w[1], Long.parseLong(w[2]))).toList());
        } catch (NoSuchFileException _) {
            return NOTHING;
        }
    }

    /** Goes wrong, if something is planted at a frame of a file. */
    void at(String target, long frame) throws InterruptedException {
        for (Line line : lines) {
            if (line.target.equals(target) && line.frame == frame) {
                if (line.what.equals("crash")) {
                    // No exception: the process is gone, as by a fault in native code.
                    MemorySegment.ofAddress(8).reinterpret(8).get(ValueLayout.JAVA_BYTE, 0);
                }
                Thread.sleep(Long.MAX_VALUE);
            }
        }
    }
}
