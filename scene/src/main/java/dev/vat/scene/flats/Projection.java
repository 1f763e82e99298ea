package dev.vat.scene.flats;

/** Faces and lines as a view has them, cut off right before the eye. */
record Projection(Viewpoint view, Raster raster) {

    private static final double NEAREST = .2;

    void face(Things.Face face, int id) {
        Vec[] seen = {view.seen(face.a()), view.seen(face.b()), view.seen(face.c())};
        Vec[] kept = new Vec[4];
        int count = 0;
        for (int i = 0; i < seen.length; i++) {
            Vec from = seen[i];
            Vec to = seen[(i + 1) % seen.length];
            if (from.z() >= NEAREST) {
                kept[count++] = from;
            }
            if (from.z() >= NEAREST != to.z() >= NEAREST) {
                kept[count++] = cut(from, to);
            }
        }
        for (int i = 2; i < count; i++) {
            raster.triangle(corner(kept[0]), corner(kept[i - 1]), corner(kept[i]), id);
        }
    }

    /** @param thick in samples */
    void line(Vec start, Vec end, double thick, int id) {
        Vec from = view.seen(start);
        Vec to = view.seen(end);
        if (from.z() < NEAREST && to.z() < NEAREST) {
            return;
        }
        Vec a = from.z() < NEAREST ? cut(from, to) : from;
        Vec b = to.z() < NEAREST ? cut(from, to) : to;
        raster.line(corner(a), corner(b), thick, id);
    }

    private static Vec cut(Vec from, Vec to) {
        return from.towards(to, (NEAREST - from.z()) / (to.z() - from.z()));
    }

    private Raster.Corner corner(Vec seen) {
        return new Raster.Corner(view.across(seen, raster.width, raster.height), view.down(seen, raster.height), 1 / seen.z());
    }
}
