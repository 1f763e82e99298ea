package dev.vat.desktop.band;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.paint.Color;

/** The colours of what is painted on a canvas, which style sheets don't reach; in a light and a dark set. */
public final class BandColours {

    private record Set(Color empty, Color hair, Color cut, Color text, Color unchecked, Color good, Color filled,
            Color fillInk, Color mismatch, Color mismatchInk, Color pale, Color fault, Color surround) {}

    private static final Set LIGHT = new Set(Color.web("#dddddd"), Color.web("#ffffff55"), Color.web("#1c1c1d"),
            Color.web("#4a4a4b"), Color.web("#c2c4c8"), Color.web("#83898f"), Color.web("#9a9ccb"), Color.web("#3d4294"),
            Color.web("#d9a321"), Color.web("#6d4a00"), Color.web("#f3dad7"), Color.web("#a62b24"), Color.web("#fbfbfb"));
    private static final Set DARK = new Set(Color.web("#3a3a3b"), Color.web("#00000055"), Color.web("#f0f0f0"),
            Color.web("#c4c4c4"), Color.web("#55575b"), Color.web("#868c93"), Color.web("#6a6db0"), Color.web("#c3c6ff"),
            Color.web("#c9941b"), Color.web("#2b1d00"), Color.web("#f0d2ce"), Color.web("#b83a32"), Color.web("#f5f5f5"));

    private final List<Runnable> listeners = new ArrayList<>();
    private Set set = LIGHT;

    public void setDark(boolean dark) {
        set = dark ? DARK : LIGHT;
        listeners.forEach(Runnable::run);
    }

    public boolean isDark() {
        return set == DARK;
    }

    public void addListener(Runnable listener) {
        listeners.add(listener);
    }

    public Color empty() {
        return set.empty;
    }

    public Color hair() {
        return set.hair;
    }

    public Color cut() {
        return set.cut;
    }

    /** Of sound, in a lane of its own. */
    public Color wave() {
        return set.good;
    }

    /** For what matters less beside the text. */
    public Color pale() {
        return set.text.deriveColor(0, 1, set == DARK ? .8 : 1.35, 1);
    }

    public Color text() {
        return set.text;
    }

    /** Over what isn't used. */
    public Color veil() {
        return set.surround.deriveColor(0, 1, set == DARK ? .15 : 1, .72);
    }

    public Color ground(FrameTrack.Mark mark) {
        return switch (mark) {
            case UNCHECKED -> set.unchecked;
            case GOOD, SUSPECT, MARKED, HELD, SKIPPED, MIXED -> set.good;
            case TO_COME, ARRIVING -> set.unchecked;
            case FILLED -> set.filled;
            case MISMATCH -> set.mismatch;
            case EMPTY -> set.surround;
            case CUT_SHORT, UNREADABLE, MISSING -> set.pale;
        };
    }

    public Color ink(FrameTrack.Mark mark) {
        return switch (mark) {
            case FILLED -> set.fillInk;
            case HELD, SKIPPED, TO_COME -> set.surround;
            case MIXED -> set.unchecked;
            case MISMATCH -> set.mismatchInk;
            case SUSPECT -> set.mismatch;
            case ARRIVING, MARKED -> set.fillInk;
            default -> set.fault;
        };
    }
}
