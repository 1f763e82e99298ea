package dev.vat.scene.flats;

import dev.vat.core.picture.Size;

/** Works out all passes of a picture from what lies at its samples. */
final class Shader {

    /** Samples across and down a pixel. */
    private static final int SAMPLES = 2;
    private static final double ROWS = 540;
    private static final double[] SKY_LIGHT = {.34, .37, .46};
    private static final double[] SUN_LIGHT = {.62, .53, .38};
    private static final double[] HAZE = {.52, .42, .38};
    private static final double HAZE_REACH = 210;
    private static final double DARKEST = .42;
    private static final double FARTHEST = 1000;
    private static final Paint PAPER = Paint.glowing(.46, .46, .46);
    private static final Paint INK = Paint.glowing(.03, .03, .03);

    private final SceneLook look;
    private final Viewpoint view;
    private final int width;
    private final int height;
    private final Things things;
    private final Raster raster;
    private final Shade shade;
    private final Layers layers;

    Shader(SceneLook look) {
        this.look = look;
        Size size = look.size();
        this.width = size.width() * SAMPLES;
        this.height = size.height() * SAMPLES;
        this.view = look.camera().view(look.frame());
        this.things = World.of(look);
        this.raster = new Raster(width, height);
        this.shade = look.shading() == Shading.SHADOWED ? new Shade(look.camera(), things) : null;
        this.layers = new Layers(size);
    }

    Layers draw() {
        Projection projection = new Projection(view, raster);
        int id = 0;
        for (Things.Face face : things.faces) {
            projection.face(face, id++);
        }
        double scale = SAMPLES * look.size().height() / ROWS;
        for (Things.Stroke stroke : things.strokes) {
            projection.line(stroke.from(), stroke.to(), stroke.thick() * scale, id++);
        }
        if (look.shading() == Shading.LINES) {
            for (Things.Face face : things.faces) {
                projection.line(face.a(), face.b(), scale * .8, id);
                projection.line(face.b(), face.c(), scale * .8, id);
            }
        }
        for (int y = 0; y < look.size().height(); y++) {
            for (int x = 0; x < look.size().width(); x++) {
                pixel(x, y);
            }
        }
        return layers;
    }

    /** Where one thing alone is seen, its middle is worked out for all samples: nearness changes evenly. */
    private void pixel(int x, int y) {
        Sum sum = new Sum();
        int first = y * SAMPLES * width + x * SAMPLES;
        int id = raster.thing[first];
        boolean same = raster.thing[first + 1] == id && raster.thing[first + width] == id && raster.thing[first + width + 1] == id;
        if (same) {
            double near = (raster.nearness[first] + raster.nearness[first + 1] + raster.nearness[first + width]
                    + raster.nearness[first + width + 1]) / (SAMPLES * SAMPLES);
            sample((x + .5) * SAMPLES, (y + .5) * SAMPLES, id, near, sum);
            layers.put(y * look.size().width() + x, sum, 1);
            return;
        }
        for (int s = 0; s < SAMPLES * SAMPLES; s++) {
            int at = first + s / SAMPLES * width + s % SAMPLES;
            sample(x * SAMPLES + s % SAMPLES + .5, y * SAMPLES + s / SAMPLES + .5, raster.thing[at], raster.nearness[at], sum);
        }
        layers.put(y * look.size().width() + x, sum, SAMPLES * SAMPLES);
    }

    /** All samples of one pixel, added up. */
    static final class Sum {
        double covered;
        final double[] base = new double[3];
        final double[] light = new double[3];
        double shadow;
        final double[] haze = new double[3];
        double hazed;
        double depth;
        double matte;
    }

    /** @param x samples from the left */
    private void sample(double x, double y, int id, double nearness, Sum sum) {
        Vec ray = view.ray(x, y, width, height);
        if (id == Raster.NOTHING) {
            if (look.draws(ObjectClass.BACKDROP)) {
                sky(ray, sum);
            }
            sum.depth += FARTHEST;
            return;
        }
        double distance = 1 / nearness;
        Vec point = view.eye().plus(ray.times(distance));
        Things.Face face = id < things.faces.size() ? things.faces.get(id) : null;
        Paint paint = paint(id, face);
        sum.covered++;
        sum.depth += distance;
        sum.matte += paint.matte() ? 1 : 0;
        double rippled = paint.rippled() && look.shading() != Shading.LINES
                ? 1 + .16 * Math.max(0, 1 - distance / 45) * Math.sin(point.x() * 5 + 2 * Math.sin(point.z() * .9)) : 1;
        sum.base[0] += paint.r() * rippled;
        sum.base[1] += paint.g() * rippled;
        sum.base[2] += paint.b() * rippled;
        boolean lit = paint.lit() && face != null && look.shading().ordinal() >= Shading.LIT.ordinal();
        double facing = lit ? Math.max(0, towardsEye(face, ray).dot(World.SUN)) : 0;
        for (int c = 0; c < 3; c++) {
            sum.light[c] += lit ? SKY_LIGHT[c] + SUN_LIGHT[c] * facing : 1;
        }
        sum.shadow += lit && shade != null ? DARKEST + (1 - DARKEST) * shade.at(point) : 1;
        if (look.shading() == Shading.SHADOWED) {
            double hazed = 1 - Math.exp(-distance / HAZE_REACH);
            sum.hazed += hazed;
            for (int c = 0; c < 3; c++) {
                sum.haze[c] += HAZE[c] * hazed;
            }
        }
    }

    private Paint paint(int id, Things.Face face) {
        boolean lines = look.shading() == Shading.LINES;
        if (face != null) {
            return lines ? PAPER : face.paint();
        }
        int stroke = id - things.faces.size();
        return stroke < things.strokes.size() ? things.strokes.get(stroke).paint() : INK;
    }

    private static Vec towardsEye(Things.Face face, Vec ray) {
        return face.normal().dot(ray) > 0 ? face.normal().times(-1) : face.normal();
    }

    private void sky(Vec ray, Sum sum) {
        double up = Math.clamp(ray.unit().y() * 1.6 + .08, 0, 1);
        boolean lines = look.shading() == Shading.LINES;
        sum.covered++;
        sum.base[0] += lines ? .62 : .60 - .46 * up;
        sum.base[1] += lines ? .62 : .43 - .20 * up;
        sum.base[2] += lines ? .62 : .34 + .08 * up;
        for (int c = 0; c < 3; c++) {
            sum.light[c]++;
        }
        sum.shadow++;
    }
}
