package dev.vat.media.encode;

import dev.vat.core.flash.Luminance;
import dev.vat.core.trial.FrameCost;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.Av;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/**
 * Looks quickly at working pictures, in their order: how hard each is to pack, by the bytes of a small copy in two simple encoders, and how
 * bright each part of it is. Belongs to one thread.
 */
public final class QuickLook implements AutoCloseable {

    /** A copy is no larger than this, or grain would be all that is looked at. */
    private static final int MOST_WIDTH = 960;
    private static final int LEAST = 32;
    private static final int CODES = 256;

    private final Filtering smaller = new Filtering(this::chain);
    private final List<Integer> alone = new ArrayList<>();
    private final List<Integer> after = new ArrayList<>();
    private final List<Boolean> keys = new ArrayList<>();
    private final Consumer<Luminance> luminance;
    private SmallEncoder still;
    private SmallEncoder moving;

    /** @param luminance told of each picture's brightness, in order */
    public QuickLook(Consumer<Luminance> luminance) {
        this.luminance = luminance;
    }

    private String chain(Picture picture) {
        int width = Math.clamp(picture.width(), LEAST, MOST_WIDTH) / 2 * 2;
        int height = Math.max(LEAST, (int) Math.round((double) picture.height() * width / picture.width())) / 2 * 2;
        String flat = picture.hasAlpha()
                ? "setparams=range=pc:colorspace=gbr:alpha_mode=straight,premultiply=inplace=1,"
                        + "setparams=alpha_mode=premultiplied,format=gbrp16le,"
                : "";
        return flat + "setparams=range=pc:colorspace=gbr:color_primaries=bt709:color_trc=bt709,zscale=w=" + width + ":h=" + height
                + ":filter=bilinear:matrixin=gbr:rangein=full:matrix=709:range=full,format=yuv420p,"
                + "setparams=range=pc:colorspace=bt709,format=yuvj420p";
    }

    public void look(Picture working) {
        try (Picture small = smaller.apply(working)) {
            if (still == null) {
                still = new SmallEncoder("mjpeg", small.width(), small.height(),
                        Map.of("flags", "+qscale", "global_quality", Integer.toString(4 * 118)));
                moving = new SmallEncoder("libx264", small.width(), small.height(), Map.of("preset", "ultrafast", "crf", "24",
                        "x264-params", "scenecut=40:keyint=infinite:bframes=0:rc-lookahead=0:sync-lookahead=0:log-level=none"));
            }
            luminance.accept(luminance(small));
            still.encode(small, packet -> alone.add(packet.size()));
            moving.encode(small, this::moved);
        }
    }

    private void moved(AVPacket packet) {
        after.add(packet.size());
        keys.add((packet.flags() & Av.PACKET_KEY) != 0);
    }

    /** Means of cells: luma, and how much red there is beside the two others. */
    private static Luminance luminance(Picture small) {
        byte[] luma = new byte[Luminance.CELLS];
        byte[] red = new byte[Luminance.CELLS];
        for (int row = 0; row < Luminance.ROWS; row++) {
            for (int column = 0; column < Luminance.COLUMNS; column++) {
                int cell = row * Luminance.COLUMNS + column;
                luma[cell] = (byte) mean(small, 0, column, row);
                red[cell] = (byte) mean(small, 2, column, row);
            }
        }
        return new Luminance(luma, red);
    }

    private static int mean(Picture small, int plane, int column, int row) {
        MemorySegment samples = small.plane(plane);
        int width = small.rowBytes(plane);
        int height = small.planeHeight(plane);
        int top = row * height / Luminance.ROWS;
        int bottom = Math.max(top + 1, (row + 1) * height / Luminance.ROWS);
        int left = column * width / Luminance.COLUMNS;
        int right = Math.max(left + 1, (column + 1) * width / Luminance.COLUMNS);
        long sum = 0;
        for (int y = top; y < bottom; y++) {
            for (int x = left; x < right; x++) {
                sum += samples.get(ValueLayout.JAVA_BYTE, (long) y * small.stride(plane) + x) & 0xff;
            }
        }
        return Math.toIntExact(Math.min(CODES - 1, sum / ((long) (bottom - top) * (right - left))));
    }

    /** The costs of all pictures, once the last one was looked at. */
    public List<FrameCost> finish() {
        if (still != null) {
            still.flush(packet -> alone.add(packet.size()));
            moving.flush(this::moved);
        }
        List<FrameCost> costs = new ArrayList<>();
        for (int i = 0; i < alone.size(); i++) {
            costs.add(new FrameCost(alone.get(i), after.get(i), keys.get(i)));
        }
        return costs;
    }

    @Override
    public void close() {
        smaller.close();
        if (still != null) {
            still.close();
        }
        if (moving != null) {
            moving.close();
        }
    }
}
