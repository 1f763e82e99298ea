package dev.vat.desktop.band;

/**
 * What lies on the band from top to bottom, in pixels from its upper edge: the playhead's tag, pictures, the state of every frame, sound,
 * ruler, and what was measured.
 *
 * @param sound whether there is room for sound
 * @param measured whether what was measured of every frame is shown
 */
record BandRows(boolean sound, boolean measured) {

    /** Left and right of the frames. */
    static final double SIDE = 14;

    static final double TAG = 17;
    static final double STRIP = 46;
    static final double STATE = 12;
    static final double RULER = 17;
    private static final double SOUND = 18;

    double strip() {
        return TAG;
    }

    double state() {
        return strip() + STRIP + 1;
    }

    double waves() {
        return state() + STATE;
    }

    double wavesTall() {
        return sound ? SOUND : 0;
    }

    /** The lower edge of all that frames are chosen on, where the ruler begins. */
    double ruler() {
        return waves() + wavesTall() + 2;
    }

    double lanes() {
        return ruler() + RULER;
    }

    double tall() {
        return lanes() + (measured ? Lanes.HEIGHT : 0);
    }

    boolean isRuler(double y) {
        return y > ruler() && y < lanes();
    }
}
