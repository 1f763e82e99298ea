package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.burnin.BurnIn;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import java.util.List;
import java.util.stream.Stream;

/**
 * Consecutive reel frames from one source: frames from {@code first} on, {@code step} apart, each shown {@code hold}
 * times, {@code count} reel frames altogether.
 *
 * @param source number of the source, or {@link #DRAWN}
 * @param step may be negative: they are played backwards
 * @param fills what stands there otherwise; the item of such a frame is the number of its source
 * @param drawn what stands at each place where there is no source; null where there is one
 * @param burnIn what the item has written into its pictures alone, or null
 * @param how the pictures of its cells become one, or null where it has none
 * @param cells what stands in each of those, at the same reel frames; empty where there are none
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills,
        ReelFrame.Content drawn, BurnIn burnIn, Assembly how,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) List<List<RunSpan>> cells) {

    /** In place of a source's number: Vat draws it. */
    public static final int DRAWN = -1;

    public RunSpan {
        hold = Math.max(1, hold);
        fills = List.copyOf(fills);
        cells = cells == null ? List.of() : List.copyOf(cells);
    }

    public RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills, ReelFrame.Content drawn,
            BurnIn burnIn) {
        this(source, start, first, step, hold, count, fills, drawn, burnIn, null, List.of());
    }

    public RunSpan(int source, long start, long first, long step, long hold, long count, List<RunFill> fills) {
        this(source, start, first, step, hold, count, fills, null, null);
    }

    public RunSpan withFills(List<RunFill> others) {
        return new RunSpan(source, start, first, step, hold, count, others, drawn, burnIn, how, cells);
    }

    public RunSpan withBurnIn(BurnIn other) {
        return new RunSpan(source, start, first, step, hold, count, fills, drawn, other, how, cells);
    }

    /** The same with pictures that are made of several. */
    public RunSpan of(Assembly assembly, List<List<RunSpan>> parts) {
        return new RunSpan(source, start, first, step, hold, count, fills, drawn, burnIn, assembly, parts);
    }

    /** Whether it is several views, of which none is its own. */
    @JsonIgnore
    public boolean isViews() {
        return source == DRAWN && how != null;
    }

    /** Whether Vat draws it. */
    @JsonIgnore
    public boolean isOfNoSource() {
        return source == DRAWN;
    }

    /** Those of it that each take frames of one source: itself, or its cells. */
    public Stream<RunSpan> ofSources() {
        return cells.isEmpty() ? Stream.of(this).filter(s -> !s.isOfNoSource())
                : cells.stream().flatMap(List::stream).flatMap(RunSpan::ofSources);
    }

    public long wanted(long reelFrame) {
        return first + (reelFrame - start) / hold * step;
    }

    private ReelFrame plain(long reelFrame) {
        long wanted = wanted(reelFrame);
        ReelFrame.Content content = how != null ? new ReelFrame.Together(how, cells.stream().map(c -> frameAt(c, reelFrame)).toList())
                : drawn != null ? drawn : new ReelFrame.SourceFrame(wanted);
        return new ReelFrame(source, wanted, content, false);
    }

    /** What stands at a reel frame; its item is the number of a source. */
    static ReelFrame frameAt(List<RunSpan> spans, long reelFrame) {
        RunSpan span = spanAt(spans, reelFrame);
        int low = 0;
        int high = span.fills().size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            RunFill fill = span.fills().get(middle);
            if (fill.reelFrame() == reelFrame) {
                return fill.frame();
            }
            if (fill.reelFrame() < reelFrame) {
                low = middle + 1;
            } else {
                high = middle - 1;
            }
        }
        return span.plain(reelFrame);
    }

    static RunSpan spanAt(List<RunSpan> spans, long reelFrame) {
        int low = 0;
        int high = spans.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (spans.get(middle).start() <= reelFrame) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return spans.get(low);
    }
}
