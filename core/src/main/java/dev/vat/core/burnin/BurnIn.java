package dev.vat.core.burnin;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.ArrayList;
import java.util.List;

/**
 * Words and a mark that are written into pictures for those who look at them. Lines at one spot stand under each other in their order.
 *
 * @param watermark a picture laid over, or null
 * @param face path of the font file that they are set in, absolute, or null for Vat's own
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record BurnIn(List<Line> lines, Watermark watermark, String face) {

    public static final BurnIn NOTHING = new BurnIn(List.of(), null, null);

    public BurnIn {
        lines = lines == null ? List.of() : List.copyOf(lines);
    }

    public static BurnIn of(Line... lines) {
        return NOTHING.withLines(List.of(lines));
    }

    /** What a reviewer wants to see: which frame of what, and when. */
    public static BurnIn forReview() {
        return of(Line.of(new Wording(Field.SOURCE + " " + Field.FRAME), Spot.BOTTOM_LEFT),
                Line.of(Wording.of(Field.TIMECODE), Spot.BOTTOM_RIGHT));
    }

    public BurnIn withLines(List<Line> others) {
        return new BurnIn(others, watermark, face);
    }

    public BurnIn with(Line more) {
        List<Line> all = new ArrayList<>(lines);
        all.add(more);
        return withLines(all);
    }

    public BurnIn withLine(int index, Line other) {
        List<Line> changed = new ArrayList<>(lines);
        changed.set(index, other);
        return withLines(changed);
    }

    public BurnIn without(int index) {
        List<Line> fewer = new ArrayList<>(lines);
        fewer.remove(index);
        return withLines(fewer);
    }

    public BurnIn withWatermark(Watermark other) {
        return new BurnIn(lines, other, face);
    }

    public BurnIn withFace(String path) {
        return new BurnIn(lines, watermark, path);
    }

    /** With an item's own lines behind these; its mark and face count where it has them. @param own null for none */
    public BurnIn and(BurnIn own) {
        if (own == null) {
            return this;
        }
        List<Line> all = new ArrayList<>(lines);
        all.addAll(own.lines);
        return new BurnIn(all, own.watermark == null ? watermark : own.watermark, own.face == null ? face : own.face);
    }

    @JsonIgnore
    public boolean isNothing() {
        return lines.isEmpty() && watermark == null;
    }

    /** What is written at a frame; a line whose fields say nothing there is left out. */
    public Lettering at(FrameFacts facts) {
        return new Lettering(lines.stream()
                .flatMap(l -> l.words().filled(facts).map(text -> new Lettering.Written(text, l.at(), l.size(), l.ground())).stream())
                .toList(), watermark, face);
    }
}
