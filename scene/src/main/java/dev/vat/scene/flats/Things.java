package dev.vat.scene.flats;

import java.util.ArrayList;
import java.util.List;

/** Faces and strokes that a picture is drawn from, and the few shapes that they are put together to. */
final class Things {

    /** A face, seen from both sides. */
    record Face(Vec a, Vec b, Vec c, Vec normal, Paint paint) {}

    /** A line. @param thick in pixels of a picture of 540 rows */
    record Stroke(Vec from, Vec to, double thick, Paint paint) {}

    final List<Face> faces = new ArrayList<>();
    final List<Stroke> strokes = new ArrayList<>();

    void face(Vec a, Vec b, Vec c, Paint paint) {
        faces.add(new Face(a, b, c, b.minus(a).cross(c.minus(a)).unit(), paint));
    }

    void quad(Vec a, Vec b, Vec c, Vec d, Paint paint) {
        face(a, b, c, paint);
        face(a, c, d, paint);
    }

    void line(Vec from, Vec to, double thick, Paint paint) {
        strokes.add(new Stroke(from, to, thick, paint));
    }

    /** Along the axes, from its lowest to its highest corner. */
    void box(Vec low, Vec high, Paint paint) {
        Vec[] c = corners(low, high);
        quad(c[0], c[1], c[3], c[2], paint);
        quad(c[4], c[5], c[7], c[6], paint);
        quad(c[0], c[1], c[5], c[4], paint);
        quad(c[2], c[3], c[7], c[6], paint);
        quad(c[0], c[2], c[6], c[4], paint);
        quad(c[1], c[3], c[7], c[5], paint);
    }

    /** The twelve edges of a box. */
    void outline(Vec low, Vec high, double thick, Paint paint) {
        Vec[] c = corners(low, high);
        for (int i = 0; i < c.length; i++) {
            for (int bit = 1; bit < c.length; bit *= 2) {
                if ((i & bit) == 0) {
                    line(c[i], c[i | bit], thick, paint);
                }
            }
        }
    }

    void ring(Vec middle, double radius, Vec across, Vec up, double thick, Paint paint) {
        Vec last = middle.plus(across.times(radius));
        for (int i = 1; i <= 24; i++) {
            double turn = i * Math.PI / 12;
            Vec next = middle.plus(across.times(radius * StrictMath.cos(turn))).plus(up.times(radius * StrictMath.sin(turn)));
            line(last, next, thick, paint);
            last = next;
        }
    }

    private static Vec[] corners(Vec low, Vec high) {
        Vec[] all = new Vec[8];
        for (int i = 0; i < all.length; i++) {
            all[i] = new Vec((i & 1) == 0 ? low.x() : high.x(), (i & 2) == 0 ? low.y() : high.y(), (i & 4) == 0 ? low.z() : high.z());
        }
        return all;
    }
}
