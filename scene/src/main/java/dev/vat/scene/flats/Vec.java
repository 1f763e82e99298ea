package dev.vat.scene.flats;

/** A point or a direction at Marram Flats, in metres: x along the shore, y up, z inland. */
record Vec(double x, double y, double z) {

    static final Vec UP = new Vec(0, 1, 0);

    static Vec of(double x, double y, double z) {
        return new Vec(x, y, z);
    }

    Vec plus(Vec o) {
        return new Vec(x + o.x, y + o.y, z + o.z);
    }

    Vec minus(Vec o) {
        return new Vec(x - o.x, y - o.y, z - o.z);
    }

    Vec times(double s) {
        return new Vec(x * s, y * s, z * s);
    }

    double dot(Vec o) {
        return x * o.x + y * o.y + z * o.z;
    }

    Vec cross(Vec o) {
        return new Vec(y * o.z - z * o.y, z * o.x - x * o.z, x * o.y - y * o.x);
    }

    Vec unit() {
        return times(1 / Math.sqrt(dot(this)));
    }

    Vec towards(Vec other, double share) {
        return plus(other.minus(this).times(share));
    }
}
