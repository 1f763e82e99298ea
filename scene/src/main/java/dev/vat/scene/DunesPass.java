package dev.vat.scene;

import java.util.Locale;
import java.util.Map;

/** Passes of shot 010, small: what a compositor would get beside the picture. Grey but for the colour. */
public enum DunesPass {
    COLOUR, SHADOW, HAZE, DEPTH, MATTE;

    public static final int FRAMES = 12;

    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @param frame from 0 */
    public Drawing draw(int frame, int width, int height) {
        Drawing whole = Shot.DUNES.draw(frame * 8, width, height);
        if (this == COLOUR) {
            return whole;
        }
        float[] grey = new float[width * height];
        float[] blue = whole.channel("B");
        float[] green = whole.channel("G");
        for (int i = 0; i < grey.length; i++) {
            float down = (float) (i / width) / height;
            boolean grass = down > .6f && blue[i] < green[i] * .7f;
            grey[i] = switch (this) {
                case SHADOW -> down > .62f ? 1 - Math.min(1, green[i] * 2) : 0;
                case HAZE -> Math.max(0, 1 - Math.abs(down - .68f) * 4);
                case DEPTH -> down < .66f ? 1 : Math.max(0, (1 - down) * 2.4f);
                default -> grass ? 1 : 0;
            };
        }
        return new Drawing(width, height, Map.of("R", grey, "G", grey, "B", grey));
    }
}
