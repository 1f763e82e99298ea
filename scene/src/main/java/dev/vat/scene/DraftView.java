package dev.vat.scene;

/** A quick look at shot 010 as a working view shows it: flat colours, outlines, and guide lines that nobody wants in the film. */
public final class DraftView {

    private static final float GUIDE = .74f;

    private DraftView() {}

    /** @param frame from 0 */
    public static Drawing draw(int frame, int width, int height) {
        Canvas canvas = new Canvas(width, height);
        double time = frame / 25.0;
        for (int y = 0; y < height; y++) {
            boolean ground = y > height * .7;
            for (int x = 0; x < width; x++) {
                float grey = ground ? .42f : .56f;
                canvas.set(x, y, grey, grey, grey);
            }
        }
        for (int i = 0; i <= 12; i++) {
            double foot = width * (i / 12.0 * 2.4 - .7);
            canvas.line(width / 2.0, height * .7, foot, height, .8, .34f, .34f, .34f);
        }
        for (int i = 1; i <= 4; i++) {
            double level = height * (.7 + .3 * i * i / 16);
            canvas.line(0, level, width, level, .8, .34f, .34f, .34f);
        }
        for (int k = 0; k < 3; k++) {
            double sway = time * (.7 + .13 * k) + k * 2;
            double x = width * (.22 + .27 * k + .05 * Math.sin(sway));
            double y = height * (.24 + .07 * k + .045 * Math.sin(sway * 1.7));
            double tall = height * (.085 - .017 * k);
            canvas.fill(new double[] {x, x + tall * .6, x, x - tall * .6}, new double[] {y - tall, y - tall * .2, y + tall, y - tall * .2},
                    .70f, .70f, .70f);
            canvas.line(x, y, width * (.34 + .17 * k), height * .86, 1, .22f, .22f, .22f);
        }
        canvas.line(width / 3.0, 0, width / 3.0, height, .7, GUIDE, GUIDE, GUIDE);
        canvas.line(width * 2 / 3.0, 0, width * 2 / 3.0, height, .7, GUIDE, GUIDE, GUIDE);
        canvas.line(0, height / 3.0, width, height / 3.0, .7, GUIDE, GUIDE, GUIDE);
        canvas.line(0, height * 2 / 3.0, width, height * 2 / 3.0, .7, GUIDE, GUIDE, GUIDE);
        return new Drawing(width, height, canvas.colour());
    }
}
