package dev.vat.desktop.band;

import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;

/** Playhead and selection over the band's canvas, so that moving them paints nothing anew; and what a screen reader is told of them. */
final class BandMarks {

    private static final Words WORDS = Words.of(BandMarks.class);

    private static final double SIDE = BandRows.SIDE;
    private static final double WIDEST = 12;

    private final Region playhead = new Region();
    private final Label number = new Label();
    private final Region selection = new Region();

    BandMarks() {
        playhead.getStyleClass().add("playhead");
        selection.getStyleClass().add("band-selection");
        number.getStyleClass().add("playhead-tag");
        for (Node mark : nodes()) {
            mark.setManaged(false);
            mark.setMouseTransparent(true);
        }
    }

    List<Node> nodes() {
        return List.of(selection, playhead, number);
    }

    /** @param strip or null @param width of the band */
    void place(FrameTrack strip, long place, BandView view, BandRows rows, double width) {
        boolean there = strip != null && strip.count() > 0;
        double inner = Math.max(1, width - 2 * SIDE);
        double x = SIDE + view.xOf(place, inner);
        boolean seen = there && x >= SIDE - 1 && x <= width - SIDE + 1;
        playhead.setVisible(seen);
        number.setVisible(seen);
        if (seen) {
            double wide = Math.max(2, inner / view.shown());
            playhead.resizeRelocate(x, rows.strip() - 1, Math.min(wide, WIDEST), rows.ruler() - rows.strip() + 2);
            number.setText(strip.number(place) + strip.timecode(place).map(t -> " \u00b7 " + t).orElse(""));
            number.autosize();
            double half = number.getWidth() / 2;
            number.relocate(Math.clamp(x - half, SIDE, Math.max(SIDE, width - SIDE - 2 * half)), 0);
        }
    }

    /** @param first -1 for none */
    void select(long first, long last, BandView view, BandRows rows, double width) {
        selection.setVisible(first >= 0);
        if (first >= 0) {
            double inner = Math.max(1, width - 2 * SIDE);
            double from = Math.clamp(SIDE + view.xOf(first, inner), SIDE, width - SIDE);
            double to = Math.clamp(SIDE + view.xOf(last + 1.0, inner), SIDE, width - SIDE);
            selection.resizeRelocate(from, rows.strip() - 2, Math.max(2, to - from), rows.ruler() - rows.strip() + 3);
        }
    }

    /** Frame, state and selection, for screen readers; empty where the playhead can't be seen. @param first -1 for no selection */
    Optional<String> said(FrameTrack strip, long place, long first, long last) {
        if (!playhead.isVisible()) {
            return Optional.empty();
        }
        String remark = strip.remark(place);
        return Optional.of(WORDS.say("frameOf", strip.number(place), strip.title(), (remark.isEmpty() ? strip.mark(place).words() : remark),
                (first < 0 ? "" : WORDS.say("selectedTo", strip.number(first), strip.number(last)))));
    }
}
