package dev.vat.scene.flats;

/**
 * A kite, flown while its camera looks; before and behind its keys it hangs still.
 *
 * @param home around which it flies
 * @param foot where its string is held
 */
record FlownKite(FlatsCamera by, Vec home, Vec foot, double size, Paint one, Paint other) {

    private static final Paint BOX = Paint.glowing(.95, .35, .02);
    private static final Paint PATH = Paint.glowing(.02, .45, .75);

    /** Where it is. @param take another take flies another way @param share of its keys, from 0 to 1 */
    private Vec at(double share, int take) {
        double t = share * 6.3;
        double wide = size * (1.6 + .5 * (take - 1));
        return home.plus(
                Vec.of(wide * StrictMath.sin(t * 1.1), .7 * wide * StrictMath.sin(t * 1.9 + take - 1), .5 * wide * StrictMath.sin(t * .7)));
    }

    void into(Things things, int frame, int take, SceneLook look) {
        double share = FlatsCamera.keyed(frame, by.first(), by.last());
        Vec at = at(share, take);
        double lean = .3 * StrictMath.sin(share * 8);
        Vec up = new Vec(StrictMath.sin(lean), StrictMath.cos(lean), .3).unit();
        Vec across = new Vec(StrictMath.cos(lean), -StrictMath.sin(lean), 0);
        Vec top = at.plus(up.times(size));
        Vec end = at.plus(up.times(-1.2 * size));
        Vec left = at.plus(across.times(-.7 * size)).plus(up.times(.25 * size));
        Vec right = at.plus(across.times(.7 * size)).plus(up.times(.25 * size));
        things.face(top, left, end, one.inMatte());
        things.face(top, end, right, other.inMatte());
        Vec tail = end;
        for (int i = 1; i <= 7; i++) {
            Vec next = end.plus(up.times(-.34 * size * i)).plus(across.times(.2 * size * StrictMath.sin(share * 40 + i * .9)));
            things.line(tail, next, 2, Paint.glowing(other.r(), other.g(), other.b()).inMatte());
            tail = next;
        }
        if (look.draws(ObjectClass.STRINGS)) {
            things.line(at, foot, .9, Paint.glowing(.75, .7, .6));
        }
        if (look.draws(ObjectClass.BOXES)) {
            Vec reach = Vec.of(size, 1.3 * size, size);
            things.outline(at.minus(reach), at.plus(reach), 1, BOX);
        }
        if (look.draws(ObjectClass.PATHS)) {
            for (int i = 0; i < 40; i++) {
                things.line(at(i / 40.0, take), at((i + 1) / 40.0, take), 1, PATH);
            }
        }
    }
}
