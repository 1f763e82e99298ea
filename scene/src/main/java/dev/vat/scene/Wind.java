package dev.vat.scene;

/** The sound of Kite Week: wind over the dunes, and three bells on known frames at 25 a second. */
public final class Wind {

    public static final int RATE = 48_000;
    public static final int SECONDS = 10;
    private static final int[] BELLS = {50, 125, 200};

    private Wind() {}

    /** Frames at 25 a second, from 0, on which a bell is struck. */
    public static int[] bells() {
        return BELLS.clone();
    }

    /** Samples from -1 to 1, one channel, always the same. */
    public static float[] samples() {
        float[] sound = new float[RATE * SECONDS];
        float low = 0;
        for (int i = 0; i < sound.length; i++) {
            float white = Canvas.noise(i, 1, 11) * 2 - 1;
            low += (white - low) * .04f;
            double gust = .35 + .25 * Math.sin(i * 2 * Math.PI / (RATE * 3.7)) + .12 * Math.sin(i * 2 * Math.PI / (RATE * 1.3));
            sound[i] = (float) (low * gust);
        }
        for (int frame : BELLS) {
            int start = frame * RATE / 25;
            for (int i = 0; i < RATE * 2 && start + i < sound.length; i++) {
                double time = (double) i / RATE;
                double bell = Math.sin(2 * Math.PI * 660 * time) + .5 * Math.sin(2 * Math.PI * 1580 * time)
                        + .25 * Math.sin(2 * Math.PI * 2730 * time);
                sound[start + i] += (float) (.28 * bell * Math.exp(-2.6 * time));
            }
        }
        return sound;
    }
}
