package dev.vat.scene;

/** Shot 010. */
final class Dunes {

    private static final float[][] COLOURS = {
        {.78f, .22f, .18f, .95f, .83f, .45f}, {.16f, .36f, .60f, .90f, .88f, .80f}, {.85f, .55f, .15f, .35f, .18f, .38f},
    };

    private Dunes() {}

    static Drawing draw(int frame, int width, int height) {
        Canvas canvas = new Canvas(width, height);
        double time = frame / 25.0;
        double[] far = new double[width];
        double[] near = new double[width];
        for (int x = 0; x < width; x++) {
            double u = (double) x / width;
            far[x] = height * (.66 + .035 * Math.sin(u * 5 + .6) + .02 * Math.sin(u * 13 + 2));
            near[x] = height * (.79 + .06 * Math.sin(u * 3.1 + 2.4 + time * .012) + .015 * Math.sin(u * 17 + 1));
        }
        for (int y = 0; y < height; y++) {
            double v = (double) y / height;
            for (int x = 0; x < width; x++) {
                if (y < far[x]) {
                    sky(canvas, x, y, v, time);
                } else if (y < near[x]) {
                    float light = (float) (.36 + .10 * Math.sin((x + y * 2.0) / width * 9));
                    canvas.set(x, y, light * 1.05f, light * .86f, light * .78f);
                } else {
                    grass(canvas, x, y, near[x], time);
                }
            }
        }
        for (int k = 0; k < COLOURS.length; k++) {
            double sway = time * (.7 + .13 * k) + k * 2;
            double x = width * (.22 + .27 * k + .05 * Math.sin(sway));
            double y = height * (.24 + .07 * k + .045 * Math.sin(sway * 1.7));
            Kite.draw(canvas, x, y, height * (.085 - .017 * k), .25 * Math.sin(sway * 1.3), time * 6 + k, COLOURS[k],
                    new double[] {width * (.34 + .17 * k), height * .86});
        }
        return new Drawing(width, height, canvas.colour());
    }

    private static void sky(Canvas canvas, int x, int y, double v, double time) {
        double u = (double) x / canvas.width;
        double height = v / .7;
        double sun = Math.exp(-(Math.pow((u - .71 - time * .002) * 1.8, 2) + Math.pow((height - .86) * 1.5, 2)) * 9);
        canvas.set(x, y, (float) (.20 + .48 * height + .36 * sun), (float) (.27 + .22 * height + .30 * sun),
                (float) (.47 - .05 * height + .08 * sun));
    }

    /** Blades that lean with the wind; fine enough to be hard on any codec. */
    private static void grass(Canvas canvas, int x, int y, double edge, double time) {
        double depth = (y - edge) / canvas.height;
        double lean = Math.sin(time * 2.1 + x * .013) * 3 * (1 - Math.min(1, depth * 4));
        float blade = Canvas.noise((int) (x + lean), y / 5, 7);
        float fine = Canvas.noise((int) (x * 2 + lean * 2), y / 2, 3);
        float light = (float) (.20 + .26 * blade * (1 - depth) + .14 * fine);
        canvas.set(x, y, light * .98f, light * .95f, light * .55f);
    }
}
