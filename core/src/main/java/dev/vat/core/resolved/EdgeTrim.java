package dev.vat.core.resolved;

import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import java.util.Optional;

/** An item's edge moved along the reel: which frames it takes then. */
public final class EdgeTrim {

    private EdgeTrim() {}

    /**
     * @param start whether it is the item's start that moves, else its end
     * @param by reel frames, later if above 0; as far as there are frames, and one is always left
     * @return empty if nothing comes of it
     */
    public static Optional<Edit> of(ResolvedReel programme, ReelSpan span, boolean start, long by) {
        ReelEntry entry = programme.entry(span.item()).orElse(null);
        if (entry == null) {
            Layout layout = programme.reel().items().get(span.place()).layout();
            if (layout != null) {
                long frames = Math.max(1, span.count() + (start ? -by : by));
                return frames == span.count() ? Optional.empty() : Optional.of(ReelEdits.layItem(span.place(), layout.withFrames(frames)));
            }
            GeneratedItem drawn = programme.reel().items().get(span.place()).drawn();
            long frames = Math.max(1, drawn.frames() + (start ? -by : by));
            return frames == drawn.frames() ? Optional.empty() : Optional.of(ReelEdits.drawItem(span.place(), drawn.withFrames(frames)));
        }
        Sequence sequence = entry.table().sequence();
        FrameRange now = entry.reading().rangeIn(sequence);
        // A slowed item moves by less of its frames, a quick one by more, always by whole steps.
        long steps = Math.round((double) by * span.range().count() / span.step() / Math.max(1, span.count()));
        long moved = steps * span.step();
        boolean low = start != entry.use().playingInUse().reversed();
        FrameRange wanted = low ? range(sequence, now.first() + (start ? moved : -moved), now.last(), true)
                : range(sequence, now.first(), now.last() + (start ? -moved : moved), false);
        return wanted.equals(now) ? Optional.empty()
                : Optional.of(ReelEdits.trimItem(span.place(), wanted.equals(entry.source().reading().rangeIn(sequence)) ? null : wanted));
    }

    private static FrameRange range(Sequence sequence, long first, long last, boolean firstMoved) {
        return firstMoved ? FrameRange.of(Math.min(Math.max(first, sequence.first()), last), last)
                : FrameRange.of(first, Math.max(Math.min(last, sequence.last()), first));
    }
}
