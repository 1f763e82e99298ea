package dev.vat.desktop.band;

/** An item's edge is dragged; {@code by} places, later if above 0. */
public interface EdgeListener {
    void moving(FrameTrack.Edge edge, long by);

    void moved(FrameTrack.Edge edge, long by);
}
