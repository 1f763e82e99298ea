package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.burnin.Wording;
import dev.vat.core.picture.Rgb;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.List;

/** An item that Vat draws itself, for any size and rate. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
@JsonSubTypes({
    @JsonSubTypes.Type(value = GeneratedItem.Plain.class, name = "plain"),
    @JsonSubTypes.Type(value = GeneratedItem.Bars.class, name = "bars"),
    @JsonSubTypes.Type(value = GeneratedItem.Slate.class, name = "slate"),
    @JsonSubTypes.Type(value = GeneratedItem.Leader.class, name = "leader"),
})
public sealed interface GeneratedItem {

    /** How long it lasts, in reel frames. */
    long frames();

    GeneratedItem withFrames(long frames);

    @JsonIgnore
    String title();

    /** What stands at one of its places, counted from 0. */
    ReelFrame.Content at(long place);

    private static void check(String what, long frames) {
        if (frames < 1 || frames > 10_000_000) {
            throw new IllegalArgumentException(Words.of(GeneratedItem.class).say("lastsFrom1To10000000Frames", what, frames));
        }
    }

    /** One colour all over. */
    record Plain(Rgb colour, long frames) implements GeneratedItem {
        public Plain {
            check("A colour", frames);
        }

        public static Plain black(long frames) {
            return new Plain(Rgb.BLACK, frames);
        }

        @Override
        public Plain withFrames(long other) {
            return new Plain(colour, other);
        }

        @Override
        public String title() {
            return colour.equals(Rgb.BLACK) ? Words.of(GeneratedItem.class).say("black")
                    : Words.of(GeneratedItem.class).say("colour", colour);
        }

        @Override
        public ReelFrame.Content at(long place) {
            return new ReelFrame.Plain(colour);
        }
    }

    /**
     * Colour bars, with a tone of 1 kHz if wanted.
     *
     * @param tone its level in dB below full scale, 0 or less; null for silence
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Bars(BarPattern pattern, Integer tone, long frames) implements GeneratedItem {

        /** Alignment level in Europe, Recommendation EBU R 68. */
        public static final int EBU_LEVEL = -18;

        private static final int QUIETEST = -60;

        public Bars {
            check(Words.of(GeneratedItem.class).say("aBarPattern"), frames);
            if (tone != null && (tone > 0 || tone < QUIETEST)) {
                throw new IllegalArgumentException(Words.of(GeneratedItem.class).say("aToneIsFrom60To0DBFSNot", tone));
            }
        }

        @Override
        public Bars withFrames(long other) {
            return new Bars(pattern, tone, other);
        }

        public Bars withPattern(BarPattern other) {
            return new Bars(other, tone, frames);
        }

        public Bars withTone(Integer level) {
            return new Bars(pattern, level, frames);
        }

        @Override
        public String title() {
            return Words.of(GeneratedItem.class).say("bars", pattern.title(),
                    (tone == null ? "" : Words.of(GeneratedItem.class).say("andToneAtDBFS", tone)));
        }

        @Override
        public ReelFrame.Content at(long place) {
            return new ReelFrame.Bars(pattern);
        }
    }

    /** What the programme is, in words. */
    record Slate(List<Entry> entries, long frames) implements GeneratedItem {

        private static final int MOST = 20;

        /** One line of it. @param label in front of the words; may be empty */
        public record Entry(String label, Wording words) {}

        public Slate {
            check("A slate", frames);
            entries = List.copyOf(entries);
            if (entries.size() > MOST) {
                throw new IllegalArgumentException(Words.of(GeneratedItem.class).say("aSlateHoldsUpToLinesNot", MOST, entries.size()));
            }
        }

        public Slate withEntries(List<Entry> others) {
            return new Slate(others, frames);
        }

        @Override
        public Slate withFrames(long other) {
            return new Slate(entries, other);
        }

        /** With its fields filled in, for all the frames alike. */
        public Slate filled(FrameFacts facts) {
            return new Slate(entries.stream().map(e -> {
                String text = e.words.filledAnyway(facts);
                return new Entry(e.label, new Wording(text.isEmpty() ? "-" : text));
            }).toList(), frames);
        }

        @Override
        public String title() {
            return Words.of(GeneratedItem.class).say("slate");
        }

        @Override
        public ReelFrame.Content at(long place) {
            return new ReelFrame.Slate(entries);
        }
    }

    /**
     * A countdown after the count of SMPTE ST 55: a figure for each second down to 2, which stands for a single frame, with a short
     * tone if wanted; then black until the programme begins.
     *
     * @param perSecond frames that are counted to a second: 24, 25, 30
     * @param tone level of the tone that goes with the 2, in dB below full scale; null for silence
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Leader(int perSecond, Integer tone, long frames) implements GeneratedItem {

        private static final int LAST_FIGURE = 2;
        private static final int USUAL_SECONDS = 8;

        public Leader {
            check("A leader", frames);
            if (perSecond < 1 || perSecond > 240) {
                throw new IllegalArgumentException(Words.of(GeneratedItem.class).say("aLeaderCountsFrom1To240", perSecond));
            }
        }

        /** From 8, with a tone. */
        public static Leader of(int perSecond) {
            return new Leader(perSecond, Bars.EBU_LEVEL, (long) USUAL_SECONDS * perSecond);
        }

        @Override
        public Leader withFrames(long other) {
            return new Leader(perSecond, tone, other);
        }

        @Override
        public String title() {
            return Words.of(GeneratedItem.class).say("leaderOfS", Rational.of(frames, perSecond).toDecimal(1).replace(".0", ""));
        }

        /** The place of the frame that shows the 2, or -1 if it is too short for that. */
        public long lastFigureAt() {
            return frames - (long) LAST_FIGURE * perSecond;
        }

        @Override
        public ReelFrame.Content at(long place) {
            long left = frames - place;
            long figure = Math.ceilDiv(left, perSecond);
            if (figure < LAST_FIGURE || figure == LAST_FIGURE && place != lastFigureAt()) {
                return new ReelFrame.Plain(Rgb.BLACK);
            }
            return new ReelFrame.Count((int) figure,
                    figure == LAST_FIGURE ? Rational.ZERO : Rational.of(figure * perSecond - left, perSecond));
        }
    }
}
