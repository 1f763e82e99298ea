package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rate;
import java.math.BigInteger;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * How a source is to be taken.
 *
 * @param rate frames a second, or null while nothing states it
 * @param range source frame numbers to use, both ends included, or null for all that is there
 * @param gap what stands in for frames that can't be used
 * @param timecode of the first frame taken, HH:MM:SS:FF, or null for what the file states
 * @param expected the frames that there should be, or null for those from the first to the last that is there
 * @param note on the render, free text: samples, seconds a frame
 * @param marked frames that somebody marked to be rendered again, whatever their files say
 * @param remarks what was said of marked frames, by their numbers
 * @param approved the preview that these frames are the final ones of, or null
 * @param extra fields of a newer version's file, kept as they are
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Reading(Rate rate, FrameRange range, GapPolicy gap, Cadence cadence, Interpretation picture,
        String timecode, FrameRange expected, String note, FrameSet marked,
        @JsonInclude(JsonInclude.Include.NON_EMPTY) Map<Long, String> remarks, Approved approved,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public static final Reading PLAIN = new Reading(null, null, GapPolicy.REFUSE, Cadence.PLAIN, Interpretation.AS_STATED, null, null, null,
            null, Map.of(), null, Map.of());

    public Reading {
        gap = gap == null ? GapPolicy.REFUSE : gap;
        cadence = cadence == null ? Cadence.PLAIN : cadence;
        picture = picture == null ? Interpretation.AS_STATED : picture;
        FrameSet kept = marked == null ? FrameSet.EMPTY : marked;
        marked = kept;
        SortedMap<Long, String> words = new TreeMap<>(remarks == null ? Map.of() : remarks);
        words.keySet().removeIf(frame -> !kept.contains(frame));
        remarks = Collections.unmodifiableSortedMap(words);
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    /** The rate that was chosen, or else what the files state. */
    public Optional<Rate> rateOf(FrameTable table) {
        return rate != null ? Optional.of(rate) : table.format().map(f -> f.stated().rate());
    }

    /** The frames to use of {@code sequence}: the chosen range, or what is expected, or everything. */
    public FrameRange rangeIn(Sequence sequence) {
        return range != null ? range : expected != null ? expected : sequence.range();
    }

    /**
     * How far the numbers lie apart that there should be: as far as those that are there; but of an expected range each one, unless it was
     * said that frames come in steps.
     */
    public long stepIn(Sequence sequence) {
        return expected == null ? sequence.step()
                : BigInteger.valueOf(sequence.step()).gcd(BigInteger.valueOf(cadence.every())).longValueExact();
    }

    /**
     * How many of the frames that there should be make up one step: every fourth frame is said of numbers, so where only each fourth is
     * there, all of them are taken.
     */
    public long everyIn(Sequence sequence) {
        long grid = stepIn(sequence);
        return cadence.every() % grid == 0 ? cadence.every() / grid : cadence.every();
    }

    /** Whether it was said what becomes of numbers that lie apart: taken as often as they come, or shown for longer. */
    public boolean isInStepsOf(Sequence sequence) {
        return cadence.every() % sequence.step() == 0 || expected == null && cadence.keepLength();
    }

    public Reading withRate(Rate other) {
        return new Reading(other, range, gap, cadence, picture, timecode, expected, note, marked, remarks, approved, extra);
    }

    public Reading withRange(FrameRange other) {
        return new Reading(rate, other, gap, cadence, picture, timecode, expected, note, marked, remarks, approved, extra);
    }

    public Reading withGap(GapPolicy other) {
        return new Reading(rate, range, other, cadence, picture, timecode, expected, note, marked, remarks, approved, extra);
    }

    public Reading withCadence(Cadence other) {
        return new Reading(rate, range, gap, other, picture, timecode, expected, note, marked, remarks, approved, extra);
    }

    public Reading withPicture(Interpretation other) {
        return new Reading(rate, range, gap, cadence, other, timecode, expected, note, marked, remarks, approved, extra);
    }

    public Reading withTimecode(String other) {
        return new Reading(rate, range, gap, cadence, picture, other, expected, note, marked, remarks, approved, extra);
    }

    public Reading withExpected(FrameRange other) {
        return new Reading(rate, range, gap, cadence, picture, timecode, other, note, marked, remarks, approved, extra);
    }

    public Reading withNote(String other) {
        return new Reading(rate, range, gap, cadence, picture, timecode, expected, other, marked, remarks, approved, extra);
    }

    public Reading withMarked(FrameSet other) {
        return new Reading(rate, range, gap, cadence, picture, timecode, expected, note, other, remarks, approved, extra);
    }

    /** More frames to be rendered again. @param words what is said of them, kept with the first of each range; empty for nothing */
    public Reading withMarked(FrameSet more, String words) {
        Map<Long, String> said = new TreeMap<>(remarks);
        if (!words.isEmpty()) {
            more.ranges().forEach(r -> said.put(r.first(), words));
        }
        return new Reading(rate, range, gap, cadence, picture, timecode, expected, note, marked.plus(more), said, approved, extra);
    }

    /** As the final frames of a preview: its frames are expected, at its rate. */
    public Reading withApproved(Approved preview) {
        return new Reading(preview == null ? rate : preview.rate(), range, gap, cadence, picture, timecode,
                preview == null ? expected : preview.range(), note, marked, remarks, preview, extra);
    }
}
