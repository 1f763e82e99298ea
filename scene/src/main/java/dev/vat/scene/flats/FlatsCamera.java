package dev.vat.scene.flats;

import dev.vat.core.words.Words;
import java.util.Arrays;

/** The cameras at Marram Flats, each with keys in a stretch of the timeline of its own; outside of it they stand still. */
public enum FlatsCamera {
    PIER("pier", Words.of(FlatsCamera.class).say("fromThePier"), 1, 184, 0) {
        @Override
        Viewpoint at(double share) {
            double s = eased(share);
            return Viewpoint.of(Vec.of(-2 + 6 * s, 3.4 + .5 * StrictMath.sin(s * 3), -6 + 7 * s), Vec.of(1.5 + 2 * s, 9.5, 45), 38);
        }
    },
    TOWER("tower", Words.of(FlatsCamera.class).say("roundTheTower"), 170, 320, 0) {
        @Override
        Viewpoint at(double share) {
            double turn = .72 + .34 * eased(share);
            return Viewpoint.of(Vec.of(-8 + 27 * StrictMath.sin(turn), 8.5, 45 + 27 * StrictMath.cos(turn)), Vec.of(-11, 10.5, 43), 40);
        }
    },
    SAND("sand", Words.of(FlatsCamera.class).say("lowOverTheSand"), 300, 470, 200) {
        @Override
        Viewpoint at(double share) {
            double s = eased(share);
            return Viewpoint.of(Vec.of(28 + 4 * s, 3.1 - .3 * s, 8 + 1.5 * s), Vec.of(52, 3.6, 20), 36);
        }
    };

    private final String id;
    private final String title;
    private final int first;
    private final int last;
    private final int leadIn;

    FlatsCamera(String id, String title, int first, int last, int leadIn) {
        this.id = id;
        this.title = title;
        this.first = first;
        this.last = last;
        this.leadIn = leadIn;
    }

    public static FlatsCamera parse(String id) {
        return Arrays.stream(values()).filter(c -> c.id.equals(id)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException(Words.of(FlatsCamera.class).say("thereIsNoCamera", id)));
    }

    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    /** The frame of its first key. */
    public int first() {
        return first;
    }

    /** The frame of its last key; what it sees moves no longer either. */
    public int last() {
        return last;
    }

    /** Frames that have to be run before its first one, so that the sand has settled. */
    public int leadIn() {
        return leadIn;
    }

    abstract Viewpoint at(double share);

    Viewpoint view(int frame) {
        return at(keyed(frame, first, last));
    }

    /** How far between two keys a frame is, from 0 to 1; before and behind them everything holds. */
    static double keyed(int frame, int first, int last) {
        return (double) (Math.clamp(frame, first, last) - first) / (last - first);
    }

    private static double eased(double share) {
        return share * share * (3 - 2 * share);
    }
}
