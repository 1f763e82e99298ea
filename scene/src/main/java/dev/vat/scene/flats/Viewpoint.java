package dev.vat.scene.flats;

/**
 * From where and how far something is seen.
 *
 * @param tall how many metres of what is one metre away the picture's height covers
 */
record Viewpoint(Vec eye, Vec right, Vec up, Vec ahead, double tall) {

    static Viewpoint of(Vec eye, Vec target, double degrees) {
        Vec ahead = target.minus(eye).unit();
        Vec right = Vec.UP.cross(ahead).unit();
        return new Viewpoint(eye, right, ahead.cross(right), ahead, 2 * StrictMath.tan(StrictMath.toRadians(degrees) / 2));
    }

    /** The same point as this view has it: x to the right, y up, z ahead. */
    Vec seen(Vec point) {
        Vec from = point.minus(eye);
        return new Vec(from.dot(right), from.dot(up), from.dot(ahead));
    }

    /** Pixels from the left, for something seen. */
    double across(Vec seen, int width, int height) {
        return width / 2.0 + seen.x() / seen.z() / tall * height;
    }

    double down(Vec seen, int height) {
        return height / 2.0 - seen.y() / seen.z() / tall * height;
    }

    /** Where something one metre ahead lies that is seen at a place of the picture, from the eye. */
    Vec ray(double across, double down, int width, int height) {
        return ahead.plus(right.times((across - width / 2.0) / height * tall)).plus(up.times((height / 2.0 - down) / height * tall));
    }
}
