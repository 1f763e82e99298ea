package dev.vat.worker.standin;

import dev.vat.core.picture.Size;
import dev.vat.media.encode.ExrWriter;
import dev.vat.media.encode.StillWriter;
import dev.vat.media.picture.Samples;
import dev.vat.protocol.RenderOrder;
import dev.vat.scene.Drawing;
import dev.vat.scene.flats.FlatsCamera;
import dev.vat.scene.flats.MarramFlats;
import dev.vat.scene.flats.ObjectClass;
import dev.vat.scene.flats.SceneLook;
import dev.vat.scene.flats.Shading;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.LongStream;

/** The stand-in as a renderer: numbered frames into a folder, at a chosen slowness, with what goes wrong with renders. */
public final class StandInRender {

    /** Frames that are in each other's place where they don't come in order. */
    private static final int JUMBLED = 4;

    private final RenderOrder order;
    private final FlatsCamera camera;

    public StandInRender(RenderOrder order) {
        this.order = order;
        this.camera = FlatsCamera.parse(order.camera());
    }

    /** Told of each frame when its file stands there whole. */
    public interface Told {
        void of(long frame, boolean last);
    }

    /** Renders; frames that are there already are written over. */
    public void run(Told told) throws IOException, InterruptedException {
        Path folder = Path.of(order.folder());
        Files.createDirectories(folder);
        List<Long> frames = frames();
        for (int i = 0; i < frames.size(); i++) {
            long frame = frames.get(i);
            long since = System.nanoTime();
            if (order.crash() != null && order.crash() == frame) {
                // As a crash leaves it: the file is begun and nobody ends it.
                Files.write(folder.resolve(order.fileName(frame)), Arrays.copyOf(data(frame), 1000));
                Runtime.getRuntime().halt(139);
            }
            if (!order.has(RenderOrder.Kind.HOLE, frame)) {
                byte[] data = data(frame);
                put(folder.resolve(order.fileName(frame)),
                        order.has(RenderOrder.Kind.CUT, frame) ? Arrays.copyOf(data, data.length * 3 / 5) : data);
            }
            Thread.sleep(Math.max(0, order.millis() - (System.nanoTime() - since) / 1_000_000));
            told.of(frame, i == frames.size() - 1);
        }
    }

    private List<Long> frames() {
        List<Long> frames = new ArrayList<>(LongStream.rangeClosed(order.range().first(), order.range().last()).boxed().toList());
        if (order.jumbled()) {
            for (int i = 0; i + JUMBLED <= frames.size(); i += JUMBLED) {
                frames.subList(i, i + JUMBLED).sort((a, b) -> Long.compare(b, a));
            }
        }
        return frames;
    }

    private static void put(Path file, byte[] data) throws IOException {
        Path fresh = file.resolveSibling("." + file.getFileName() + ".new");
        Files.write(fresh, data);
        Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    private byte[] data(long frame) throws IOException {
        Size full = order.size();
        Size size = order.has(RenderOrder.Kind.SMALLER, frame) ? Size.of(full.width() / 2, full.height() / 2) : full;
        Drawing drawing = drawing(frame, size);
        if (order.has(RenderOrder.Kind.TORN, frame)) {
            drawing = torn(drawing, drawing(Math.max(1, frame - 1), size));
        } else if (order.has(RenderOrder.Kind.BLANK, frame) || order.has(RenderOrder.Kind.POP, frame)) {
            drawing = darkened(drawing, order.has(RenderOrder.Kind.BLANK, frame));
        } else if (order.has(RenderOrder.Kind.LEAVING, frame)) {
            drawing = shifted(drawing);
        }
        return order.exr() ? ExrWriter.write(drawing.width(), drawing.height(), drawing.channels())
                : StillWriter.PNG16.write(new Samples(drawing.width(), drawing.height(), drawing.channel("R"), drawing.channel("G"),
                        drawing.channel("B"), drawing.channel("A")));
    }

    private Drawing drawing(long frame, Size size) {
        SceneLook look = new SceneLook(camera, (int) frame, order.leadIn() + Math.max(0, frame - order.range().first()), order.take(), size,
                Shading.SHADOWED,
                Set.of(ObjectClass.BACKDROP, ObjectClass.STRINGS, ObjectClass.CELLS));
        return order.exr() ? MarramFlats.drawLinear(look) : MarramFlats.draw(look);
    }

    private interface Sample {
        float of(String channel, float[] values, int index, int x, int y);
    }

    private static Drawing each(Drawing drawing, Sample sample) {
        TreeMap<String, float[]> changed = new TreeMap<>();
        drawing.channels().forEach((name, values) -> {
            float[] to = new float[values.length];
            for (int i = 0; i < to.length; i++) {
                to[i] = sample.of(name, values, i, i % drawing.width(), i / drawing.width());
            }
            changed.put(name, to);
        });
        return new Drawing(drawing.width(), drawing.height(), changed);
    }

    private static Drawing torn(Drawing drawing, Drawing before) {
        return each(drawing, (name, values, i, _, y) -> y * 100 < 58 * drawing.height() ? before.channel(name)[i] : values[i]);
    }

    private static Drawing darkened(Drawing drawing, boolean all) {
        int width = drawing.width();
        int height = drawing.height();
        return each(drawing, (name, values, i, x, y) -> name.endsWith("A") || name.endsWith("Z") ? values[i] : all ? 0
                : x * 100 > 60 * width && x * 100 < 76 * width && y * 100 > 14 * height && y * 100 < 44 * height ? values[i] * .3f
                        : values[i]);
    }

    /** What was in the middle is at the edge. */
    private static Drawing shifted(Drawing drawing) {
        int by = drawing.width() * 2 / 5;
        return each(drawing, (_, values, i, x, _) -> values[i - x + Math.min(drawing.width() - 1, x + by)]);
    }
}
