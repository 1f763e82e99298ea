package dev.vat.desktop.band;

import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.text.Font;

/**
 * The strip of frames over the full width of the window: ruler, the state of every frame as shape and colour, cuts, the
 * selected range and the playhead.
 */
public final class Band extends Region {

    /** A range was selected, by its first and last place. */
    public interface RangeListener {
        void selected(long first, long last);
    }

    /** An item's edge is dragged; {@code by} places, later if above 0. */
    public interface EdgeListener {
        void moving(FrameTrack.Edge edge, long by);

        void moved(FrameTrack.Edge edge, long by);
    }

    private static final double RULER = 17;
    /** How near the pointer has to be to an edge. */
    private static final double GRIP = 5;
    private static final double HEIGHT = 66;
    private static final double SIDE = 14;
    private static final double DRAG = 4;
    /** Advance of a figure of the ruler's face, and figures of a timecode. */
    private static final double MONO = 6.6;
    private static final int TIMECODE = 11;

    private final Canvas canvas = new Canvas();
    private final Region playhead = new Region();
    private final Label playheadNumber = new Label();
    private final Region selection = new Region();
    private final BandView view = new BandView();
    private final BandColours dyes;
    private FrameTrack strip;
    private BitSet cached = new BitSet();
    private float[] wave;
    private boolean lanes;
    private long place;
    private long selectedFirst = -1;
    private long selectedLast = -1;
    private double pressedX;
    private boolean dragging;
    private boolean scrubbing;
    private FrameTrack.Edge edge;
    private long edgeBy;
    private EdgeListener onEdge;
    private LongConsumer onSeek = _ -> {};
    private RangeListener onRange = (_, _) -> {};

    public Band(BandColours dyes) {
        this.dyes = dyes;
        setId("band");
        getStyleClass().add("band-strip");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        playhead.getStyleClass().add("playhead");
        selection.getStyleClass().add("band-selection");
        for (Region mark : new Region[] {playhead, selection}) {
            mark.setManaged(false);
            mark.setMouseTransparent(true);
        }
        playheadNumber.getStyleClass().add("playhead-tag");
        playheadNumber.setMouseTransparent(true);
        playheadNumber.setManaged(false);
        getChildren().addAll(canvas, selection, playhead, playheadNumber);
        addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        addEventHandler(MouseEvent.MOUSE_RELEASED, this::released);
        addEventHandler(MouseEvent.MOUSE_MOVED, e -> setCursor(edgeAt(e.getX(), e.getY()).isPresent() ? Cursor.H_RESIZE : Cursor.DEFAULT));
        addEventHandler(ScrollEvent.SCROLL, this::scrolled);
        addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        dyes.addListener(this::paint);
    }

    public void setOnSeek(LongConsumer listener) {
        onSeek = listener;
    }

    public void setOnEdge(EdgeListener listener) {
        onEdge = listener;
    }

    public void setOnRange(RangeListener listener) {
        onRange = listener;
    }

    /** @param peaks the highest sample at each place, from 0 to 1; null for no sound */
    public void setWave(float[] peaks) {
        wave = peaks;
        paint();
    }

    /** Places that would play without waiting; a line along the lower edge tells. */
    public void setCached(BitSet places) {
        if (!places.equals(cached)) {
            cached = (BitSet) places.clone();
            paint();
        }
    }

    /** Shows or hides what was measured of every frame. */
    public void toggleLanes() {
        lanes = !lanes;
        double tall = HEIGHT + (lanes ? Lanes.HEIGHT : 0);
        setMinHeight(tall);
        setPrefHeight(tall);
        setMaxHeight(tall);
        requestLayout();
    }

    public BandView view() {
        return view;
    }

    public void setStrip(FrameTrack other) {
        if (other != null && other.equals(strip)) {
            return;
        }
        strip = other;
        view.setStrip(other);
        place = Math.clamp(place, 0, other == null ? 0 : Math.max(0, other.count() - 1));
        paint();
        place();
    }

    public void setPlace(long where, boolean follow) {
        place = where;
        double before = view.first();
        if (follow) {
            view.reveal(where);
        }
        if (view.first() != before) {
            paint();
        }
        place();
    }

    /** @param first -1 for none */
    public void setSelection(long first, long last) {
        selectedFirst = first;
        selectedLast = last;
        place();
    }

    public void showAll() {
        view.showAll();
        paint();
        place();
    }

    public void zoom(double factor) {
        view.zoom(factor, view.xOf(place + .5, inner()), inner());
        paint();
        place();
    }

    private double inner() {
        return Math.max(1, getWidth() - 2 * SIDE);
    }

    @Override
    protected void layoutChildren() {
        if (canvas.getWidth() != getWidth() || canvas.getHeight() != getHeight()) {
            canvas.setWidth(getWidth());
            canvas.setHeight(getHeight());
            paint();
        }
        place();
    }

    /** The edge under the pointer: of two that meet, the one on whose side that is. */
    private Optional<FrameTrack.Edge> edgeAt(double x, double y) {
        if (strip == null || y > HEIGHT - RULER) {
            return Optional.empty();
        }
        return strip.edges().stream().filter(e -> {
            double off = x - SIDE - view.xOf(e.at(), inner());
            return Math.abs(off) <= GRIP && (e.start() ? off >= 0 : off < 0 || e.at() == strip.count());
        }).findFirst();
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        edge = e.getButton() == MouseButton.PRIMARY ? edgeAt(e.getX(), e.getY()).orElse(null) : null;
        edgeBy = 0;
        if (e.getButton() == MouseButton.PRIMARY) {
            pressedX = e.getX();
            dragging = false;
            // The ruler is for going through the frames, the frames above it for selecting them.
            scrubbing = e.getY() > HEIGHT - RULER && e.getY() < HEIGHT;
            if (scrubbing && strip != null && strip.count() > 0) {
                onSeek.accept(view.placeAt(pressedX - SIDE, inner()));
            }
        }
    }

    private void dragged(MouseEvent e) {
        if (e.getButton() != MouseButton.PRIMARY) {
            return;
        }
        if (scrubbing && strip != null && strip.count() > 0) {
            onSeek.accept(Math.clamp(view.placeAt(e.getX() - SIDE, inner()), 0, strip.count() - 1));
            return;
        }
        if (strip == null || !dragging && Math.abs(e.getX() - pressedX) < DRAG) {
            return;
        }
        dragging = true;
        if (edge != null) {
            edgeBy = Math.round(view.first() + (e.getX() - SIDE) / inner() * view.shown()) - edge.at();
            setSelection(Math.min(edge.at(), edge.at() + edgeBy), Math.max(edge.at(), edge.at() + edgeBy) - 1);
            onEdge.moving(edge, edgeBy);
            return;
        }
        long a = view.placeAt(pressedX - SIDE, inner());
        long b = view.placeAt(e.getX() - SIDE, inner());
        setSelection(Math.min(a, b), Math.max(a, b));
        onRange.selected(selectedFirst, selectedLast);
    }

    private void released(MouseEvent e) {
        if (e.getButton() != MouseButton.PRIMARY) {
            return;
        }
        if (edge != null && dragging) {
            FrameTrack.Edge moved = edge;
            edge = null;
            setSelection(-1, -1);
            onEdge.moved(moved, edgeBy);
            return;
        }
        edge = null;
        if (strip != null && strip.count() > 0 && !dragging && !scrubbing) {
            onSeek.accept(view.placeAt(pressedX - SIDE, inner()));
        }
    }

    private void scrolled(ScrollEvent e) {
        if (strip == null) {
            return;
        }
        if (e.isShiftDown() || Math.abs(e.getDeltaX()) > Math.abs(e.getDeltaY())) {
            view.move(-Math.signum(e.getDeltaX() + e.getDeltaY()) * view.shown() / 8);
        } else {
            view.zoom(e.getDeltaY() > 0 ? .8 : 1.25, e.getX() - SIDE, inner());
        }
        paint();
        place();
        e.consume();
    }

    private void key(KeyEvent e) {
        if (strip == null) {
            return;
        }
        switch (e.getCode()) {
            case LEFT -> onSeek.accept(Math.max(0, place - (e.isShiftDown() ? 10 : 1)));
            case RIGHT -> onSeek.accept(Math.min(strip.count() - 1, place + (e.isShiftDown() ? 10 : 1)));
            case HOME -> onSeek.accept(0);
            case END -> onSeek.accept(strip.count() - 1);
            default -> {
                return;
            }
        }
        e.consume();
    }

    /** Playhead and selection lie over the canvas, so that moving them paints nothing anew. */
    private void place() {
        boolean there = strip != null && strip.count() > 0;
        double x = SIDE + view.xOf(place, inner());
        double wide = Math.max(2, inner() / view.shown());
        boolean seen = there && x >= SIDE - 1 && x <= getWidth() - SIDE + 1;
        playhead.setVisible(seen);
        playheadNumber.setVisible(seen);
        if (seen) {
            playhead.resizeRelocate(x, 4, Math.min(wide, 12), HEIGHT - RULER - 4);
            playheadNumber.setText(strip.number(place));
            playheadNumber.autosize();
            double half = playheadNumber.getWidth() / 2;
            playheadNumber.relocate(Math.clamp(x - half, SIDE, Math.max(SIDE, getWidth() - SIDE - 2 * half)), HEIGHT - 16);
            setAccessibleText("Frame " + strip.number(place) + " of " + strip.title() + " " + strip.remark(place));
        }
        boolean range = there && selectedFirst >= 0;
        selection.setVisible(range);
        if (range) {
            double from = Math.clamp(SIDE + view.xOf(selectedFirst, inner()), SIDE, getWidth() - SIDE);
            double to = Math.clamp(SIDE + view.xOf(selectedLast + 1.0, inner()), SIDE, getWidth() - SIDE);
            selection.resizeRelocate(from, 1, Math.max(2, to - from), HEIGHT - RULER + 1);
        }
    }

    /** Columns beside each other that look the same. */
    private record Stretch(FrameTrack.Mark mark, int start, int width) {}

    private List<Stretch> stretches(int columns) {
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

    private void paint() {
        GraphicsContext g = canvas.getGraphicsContext2D();
        g.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        int columns = (int) inner();
        double top = 6;
        double tall = HEIGHT - RULER - top - 2;
        if (strip == null || strip.count() == 0) {
            g.setFill(dyes.empty());
            g.fillRect(SIDE, top, columns, tall);
            return;
        }
        List<Stretch> stretches = stretches(columns);
        stretches.forEach(s -> Marks.ground(g, dyes, s.mark, SIDE + s.start, s.width, top, tall));
        stretches.forEach(s -> Marks.shape(g, dyes, s.mark, SIDE + s.start, s.width, top, tall));
        wave(g, top, tall);
        veil(g, top, tall);
        separators(g, top, tall);
        cachedLine(g, top + tall);
        ruler(g, top + tall);
        if (lanes) {
            Lanes.paint(g, dyes, strip, view, SIDE, HEIGHT, (int) inner());
        }
    }

    /** The highest sample of each column, from the middle up and down. */
    private void wave(GraphicsContext g, double top, double tall) {
        if (wave == null) {
            return;
        }
        g.setFill(dyes.wave());
        int columns = (int) inner();
        for (int column = 0; column < columns; column++) {
            long from = view.placeAt(column, columns);
            long to = Math.min(strip.count() - 1, Math.max(from, view.placeAt(column + 1, columns) - 1));
            float peak = 0;
            for (long p = from; p <= to && p < wave.length; p++) {
                peak = Math.max(peak, wave[(int) p]);
            }
            double half = peak * tall / 2;
            g.fillRect(SIDE + column, top + tall / 2 - half, 1, 2 * half);
        }
    }

    private void cachedLine(GraphicsContext g, double y) {
        g.setFill(dyes.cut());
        for (int from = cached.nextSetBit(0); from >= 0; from = cached.nextSetBit(cached.nextClearBit(from))) {
            double left = Math.clamp(SIDE + view.xOf(from, inner()), SIDE, SIDE + inner());
            double right = Math.clamp(SIDE + view.xOf(cached.nextClearBit(from), inner()), SIDE, SIDE + inner());
            g.fillRect(left, y, right - left, 2);
        }
    }

    /** What lies outside the chosen range steps back. */
    private void veil(GraphicsContext g, double top, double tall) {
        FrameRange used = strip.used();
        double from = Math.clamp(SIDE + view.xOf(used.first(), inner()), SIDE, SIDE + inner());
        double to = Math.clamp(SIDE + view.xOf(used.last() + 1.0, inner()), SIDE, SIDE + inner());
        g.setFill(dyes.veil());
        g.fillRect(SIDE, top, from - SIDE, tall);
        g.fillRect(to, top, SIDE + inner() - to, tall);
    }

    private void separators(GraphicsContext g, double top, double tall) {
        g.setStroke(dyes.hair());
        if (inner() / view.shown() >= 6) {
            for (long p = (long) view.first(); p <= view.first() + view.shown(); p++) {
                double x = Math.round(SIDE + view.xOf(p, inner())) + .5;
                g.strokeLine(x, top, x, top + tall);
            }
        }
        g.setStroke(dyes.cut());
        g.setLineWidth(2);
        for (long cut : strip.cuts()) {
            double x = Math.round(SIDE + view.xOf(cut, inner()));
            if (x >= SIDE && x <= getWidth() - SIDE) {
                g.strokeLine(x, 1, x, top + tall + 3);
            }
        }
    }

    private void ruler(GraphicsContext g, double y) {
        g.setFont(Font.font("IBM Plex Mono", 11));
        g.setFill(dyes.text());
        g.setStroke(dyes.text());
        g.setLineWidth(1);
        Rate rate = strip.rate().orElse(null);
        double digits = strip.number(strip.count() - 1).length() * MONO;
        long step = view.rulerStep(inner(), rate == null ? digits + 50 : digits + TIMECODE * MONO + 34);
        for (long p = (long) Math.ceil(view.first() / step) * step; p < view.first() + view.shown(); p += step) {
            double x = Math.round(SIDE + view.xOf(p, inner())) + .5;
            String label = strip.number(p);
            g.strokeLine(x, y, x, y + 4);
            double end = x + 3 + label.length() * MONO;
            if (end < getWidth()) {
                g.setFill(dyes.text());
                g.fillText(label, x + 3, y + 13);
            }
            if (rate != null && end + (TIMECODE + 1) * MONO < getWidth()) {
                g.setFill(dyes.pale());
                g.fillText(strip.timecode(p).orElseThrow().toString(), end + 7, y + 13);
            }
        }
    }
}
