package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Target;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Everything that can change a bit of what a run makes, fixed before it starts.
 *
 * @param run id: UTC time and six random characters
 * @param made UTC time of the plan, ISO 8601
 * @param vat version of Vat
 * @param library version of the media library
 * @param rateOrigin where the rate comes from, in words: {@code chosen by the user}
 * @param folder where deliverables go, absolute
 * @param typeface fingerprint of the face that cards are set in
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record RunPlan(int version, String run, String made, String vat, String library, String project, String reel,
                      Rate rate, String rateOrigin, Size size, PixelAspect pixelAspect, WorkingFormat working,
                      List<RunSource> sources, List<RunSpan> spans, String folder, String typeface,
                      List<RunFile> files) {

    public static final int VERSION = 1;

    /** Where a rate comes from that no file states. */
    public static final String CHOSEN = "chosen by the user";

    public RunPlan {
        sources = List.copyOf(sources);
        spans = List.copyOf(spans);
        files = List.copyOf(files);
    }

    /** A source as the run reads it. */
    public record RunSource(String name, String folder, SequencePattern pattern, FileKind kind, AlphaKind alpha,
                            boolean linear, int bits) { }

    /** Consecutive reel frames from one source: {@code count} frames from {@code first} on, {@code step} apart. */
    public record RunSpan(int source, long start, long first, long step, long count, List<RunFill> fills) {
        public RunSpan {
            fills = List.copyOf(fills);
        }
    }

    /** A reel frame where something stands in: the frame {@code held}, or else a card with the reason {@code card}. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record RunFill(long reelFrame, long wanted, Long held, String card) { }

    /**
     * One file.
     *
     * @param fileName the name it is to get
     * @param options every encoder setting, by the library's names
     * @param threads of the encoder
     */
    public record RunFile(String target, String fileName, Rgb flatten, int threads, Map<String, String> options,
                          List<Part> parts, Expectation expected) {
        public RunFile {
            options = Collections.unmodifiableSortedMap(new TreeMap<>(options));
            parts = List.copyOf(parts);
        }

        @JsonIgnore
        public Target targetInCatalogue() {
            return Catalogue.target(target);
        }
    }

    /** A stretch of output frames that is closed by itself. */
    public record Part(int index, long first, long count) {
        @JsonIgnore
        public long end() {
            return first + count;
        }
    }

    @JsonIgnore
    public long frames() {
        return spans.isEmpty() ? 0 : spans.getLast().start() + spans.getLast().count();
    }

    /** What stands at a reel frame; the item number is the span's place. */
    public ReelFrame frameAt(long reelFrame) {
        int low = 0;
        int high = spans.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (spans.get(middle).start <= reelFrame) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        RunSpan span = spans.get(low);
        long wanted = span.first + (reelFrame - span.start) * span.step;
        for (RunFill fill : span.fills) {
            if (fill.reelFrame == reelFrame) {
                return new ReelFrame(low, wanted, fill.held != null ? new ReelFrame.SourceFrame(fill.held)
                        : new ReelFrame.Card(fill.card));
            }
        }
        return new ReelFrame(low, wanted, new ReelFrame.SourceFrame(wanted));
    }

    public RunSource sourceOf(ReelFrame frame) {
        return sources.get(spans.get(frame.item()).source());
    }
}
