package dev.vat.desktop.band;

import dev.vat.core.words.Words;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;

/** What was measured of every frame, as lanes under the band. */
final class Lanes {

    private static final Words WORDS = Words.of(Lanes.class);

    private static final double LANE = 15;
    private static final double LANE_NAME = 62;

    /** Room for the most lanes that a strip has. */
    static final double HEIGHT = LANE * 4;

    private Lanes() {}

    /** One value a column: of several places the highest, so that a single one is seen. */
    static void paint(GraphicsContext g, BandColours dyes, FrameTrack strip, BandView view, double left, double top, int columns) {
        g.setFont(Font.font(WORDS.say("ibmPlexSans"), 11));
        double y = top;
        for (FrameTrack.Lane lane : strip.lanes()) {
            g.setFill(dyes.empty());
            g.fillRect(left, y, columns, LANE - 2);
            g.setFill(dyes.ink(FrameTrack.Mark.FILLED));
            for (int column = 0; column < columns; column++) {
                double value = highest(strip, view, lane, column, columns);
                if (value >= 0) {
                    double tall = Math.max(1, value * (LANE - 2));
                    g.fillRect(left + column, y + LANE - 2 - tall, 1, tall);
                }
            }
            g.setFill(dyes.veil());
            g.fillRect(left, y, LANE_NAME, LANE - 2);
            g.setFill(dyes.text());
            g.fillText(lane.title(), left + 3, y + LANE - 4.5);
            y += LANE;
        }
    }

    private static double highest(FrameTrack strip, BandView view, FrameTrack.Lane lane, int column, int columns) {
        long from = view.placeAt(column, columns);
        long to = Math.min(strip.count() - 1, Math.max(from, view.placeAt(column + 1, columns) - 1));
        double highest = -1;
        // Of very many places in a column some are passed over.
        long step = Math.max(1, (to - from) / 16);
        for (long p = from; p <= to; p += step) {
            highest = Math.max(highest, strip.lane(lane, p));
        }
        return highest;
    }
}
