package dev.vat.scene.flats;

import dev.vat.core.picture.Size;
import dev.vat.scene.Drawing;
import dev.vat.scene.FrameMark;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** The passes of one picture, in linear light, and the full picture that comes of them. */
final class Layers {

    private final Size size;
    private final Map<Pass, float[][]> passes = new LinkedHashMap<>();
    private final float[] alpha;

    Layers(Size size) {
        this.size = size;
        int pixels = size.width() * size.height();
        for (Pass pass : Pass.values()) {
            passes.put(pass, new float[pass.channels().size()][pixels]);
        }
        alpha = new float[pixels];
    }

    void put(int pixel, Shader.Sum sum, int samples) {
        double covered = Math.max(1, sum.covered);
        for (int c = 0; c < 3; c++) {
            passes.get(Pass.BASE)[c][pixel] = (float) (sum.base[c] / samples);
            // What falls onto nothing changes nothing.
            passes.get(Pass.LIGHT)[c][pixel] = sum.covered == 0 ? 1 : (float) (sum.light[c] / covered);
            passes.get(Pass.SHADOW)[c][pixel] = sum.covered == 0 ? 1 : (float) (sum.shadow / covered);
            passes.get(Pass.HAZE)[c][pixel] = (float) (sum.haze[c] / samples);
            passes.get(Pass.MATTE)[c][pixel] = (float) (sum.matte / samples);
        }
        passes.get(Pass.HAZE)[3][pixel] = (float) (sum.hazed / samples);
        passes.get(Pass.DEPTH)[0][pixel] = (float) (sum.depth / samples);
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
                passes.get(Pass.BASE)[c][i] = marked[i];
                passes.get(Pass.LIGHT)[c][i] = 1;
                passes.get(Pass.SHADOW)[c][i] = 1;
                passes.get(Pass.HAZE)[c][i] = 0;
            }
            passes.get(Pass.HAZE)[3][i] = 0;
            alpha[i] = 1;
        }
    }

    private float full(int channel, int pixel) {
        float lit = passes.get(Pass.BASE)[channel][pixel] * passes.get(Pass.LIGHT)[channel][pixel] * passes.get(Pass.SHADOW)[channel][pixel];
        return lit * (1 - passes.get(Pass.HAZE)[3][pixel]) + passes.get(Pass.HAZE)[channel][pixel];
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
        passes.forEach((pass, values) -> {
            for (int c = 0; c < values.length; c++) {
                channels.put(pass.channel(c), values[c]);
            }
        });
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
    Drawing displayed(Pass pass) {
        float[][] values = passes.get(pass);
        Map<String, float[]> channels = new LinkedHashMap<>();
        String[] names = {"R", "G", "B"};
        for (int c = 0; c < names.length; c++) {
            float[] from = values[Math.min(c, pass == Pass.DEPTH ? 0 : c)];
            float[] coded = new float[from.length];
            for (int i = 0; i < coded.length; i++) {
                coded[i] = pass == Pass.DEPTH ? (float) Math.exp(-from[i] / 60) : coded(from[i]);
            }
            channels.put(names[c], coded);
        }
        if (pass == Pass.HAZE) {
            channels.put("A", values[3]);
        }
        return new Drawing(size.width(), size.height(), channels);
    }

    /** IEC 61966-2-1. */
    private static float coded(float linear) {
        double v = Math.clamp(linear, 0, 1);
        return (float) (v <= .0031308 ? 12.92 * v : 1.055 * Math.pow(v, 1 / 2.4) - .055);
    }
}
