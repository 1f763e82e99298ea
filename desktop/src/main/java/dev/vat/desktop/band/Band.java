package dev.vat.desktop.band;

import dev.vat.engine.viewer.Viewer;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.LongConsumer;
import javafx.application.Platform;
import javafx.scene.AccessibleRole;
import javafx.scene.Cursor;
import javafx.scene.canvas.Canvas;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;

/**
 * The frames over the full width of the window: pictures at their places, the state of every frame as shape and colour, sound, ruler, cuts,
 * the selected range and the playhead.
 */
public final class Band extends Region {

    /** A range was selected, by its first and last place. */
    public interface RangeListener {
        void selected(long first, long last);
    }

    private static final double SIDE = BandRows.SIDE;
    private static final double DRAG = 4;

    private final Canvas canvas = new Canvas();
    private final BandMarks marks = new BandMarks();
    private final BandView view = new BandView();
    private final Filmstrip film;
    private final BandPainter painter;
    private BandRows rows = new BandRows(false, false);
    private FrameTrack strip;
    private BitSet cached = new BitSet();
    private float[] wave;
    private boolean dirty;
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

    /** @param viewer where its pictures come from */
    public Band(BandColours dyes, Viewer viewer) {
        film = new Filmstrip(viewer::later, Platform::runLater, this::paintSoon);
        painter = new BandPainter(canvas, dyes, view, film);
        setId("band");
        getStyleClass().add("band-strip");
        setFocusTraversable(true);
        setAccessibleRole(AccessibleRole.SLIDER);
        setRows(rows);
        getChildren().add(canvas);
        getChildren().addAll(marks.nodes());
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
        setRows(new BandRows(rows.sound(), !rows.measured()));
    }

    private void setRows(BandRows other) {
        rows = other;
        setMinHeight(rows.tall());
        setPrefHeight(rows.tall());
        setMaxHeight(rows.tall());
        requestLayout();
    }

    /** Whether its pictures are there. */
    public boolean isSettled() {
        return !dirty && film.isThere();
    }

    /** While something plays no picture of the band is asked for. */
    public void setPlaying(boolean on) {
        film.rest(on);
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
        film.tryAgain();
        // Room for sound stays once something was heard, so that nothing moves from one source to the next.
        if (!rows.sound() && other != null && (other.sound().isPresent() || other.mix().isPresent())) {
            setRows(new BandRows(true, rows.measured()));
        }
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

    private Optional<FrameTrack.Edge> edgeAt(double x, double y) {
        return strip == null || y < rows.strip() || y > rows.ruler() ? Optional.empty()
                : view.edgeAt(strip, x - SIDE, y < rows.state(), inner());
    }

    private void pressed(MouseEvent e) {
        requestFocus();
        edge = e.getButton() == MouseButton.PRIMARY ? edgeAt(e.getX(), e.getY()).orElse(null) : null;
        edgeBy = 0;
        if (e.getButton() == MouseButton.PRIMARY) {
            pressedX = e.getX();
            dragging = false;
            // The ruler is for going through the frames, the frames above it for selecting them.
            scrubbing = rows.isRuler(e.getY());
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

    private void place() {
        marks.place(strip, place, view, rows, getWidth());
        marks.select(strip == null || strip.count() == 0 ? -1 : selectedFirst, selectedLast, view, rows, getWidth());
        marks.said(strip, place, selectedFirst, selectedLast).ifPresent(this::setAccessibleText);
    }

    private void paint() {
        double scale = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        painter.paint(rows, strip, cached, wave, scale);
    }

    /** Pictures come by the dozen: they are drawn together. */
    private void paintSoon() {
        if (!dirty) {
            dirty = true;
            Platform.runLater(() -> {
                dirty = false;
                paint();
            });
        }
    }
}
