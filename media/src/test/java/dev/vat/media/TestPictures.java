package dev.vat.media;

import dev.vat.media.encode.ExrWriter;
import dev.vat.media.picture.Samples;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Small pictures with known values. */
public final class TestPictures {

    private TestPictures() {}

    /** A ramp to the right in red, downwards in green, some texture in blue that moves with {@code phase}. */
    public static Samples ramp(int width, int height, int phase, boolean alpha) {
        float[] r = new float[width * height];
        float[] g = r.clone();
        float[] b = r.clone();
        float[] a = alpha ? r.clone() : null;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                r[i] = (float) x / width;
                g[i] = (float) y / height;
                b[i] = ((x * 7 + y * 13 + phase * 5) % 64) / 63f;
                if (alpha) {
                    a[i] = (float) (width - x) / width;
                }
            }
        }
        return new Samples(width, height, r, g, b, a);
    }

    public static Samples flat(int width, int height, float red, float green, float blue, float alpha) {
        float[] r = new float[width * height];
        float[] g = r.clone();
        float[] b = r.clone();
        float[] a = r.clone();
        Arrays.fill(r, red);
        Arrays.fill(g, green);
        Arrays.fill(b, blue);
        Arrays.fill(a, alpha);
        return new Samples(width, height, r, g, b, a);
    }

    public static byte[] exr(Samples s, String layer) {
        Map<String, float[]> channels = new HashMap<>();
        channels.put(layer + "R", s.red());
        channels.put(layer + "G", s.green());
        channels.put(layer + "B", s.blue());
        if (s.alpha() != null) {
            channels.put(layer + "A", s.alpha());
        }
        return ExrWriter.write(s.width(), s.height(), channels);
    }
}
