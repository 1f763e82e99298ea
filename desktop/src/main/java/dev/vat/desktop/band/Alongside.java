package dev.vat.desktop.band;

import dev.vat.core.preview.Preview;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.Optional;

/**
 * A strip in step with another one: at each place of that the picture that belongs beside it, by time where their rates differ.
 *
 * @param inner the strip whose pictures these are
 * @param main whose places count
 * @param offset how many of its own places the inner one is ahead
 */
public record Alongside(FrameTrack inner, FrameTrack main, long offset) implements Wrapped {

    private static final Words WORDS = Words.of(Alongside.class);

    /**
     * In step from the first frames on; previews by the numbers of their scene's frames, a source with a reel where that begins to take it.
     */
    public static long usualOffset(FrameTrack main, FrameTrack inner) {
        if (main instanceof PreviewStrip(_, Preview one) && inner instanceof PreviewStrip(_, Preview other)
                && one.numbers().step() == other.numbers().step()) {
            return Math.floorDiv(one.numbers().first() - other.numbers().first(), one.numbers().step());
        }
        if (main instanceof SourceStrip source && inner instanceof ReelStrip reel) {
            return ahead(reel, source);
        }
        return main instanceof ReelStrip reel && inner instanceof SourceStrip source ? -ahead(reel, source) : 0;
    }

    /** How much further a frame of a source stands in a reel than in the source itself; 0 where the reel doesn't take it by itself. */
    private static long ahead(ReelStrip reel, SourceStrip source) {
        ReelPlan plan = reel.programme().plan();
        return plan.spans().stream().filter(s -> source.source().id().equals(s.source())).findFirst()
                .map(s -> s.start() - source.placeOf(plan.by(s, 0).wanted())).orElse(0L);
    }

    @Override
    public long count() {
        return main.count();
    }

    /** The inner strip's place beside one of the main one's; it may lie outside. */
    public long beside(long place) {
        Rate own = inner.rate().orElse(null);
        Rate other = main.rate().orElse(null);
        long same = own == null || other == null || own.equals(other) ? place
                : own.perSecond().times(place).dividedBy(other.perSecond()).floor();
        return same + offset;
    }

    private boolean isInside(long place) {
        return beside(place) >= 0 && beside(place) < inner.count();
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        return isInside(place) ? inner.recipe(beside(place)) : Optional.empty();
    }

    @Override
    public String remark(long place) {
        return isInside(place) ? inner.remark(beside(place)) : WORDS.say("hasNoFrameHere", inner.title());
    }

    @Override
    public boolean repeats(long place) {
        return isInside(place) && inner.repeats(beside(place));
    }

    @Override
    public String number(long place) {
        return isInside(place) ? inner.number(beside(place)) : WORDS.say("none");
    }

    /** What differs between the two in words; empty if nothing does. */
    public String inStep() {
        Rate own = inner.rate().orElse(null);
        Rate other = main.rate().orElse(null);
        StringBuilder words = new StringBuilder();
        if (own != null && other != null && !own.equals(other)) {
            words.append(WORDS.say("byTime", own.label(), other.label()));
        }
        if (inner.count() != main.count()) {
            words.append(words.isEmpty() ? "" : ", ").append(WORDS.say("framesAgainst", inner.count(), main.count()));
        }
        if (!inner.size().equals(main.size()) && inner.size().isPresent() && main.size().isPresent()) {
            words.append(words.isEmpty() ? "" : ", ").append(WORDS.say("sizesApart", inner.size().get(), main.size().get()));
        }
        return words.toString();
    }
}
