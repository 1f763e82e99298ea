package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import java.util.Map;
import java.util.Optional;

/**
 * How a source is to be taken.
 *
 * @param rate frames a second, or null while nothing states it
 * @param range source frame numbers to use, both ends included, or null for all that is there
 * @param gap what stands in for frames that can't be used
 * @param extra fields of a newer version's file, kept as they are
 */
public record Reading(Rate rate, FrameRange range, GapPolicy gap,
                      @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public static final Reading PLAIN = new Reading(null, null, GapPolicy.REFUSE, Map.of());

    public Reading {
        gap = gap == null ? GapPolicy.REFUSE : gap;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public Optional<Rate> statedRate() {
        return Optional.ofNullable(rate);
    }

    /** The frames to use of {@code sequence}: the chosen range, or everything. */
    public FrameRange rangeIn(Sequence sequence) {
        return range == null ? sequence.range() : range;
    }

    public Reading withRate(Rate other) {
        return new Reading(other, range, gap, extra);
    }

    public Reading withRange(FrameRange other) {
        return new Reading(rate, other, gap, extra);
    }

    public Reading withGap(GapPolicy other) {
        return new Reading(rate, range, other, extra);
    }
}
