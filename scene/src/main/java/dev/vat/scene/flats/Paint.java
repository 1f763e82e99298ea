package dev.vat.scene.flats;

/**
 * What a thing is made of.
 *
 * @param r red it gives back, linear, from 0 to 1
 * @param lit whether light and shadow fall on it; a lamp or a mark has its colour anyway
 * @param rippled whether the wind has drawn ripples into it
 * @param matte whether it is one of the things that the matte shows
 */
record Paint(double r, double g, double b, boolean lit, boolean rippled, boolean matte) {

    static Paint of(double r, double g, double b) {
        return new Paint(r, g, b, true, false, false);
    }

    static Paint glowing(double r, double g, double b) {
        return new Paint(r, g, b, false, false, false);
    }

    Paint withRipples() {
        return new Paint(r, g, b, lit, true, matte);
    }

    Paint inMatte() {
        return new Paint(r, g, b, lit, rippled, true);
    }
}
