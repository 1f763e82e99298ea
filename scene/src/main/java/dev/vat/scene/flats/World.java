package dev.vat.scene.flats;

import java.util.List;

/** Everything that stands and flies at Marram Flats in one frame. */
final class World {

    /** Where the sun stands, as a direction. */
    static final Vec SUN = new Vec(.6, .5, -.62).unit();

    /** The lamp on the tower: the one thing of its colour, by which a picture tells where it was taken from. */
    static final Vec LAMP = new Vec(-8, 17.6, 45);

    private static final Paint WALL = Paint.of(.58, .5, .42);
    private static final Paint ROOF = Paint.of(.3, .09, .06);
    private static final Paint WOOD = Paint.of(.24, .17, .11);
    private static final Paint BRASS = Paint.of(.6, .42, .1);
    private static final Paint GLOW = Paint.glowing(.9, .02, .62);
    private static final Paint LIGHT_MARK = Paint.glowing(.9, .8, .05);
    /** Frames on which a bell is struck: those of the first side face the pier. */
    private static final int[] FIRST_BELL = {50, 125};
    private static final int[] SECOND_BELL = {215, 270};
    private static final int WIND_DROPS = FlatsCamera.SAND.last();

    private static final List<FlownKite> KITES = List.of(
            new FlownKite(FlatsCamera.PIER, Vec.of(8, 15, 34), Vec.of(3, 2.2, 20), 2.6, Paint.of(.62, .05, .05), Paint.of(.85, .66, .16)),
            new FlownKite(FlatsCamera.TOWER, Vec.of(-36, 16, 16), Vec.of(-30, 2, 24), 3.4, Paint.of(.04, .14, .42), Paint.of(.78, .76, .6)),
            new FlownKite(FlatsCamera.SAND, Vec.of(54, 8.4, 22), Vec.of(49, 2, 18), 1.5, Paint.of(.7, .3, .04), Paint.of(.2, .06, .3)));

    private World() {}

    static Things of(SceneLook look) {
        Things things = new Things();
        Terrain ground = new Terrain(look.frame(), look.run());
        ground.into(things);
        ground.drift(things, Math.min(look.frame(), WIND_DROPS) / 25.0);
        pier(things);
        tower(things, look.frame());
        KITES.forEach(kite -> kite.into(things, look.frame(), look.take(), look));
        if (look.draws(ObjectClass.LIGHTS)) {
            Vec lamp = Vec.of(20, 22, 30);
            things.ring(lamp, 1.6, new Vec(1, 0, 0), Vec.UP, 1.2, LIGHT_MARK);
            things.ring(lamp, 1.6, new Vec(0, 0, 1), Vec.UP, 1.2, LIGHT_MARK);
            things.line(lamp, lamp.minus(SUN.times(7)), 1.2, LIGHT_MARK);
            things.ring(LAMP, 2, new Vec(1, 0, 0), new Vec(0, 0, 1), 1.2, LIGHT_MARK);
        }
        return things;
    }

    private static void pier(Things things) {
        things.box(Vec.of(5, 1.7, -14), Vec.of(9, 2, 18), WOOD);
        for (int i = 0; i < 7; i++) {
            double z = -13 + i * 5;
            things.box(Vec.of(5.2, -2, z), Vec.of(5.6, 1.7, z + .4), WOOD);
            things.box(Vec.of(8.4, -2, z), Vec.of(8.8, 3, z + .4), WOOD);
            things.line(Vec.of(8.6, 3, z + .2), Vec.of(8.6, 3, Math.min(18, z + 5.2)), 1.4, Paint.glowing(.12, .09, .06));
        }
    }

    private static void tower(Things things, int frame) {
        things.box(Vec.of(-10.5, 0, 42.5), Vec.of(-5.5, 11, 47.5), WALL);
        for (int i = 0; i < 4; i++) {
            double x = i % 2 == 0 ? -10.5 : -6.2;
            double z = i < 2 ? 42.5 : 46.8;
            things.box(Vec.of(x, 11, z), Vec.of(x + .7, 14.4, z + .7), WALL);
        }
        things.box(Vec.of(-10.5, 11, 44.9), Vec.of(-5.5, 14.4, 45.1), WALL);
        Vec peak = Vec.of(-8, 17.4, 45);
        Vec[] eaves = {Vec.of(-11, 14.4, 42), Vec.of(-5, 14.4, 42), Vec.of(-5, 14.4, 48), Vec.of(-11, 14.4, 48)};
        for (int i = 0; i < eaves.length; i++) {
            things.face(eaves[i], peak, eaves[(i + 1) % eaves.length], ROOF);
        }
        things.box(LAMP.minus(Vec.of(.35, .3, .35)), LAMP.plus(Vec.of(.35, .4, .35)), GLOW);
        bell(things, 43.7, swing(frame, FIRST_BELL));
        bell(things, 46.3, swing(frame, SECOND_BELL));
    }

    private static void bell(Things things, double z, double swing) {
        Vec hook = Vec.of(-8, 14.2, z);
        Vec down = new Vec(StrictMath.sin(swing), -StrictMath.cos(swing), 0);
        Vec across = new Vec(StrictMath.cos(swing), StrictMath.sin(swing), 0);
        Vec top = hook.plus(down.times(.5));
        Vec rim = hook.plus(down.times(2.3));
        things.quad(top.plus(across.times(-.35)), top.plus(across.times(.35)), rim.plus(across.times(1)), rim.plus(across.times(-1)),
                BRASS);
        things.line(hook, top, 2, Paint.glowing(.1, .1, .1));
    }

    /** It swings out within two seconds of a stroke. */
    private static double swing(int frame, int[] strokes) {
        double swing = 0;
        for (int stroke : strokes) {
            double seconds = (frame - stroke) / 25.0;
            if (seconds >= 0 && seconds < 2) {
                swing += .55 * StrictMath.sin(seconds * 9) * (1 - seconds / 2);
            }
        }
        return swing;
    }
}
