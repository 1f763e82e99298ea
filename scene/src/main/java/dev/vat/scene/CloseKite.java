package dev.vat.scene;

/** Shot 020. */
final class CloseKite {

    private static final float[] COLOUR = {.80f, .24f, .18f, .96f, .86f, .52f};

    private CloseKite() {}

    static Drawing draw(int frame, int width, int height) {
        Canvas canvas = new Canvas(width, height);
        double time = frame / 25.0;
        for (int y = 0; y < height; y++) {
            float v = (float) y / height;
            for (int x = 0; x < width; x++) {
                float u = (float) x / width;
                float cloud = (float) (.05 * Math.sin(u * 7 + time * .8 + 3 * Math.sin(v * 5)) * (1 - v));
                canvas.set(x, y, .42f + .32f * v + cloud, .50f + .18f * v + cloud, .66f - .04f * v + cloud);
            }
        }
        double sway = time * 1.6;
        Kite.draw(canvas, width * (.52 + .09 * Math.sin(sway)), height * (.40 + .06 * Math.sin(sway * 1.4)), height * .25,
                .22 * Math.sin(sway * 1.2), time * 7, COLOUR, new double[] {width * .2, height * 1.1});
        return new Drawing(width, height, canvas.colour());
    }
}
