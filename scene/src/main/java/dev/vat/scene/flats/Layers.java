package dev.vat.scene.flats;

import dev.vat.core.picture.DisplayCurve;
import dev.vat.core.picture.Size;
import dev.vat.scene.Drawing;
import dev.vat.scene.FrameMark;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** The passes of one picture, in linear light, and the full picture that comes of them. */
final class Layers {

    /** So many that no place of the curve between is off by a sixteen-bit code. */
    private static final int STEPS = 1 << 16;
    private static final float[] CODED = curve();

    private final Size size;
    /** By pass, then by its channels. */
    private final float[][][] passes = new float[RenderPass.values().length][][];
    private final float[][] base;
    private final float[][] light;
    private final float[][] shadow;
    private final float[][] haze;
    private final float[] alpha;

    Layers(Size size) {
        this.size = size;
        int pixels = size.width() * size.height();
        for (RenderPass pass : RenderPass.values()) {
            passes[pass.ordinal()] = new float[pass.channels().size()][pixels];
        }
        alpha = new float[pixels];
        base = of(RenderPass.BASE);
        light = of(RenderPass.LIGHT);
        shadow = of(RenderPass.SHADOW);
        haze = of(RenderPass.HAZE);
    }

    private float[][] of(RenderPass pass) {
        return passes[pass.ordinal()];
    }

    void put(int pixel, Shader.Sum sum, int samples) {
        double covered = Math.max(1, sum.covered);
        for (int c = 0; c < 3; c++) {
            base[c][pixel] = (float) (sum.base[c] / samples);
            // What falls onto nothing changes nothing.
            light[c][pixel] = sum.covered == 0 ? 1 : (float) (sum.light[c] / covered);
            shadow[c][pixel] = sum.covered == 0 ? 1 : (float) (sum.shadow / covered);
            haze[c][pixel] = (float) (sum.haze[c] / samples);
            of(RenderPass.MATTE)[c][pixel] = (float) (sum.matte / samples);
        }
        haze[3][pixel] = (float) (sum.hazed / samples);
        of(RenderPass.DEPTH)[0][pixel] = (float) (sum.depth / samples);
        alpha[pixel] = (float) (sum.covered / samples);
    }

    /** Writes cells from which a machine reads camera and frame into the base, with nothing over it. */
    void mark(FrameMark mark) {
        float[] cells = new float[alpha.length];
        Arrays.fill(cells, -1);
        float[] marked = mark.on(new Drawing(size.width(), size.height(), Map.of("R", cells))).channel("R");
        for (int i = 0; i < marked.length; i++) {
            if (marked[i] < 0) {
                continue;
            }
            for (int c = 0; c < 3; c++) {
                base[c][i] = marked[i];
                light[c][i] = 1;
                shadow[c][i] = 1;
                haze[c][i] = 0;
            }
            haze[3][i] = 0;
            alpha[i] = 1;
        }
    }

    private float full(int channel, int pixel) {
        float lit = base[channel][pixel] * light[channel][pixel] * shadow[channel][pixel];
        return lit * (1 - haze[3][pixel]) + haze[channel][pixel];
    }

    /** The full picture and all passes as layers beside it: linear, premultiplied. */
    Drawing linear() {
        Map<String, float[]> channels = new LinkedHashMap<>();
        String[] names = {"R", "G", "B"};
        for (int c = 0; c < names.length; c++) {
            float[] values = new float[alpha.length];
            for (int i = 0; i < values.length; i++) {
                values[i] = full(c, i);
            }
            channels.put(names[c], values);
        }
        channels.put("A", alpha);
        for (RenderPass pass : RenderPass.values()) {
            for (int c = 0; c < of(pass).length; c++) {
                channels.put(pass.channel(c), of(pass)[c]);
            }
        }
        return new Drawing(size.width(), size.height(), channels);
    }

    /** The full picture as a display shows it, with straight alpha if there are places where nothing is. */
    Drawing displayed() {
        Map<String, float[]> channels = new LinkedHashMap<>();
        String[] names = {"R", "G", "B"};
        boolean transparent = false;
        for (float a : alpha) {
            transparent |= a < 1;
        }
        for (int c = 0; c < names.length; c++) {
            float[] values = new float[alpha.length];
            for (int i = 0; i < values.length; i++) {
                values[i] = alpha[i] == 0 ? 0 : coded(full(c, i) / alpha[i]);
            }
            channels.put(names[c], values);
        }
        if (transparent) {
            channels.put("A", alpha);
        }
        return new Drawing(size.width(), size.height(), channels);
    }

    /** One pass by itself: coded for a display, but for depth, of which near is bright. */
    Drawing displayed(RenderPass pass) {
        float[][] values = of(pass);
        Map<String, float[]> channels = new LinkedHashMap<>();
        String[] names = {"R", "G", "B"};
        for (int c = 0; c < names.length; c++) {
            float[] from = values[Math.min(c, pass == RenderPass.DEPTH ? 0 : c)];
            float[] coded = new float[from.length];
            for (int i = 0; i < coded.length; i++) {
                coded[i] = pass == RenderPass.DEPTH ? (float) Math.exp(-from[i] / 60) : coded(from[i]);
            }
            channels.put(names[c], coded);
        }
        if (pass == RenderPass.HAZE) {
            channels.put("A", values[3]);
        }
        return new Drawing(size.width(), size.height(), channels);
    }

    /** Between two places of the table. */
    private static float coded(float linear) {
        float at = Math.clamp(linear, 0, 1) * STEPS;
        int below = Math.min(STEPS - 1, (int) at);
        return CODED[below] + (CODED[below + 1] - CODED[below]) * (at - below);
    }

    private static float[] curve() {
        float[] curve = new float[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            curve[i] = (float) DisplayCurve.coded((double) i / STEPS);
        }
        return curve;
    }
}
