package dev.vat.desktop.band;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.text.Font;

/** Draws all of the band that doesn't move with the playhead. */
final class BandPainter {

    private static final Words WORDS = Words.of(BandPainter.class);

    /** Advance of a figure of the ruler's face, and figures of a timecode. */
    private static final double MONO = 6.6;
    private static final int TIMECODE = 11;
    private static final double SIDE = BandRows.SIDE;

    private final Canvas canvas;
    private final BandColours dyes;
    private final BandView view;
    private final Filmstrip film;
    private BandRows rows;
    private FrameTrack strip;
    private BitSet cached;
    private float[] wave;
    private int columns;

    BandPainter(Canvas canvas, BandColours dyes, BandView view, Filmstrip film) {
        this.canvas = canvas;
        this.dyes = dyes;
        this.view = view;
        this.film = film;
    }

    /** Columns beside each other that look the same. */
    private record Stretch(FrameTrack.Mark mark, int start, int width) {}

    /** @param cached places whose pictures are at hand @param wave the highest sample of each place, or null */
    void paint(BandRows rows, FrameTrack strip, BitSet cached, float[] wave, double scale) {
        this.rows = rows;
        this.strip = strip;
        this.cached = cached;
        this.wave = wave;
        this.columns = (int) Math.max(1, canvas.getWidth() - 2 * SIDE);
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        if (strip == null || strip.count() == 0) {
            g.setFill(dyes.empty());
            g.fillRect(SIDE, rows.strip(), columns, rows.waves() - rows.strip());
            return;
        }
        film.paint(g, dyes, strip, view, rows.strip(), columns, scale);
        List<Stretch> stretches = stretches();
        stretches.forEach(s -> Marks.ground(g, dyes, s.mark, SIDE + s.start, s.width, rows.state(), BandRows.STATE));
        stretches.forEach(s -> Marks.shape(g, dyes, s.mark, SIDE + s.start, s.width, rows.state(), BandRows.STATE));
        holds(g, stretches);
        wave(g);
        dissolves(g);
        veil(g);
        separators(g);
        cachedLine(g);
        ruler(g);
        if (rows.measured()) {
            Lanes.paint(g, dyes, strip, view, SIDE, rows.lanes(), columns);
        }
    }

    private List<Stretch> stretches() {
        List<Stretch> stretches = new ArrayList<>();
        int start = 0;
        FrameTrack.Mark run = view.worst(0, columns);
        for (int column = 1; column <= columns; column++) {
            FrameTrack.Mark mark = column == columns ? null : view.worst(column, columns);
            if (mark != run) {
                stretches.add(new Stretch(run, start, column - start));
                start = column;
                run = mark;
            }
        }
        return stretches;
    }

    private double x(double place) {
        return Math.clamp(SIDE + view.xOf(place, columns), SIDE, SIDE + columns);
    }

    /** A picture that stands is bracketed along the lower edge of its pictures. */
    private void holds(GraphicsContext g, List<Stretch> stretches) {
        g.setFill(dyes.cut());
        double foot = rows.strip() + BandRows.STRIP;
        stretches.stream().filter(s -> s.mark == FrameTrack.Mark.HELD && s.width >= 4).forEach(s -> {
            g.fillRect(SIDE + s.start, foot - 2, s.width, 2);
            g.fillRect(SIDE + s.start, foot - 8, 2, 8);
            g.fillRect(SIDE + s.start + s.width - 2, foot - 8, 2, 8);
        });
    }

    /** How much of the later picture is seen already, as the height of a wedge. */
    private void dissolves(GraphicsContext g) {
        double top = rows.strip();
        double foot = top + BandRows.STRIP;
        for (FrameRange dissolve : strip.dissolves()) {
            double from = SIDE + view.xOf(dissolve.first(), columns);
            double to = SIDE + view.xOf(dissolve.last() + 1.0, columns);
            if (to < SIDE || from > SIDE + columns) {
                continue;
            }
            g.save();
            g.beginPath();
            g.rect(SIDE, top, columns, BandRows.STRIP);
            g.clip();
            g.setFill(dyes.veil());
            g.fillPolygon(new double[] {from, to, to}, new double[] {foot, foot, top}, 3);
            g.setStroke(dyes.cut());
            g.setLineWidth(1.5);
            g.strokeLine(from, foot, to, top);
            g.restore();
        }
    }

    /** The highest sample of each column, from the middle up and down. */
    private void wave(GraphicsContext g) {
        if (wave == null || !rows.sound()) {
            return;
        }
        g.setFill(dyes.wave());
        double middle = rows.waves() + rows.wavesTall() / 2;
        for (int column = 0; column < columns; column++) {
            long from = view.placeAt(column, columns);
            long to = Math.min(strip.count() - 1, Math.max(from, view.placeAt(column + 1, columns) - 1));
            float peak = 0;
            for (long p = from; p <= to && p < wave.length; p++) {
                peak = Math.max(peak, wave[(int) p]);
            }
            double half = Math.max(.5, peak * (rows.wavesTall() - 2) / 2);
            g.fillRect(SIDE + column, middle - half, 1, 2 * half);
        }
    }

    private void cachedLine(GraphicsContext g) {
        g.setFill(dyes.cut());
        for (int from = cached.nextSetBit(0); from >= 0; from = cached.nextSetBit(cached.nextClearBit(from))) {
            double left = x(from);
            g.fillRect(left, rows.ruler() - 2, x(cached.nextClearBit(from)) - left, 2);
        }
    }

    /** What lies outside the chosen range steps back. */
    private void veil(GraphicsContext g) {
        FrameRange used = strip.used();
        double from = x(used.first());
        double to = x(used.last() + 1.0);
        double tall = rows.ruler() - 2 - rows.strip();
        g.setFill(dyes.veil());
        g.fillRect(SIDE, rows.strip(), from - SIDE, tall);
        g.fillRect(to, rows.strip(), SIDE + columns - to, tall);
    }

    private void separators(GraphicsContext g) {
        g.setStroke(dyes.hair());
        g.setLineWidth(1);
        if (columns / view.shown() >= 6) {
            for (long p = (long) view.first(); p <= view.first() + view.shown(); p++) {
                double x = Math.round(SIDE + view.xOf(p, columns)) + .5;
                g.strokeLine(x, rows.state(), x, rows.waves());
            }
        }
        g.setStroke(dyes.cut());
        g.setLineWidth(2);
        for (long cut : strip.cuts()) {
            double x = Math.round(SIDE + view.xOf(cut, columns));
            if (x >= SIDE && x <= SIDE + columns) {
                g.strokeLine(x, rows.strip(), x, rows.ruler());
            }
        }
    }

    private void ruler(GraphicsContext g) {
        double y = rows.ruler();
        g.setFont(Font.font(WORDS.say("ibmPlexMono"), 11));
        g.setFill(dyes.text());
        g.setStroke(dyes.text());
        g.setLineWidth(1);
        Rate rate = strip.rate().orElse(null);
        double digits = strip.number(strip.count() - 1).length() * MONO;
        long step = view.rulerStep(columns, rate == null ? digits + 50 : digits + TIMECODE * MONO + 34);
        for (long p = (long) Math.ceil(view.first() / step) * step; p < view.first() + view.shown(); p += step) {
            double x = Math.round(SIDE + view.xOf(p, columns)) + .5;
            String label = strip.number(p);
            g.strokeLine(x, y, x, y + 4);
            double end = x + 3 + label.length() * MONO;
            if (end < canvas.getWidth()) {
                g.setFill(dyes.text());
                g.fillText(label, x + 3, y + 13);
            }
            if (rate != null && end + (TIMECODE + 1) * MONO < canvas.getWidth()) {
                g.setFill(dyes.pale());
                g.fillText(strip.timecode(p).orElseThrow().toString(), end + 7, y + 13);
            }
        }
    }
}
