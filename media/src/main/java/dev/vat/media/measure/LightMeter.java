package dev.vat.media.measure;

import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_TRC_SMPTE2084;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_FLOAT;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_RGB;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.core.proof.FrameLight;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.Optional;
import org.bytedeco.ffmpeg.avutil.AVComponentDescriptor;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/**
 * How bright pictures in PQ are shown. Y'CbCr is taken by the matrix of ITU-R BT.2020 without constant luminance; alpha doesn't count, nor
 * does anybody look whether bars are black: they belong to the picture.
 */
public final class LightMeter {

    /** SMPTE ST 2084, 5.1. */
    private static final double M1 = 2610 / 16384.0;
    private static final double M2 = 2523 / 4096.0 * 128;
    private static final double C1 = 3424 / 4096.0;
    private static final double C2 = 2413 / 4096.0 * 32;
    private static final double C3 = 2392 / 4096.0 * 32;
    private static final double BRIGHTEST = 10_000;
    /** ITU-R BT.2020, table 4. */
    private static final double RED = .2627;
    private static final double BLUE = .0593;
    /** Sixteen steps for each of ten bits: none is visible. */
    private static final int STEPS = 1 << 14;
    private static final float[] LIGHT = new float[STEPS + 1];

    static {
        for (int i = 0; i <= STEPS; i++) {
            LIGHT[i] = (float) light((double) i / STEPS);
        }
    }

    private LightMeter() {}

    /** Light of a value of the PQ curve. @param value from 0 to 1 @return cd/m2, up to 10,000 */
    static double light(double value) {
        double power = Math.pow(value, 1 / M2);
        return BRIGHTEST * Math.pow(Math.max(0, power - C1) / (C2 - C3 * power), 1 / M1);
    }

    /** Empty of pictures by another curve than PQ. */
    public static Optional<FrameLight> of(Picture picture) {
        AVPixFmtDescriptor format = av_pix_fmt_desc_get(picture.frame().format());
        if (picture.frame().color_trc() != AVCOL_TRC_SMPTE2084 || format.nb_components() < 3
                || (format.flags() & AV_PIX_FMT_FLAG_FLOAT) != 0) {
            return Optional.empty();
        }
        boolean rgb = (format.flags() & AV_PIX_FMT_FLAG_RGB) != 0;
        boolean full = rgb || picture.frame().color_range() == AVCOL_RANGE_JPEG;
        Component[] components = new Component[3];
        for (int i = 0; i < components.length; i++) {
            components[i] = new Component(picture, format, i, full, i > 0 && !rgb);
        }
        double most = 0;
        double sum = 0;
        double[][] row = new double[3][picture.width()];
        for (int y = 0; y < picture.height(); y++) {
            for (int i = 0; i < row.length; i++) {
                components[i].row(y, row[i]);
            }
            for (int x = 0; x < picture.width(); x++) {
                double brightest = rgb ? Math.max(row[0][x], Math.max(row[1][x], row[2][x]))
                        : brightest(row[0][x], row[1][x], row[2][x]);
                most = Math.max(most, brightest);
                sum += LIGHT[(int) (Math.clamp(brightest, 0, 1) * STEPS + .5)];
            }
        }
        return Optional.of(new FrameLight(rounded(light(Math.min(1, most))), rounded(sum / picture.width() / picture.height())));
    }

    private static double brightest(double y, double cb, double cr) {
        double red = y + 2 * (1 - RED) * cr;
        double blue = y + 2 * (1 - BLUE) * cb;
        double green = (y - RED * red - BLUE * blue) / (1 - RED - BLUE);
        return Math.max(red, Math.max(green, blue));
    }

    private static double rounded(double light) {
        return Math.round(light * 100) / 100.0;
    }

    /**
     * One component of a picture's pixels, from 0 to 1, or from -0.5 to 0.5 for what is beside grey. What is coarser than the picture is
     * spread in straight lines, as on screens: samples lie at the first of two pixels, and between two rows.
     */
    private static final class Component {

        private final MemorySegment plane;
        private final long stride;
        private final int offset;
        private final int step;
        private final int depth;
        private final int shift;
        private final boolean wide;
        private final boolean high;
        private final int rows;
        private final double zero;
        private final double unit;

        Component(Picture picture, AVPixFmtDescriptor format, int number, boolean full, boolean colour) {
            AVComponentDescriptor component = format.comp(number);
            plane = picture.plane(component.plane());
            stride = picture.stride(component.plane());
            offset = component.offset();
            step = component.step();
            depth = component.depth();
            shift = component.shift();
            wide = colour && format.log2_chroma_w() == 1;
            high = colour && format.log2_chroma_h() == 1;
            rows = high ? (picture.height() + 1) / 2 : picture.height();
            int eight = 1 << (depth - 8);
            zero = colour ? 128 * eight : full ? 0 : 16 * eight;
            unit = full ? (1 << depth) - 1 : (colour ? 224 : 219) * eight;
        }

        void row(int y, double[] values) {
            int near = high ? y / 2 : y;
            int far = high ? Math.clamp(near + (y % 2 == 0 ? -1 : 1), 0, rows - 1) : near;
            double before = at(0, near, far);
            for (int x = 0; x < values.length; x += wide ? 2 : 1) {
                values[x] = before;
                int next = wide ? x / 2 + 1 : x + 1;
                double after = x + (wide ? 2 : 1) < values.length ? at(next, near, far) : before;
                if (wide && x + 1 < values.length) {
                    values[x + 1] = (before + after) / 2;
                }
                before = after;
            }
        }

        private double at(int x, int near, int far) {
            double value = near == far ? code(x, near) : .75 * code(x, near) + .25 * code(x, far);
            return (value - zero) / unit;
        }

        private int code(int x, int y) {
            long at = y * stride + (long) x * step + offset;
            int value = depth > 8 ? plane.get(ValueLayout.JAVA_SHORT_UNALIGNED, at) & 0xffff : plane.get(ValueLayout.JAVA_BYTE, at) & 0xff;
            return value >> shift;
        }
    }
}
