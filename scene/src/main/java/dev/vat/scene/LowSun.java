package dev.vat.scene;

import java.util.LinkedHashMap;
import java.util.Map;

/** The low sun over wet sand, in linear light; the passes sun, haze and sand add up to the full picture. */
final class LowSun {

    private LowSun() {}

    static Drawing draw(int frame, int width, int height) {
        String[] passes = {"sun", "haze", "sand"};
        Map<String, float[]> channels = new LinkedHashMap<>();
        for (String channel : new String[] {"R", "G", "B"}) {
            channels.put(channel, new float[width * height]);
            for (String pass : passes) {
                channels.put(pass + "." + channel, new float[width * height]);
            }
        }
        double time = frame / 25.0;
        double sunX = width * (.46 + .02 * time);
        double sunY = height * (.50 + .012 * time);
        double radius = height * .07;
        double horizon = height * .62;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                boolean sky = y < horizon;
                double distance = Math.hypot(x - sunX, (sky ? y : 2 * horizon - y) - sunY);
                double disc = Math.clamp(radius - distance + .5, 0, 1) * (sky ? 6.5 : .8);
                double halo = .9 * Math.exp(-distance / (height * .16));
                double haze = .06 + .22 * Math.exp(-Math.abs(y - horizon) / (height * .12));
                double ripple = sky ? 0 : .05 + .035 * Math.sin(y * .35 + Math.sin(x * .02 + time * 2) * 3);
                put(channels, "sun", i, (disc + halo) * 1.0, (disc + halo) * .62, (disc + halo * .6) * .26);
                put(channels, "haze", i, haze * .60, haze * .52, haze * .62);
                put(channels, "sand", i, ripple * .9, ripple * .7, ripple * .5);
            }
        }
        return new Drawing(width, height, channels);
    }

    private static void put(Map<String, float[]> channels, String pass, int i, double r, double g, double b) {
        double[] values = {r, g, b};
        String[] names = {"R", "G", "B"};
        for (int c = 0; c < 3; c++) {
            channels.get(pass + "." + names[c])[i] = (float) values[c];
            channels.get(names[c])[i] += (float) values[c];
        }
    }
}
