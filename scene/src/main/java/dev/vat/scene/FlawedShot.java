package dev.vat.scene;

import java.util.HashMap;
import java.util.Map;

/** Shot 010 with pictures as broken renders show them: repeated, torn, with something missing, blank. */
public final class FlawedShot {

    /** Frames from 0 on. */
    public static final int REPEATED = 9;
    public static final int TORN = 19;
    public static final int POP = 28;
    public static final int BLANK = 38;

    private FlawedShot() {}

    /** @param frame from 0 */
    public static Drawing draw(int frame, int width, int height) {
        Drawing whole = Shot.DUNES.draw(frame == REPEATED ? frame - 1 : frame, width, height);
        Drawing before = Shot.DUNES.draw(Math.max(0, frame - 1), width, height);
        Map<String, float[]> channels = new HashMap<>();
        whole.channels().forEach((name, values) -> {
            float[] flawed = values.clone();
            for (int i = 0; i < flawed.length; i++) {
                int x = i % width * 100 / width;
                int y = i / width * 100 / height;
                if (frame == TORN && y < 58) {
                    flawed[i] = before.channel(name)[i];
                } else if (frame == POP && x > 66 && x < 82 && y > 12 && y < 40) {
                    flawed[i] *= .3f;
                } else if (frame == BLANK) {
                    flawed[i] = 0;
                }
            }
            channels.put(name, flawed);
        });
        return new Drawing(width, height, channels);
    }
}
