package dev.vat.core.reel;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Placement;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.DayCount;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * Several views in one picture. Places and letters are shares of the picture, so that a layout goes into a reel of any size.
 *
 * @param size of its picture where it is what the reel takes its shape from, with square pixels
 * @param step by what its views are kept together; null for frames
 * @param between room left between views that stand side by side, in percent of the height, up to 20; null for none
 * @param ground where there is no view; null for black
 * @param days a calendar for its captions, or null
 * @param frames how long it lasts, or null for as long as its longest view
 * @param endsEmpty whether a view that is over leaves its place empty; else its last frame stays
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Layout(String name, Size size, Arrangement arrangement, List<View> views, InStep step, Rational between, Rgb ground,
        DayCount days, Long frames, boolean endsEmpty) {

    private static final Words WORDS = Words.of(Layout.class);

    private static final Rational MOST_BETWEEN = Rational.of(20);
    private static final Rational HALF_PERCENT = Rational.of(1, 200);

    public Layout {
        views = views == null ? List.of() : List.copyOf(views);
        if (views.isEmpty() || views.size() > Arrangement.MOST) {
            throw new IllegalArgumentException(WORDS.say("aLayoutHasFrom1ToViewsNot", Arrangement.MOST, views.size()));
        }
        if (views.stream().anyMatch(v -> v.item().layout() != null)) {
            throw new IllegalArgumentException(WORDS.say("aLayoutsViewCantBeALayout"));
        }
        if (between != null && (between.signum() < 0 || between.compareTo(MOST_BETWEEN) > 0)) {
            throw new IllegalArgumentException(WORDS.say("betweenViewsUpTo20Percent", between));
        }
        if (frames != null && (frames < 1 || frames > 10_000_000)) {
            throw new IllegalArgumentException(WORDS.say("aLayoutLastsFrom1To10000000", frames));
        }
        name = name == null || name.isBlank() ? WORDS.say("views") : name.strip();
        step = step == InStep.FRAMES ? null : step;
        between = Rational.ZERO.equals(between) ? null : between;
        ground = Rgb.BLACK.equals(ground) ? null : ground;
    }

    public static Layout of(String name, Size size, Arrangement arrangement, List<View> views) {
        return new Layout(name, size, arrangement, views, null, null, null, null, null, false);
    }

    public Layout withName(String other) {
        return new Layout(other, size, arrangement, views, step, between, ground, days, frames, endsEmpty);
    }

    public Layout withSize(Size other) {
        return new Layout(name, other, arrangement, views, step, between, ground, days, frames, endsEmpty);
    }

    public Layout withArrangement(Arrangement other) {
        return new Layout(name, size, other, views, step, between, ground, days, frames, endsEmpty);
    }

    public Layout withViews(List<View> others) {
        return new Layout(name, size, arrangement, others, step, between, ground, days, frames, endsEmpty);
    }

    public Layout withStep(InStep other) {
        return new Layout(name, size, arrangement, views, other, between, ground, days, frames, endsEmpty);
    }

    public Layout withBetween(Rational percent) {
        return new Layout(name, size, arrangement, views, step, percent, ground, days, frames, endsEmpty);
    }

    public Layout withGround(Rgb other) {
        return new Layout(name, size, arrangement, views, step, between, other, days, frames, endsEmpty);
    }

    /** @param other null for none */
    public Layout withDays(DayCount other) {
        return new Layout(name, size, arrangement, views, step, between, ground, other, frames, endsEmpty);
    }

    /** @param other null for as long as its longest view */
    public Layout withFrames(Long other) {
        return new Layout(name, size, arrangement, views, step, between, ground, days, other, endsEmpty);
    }

    public Layout withEndsEmpty(boolean other) {
        return new Layout(name, size, arrangement, views, step, between, ground, days, frames, other);
    }

    public Layout withView(int index, UnaryOperator<View> change) {
        List<View> changed = new ArrayList<>(views);
        changed.set(index, change.apply(changed.get(index)));
        return withViews(changed);
    }

    public Layout with(View more) {
        List<View> all = new ArrayList<>(views);
        all.add(more);
        return withViews(all);
    }

    public Layout without(int index) {
        List<View> fewer = new ArrayList<>(views);
        fewer.remove(index);
        return withViews(fewer);
    }

    /** The view at {@code from} goes to stand at {@code to}. */
    public Layout moved(int from, int to) {
        List<View> reordered = new ArrayList<>(views);
        reordered.add(to, reordered.remove(from));
        return withViews(reordered);
    }

    /** To be kept for other sources: nothing in it says what it showed. */
    public Layout withoutSources() {
        Item empty = Item.of(GeneratedItem.Plain.black(1));
        return withViews(views.stream().map(v -> v.withItem(empty.withFit(v.item().fit()))).toList()).withFrames(null);
    }

    /** With other items in its places, one after the other; places that get none go, and further items get places like the last one. */
    public Layout withItems(List<Item> items) {
        List<View> filled = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            View place = views.get(Math.min(i, views.size() - 1));
            filled.add(place.withItem(items.get(i).withFit(place.item().fit())));
        }
        return withViews(filled);
    }

    @JsonIgnore
    public InStep stepInUse() {
        return step == null ? InStep.FRAMES : step;
    }

    @JsonIgnore
    public Rgb groundInUse() {
        return ground == null ? Rgb.BLACK : ground;
    }

    /** Where its views lie, in whole pixels of a picture. */
    public List<Placement.Box> boxes(Size picture) {
        int half = between == null || !arrangement.isSideBySide() ? 0
                : Math.toIntExact(between.times(picture.height()).times(HALF_PERCENT).round());
        return arrangement.areas(views.size()).stream().map(a -> narrowed(a.in(picture), half, picture)).toList();
    }

    /** Half of the room between is taken from each side that isn't the picture's edge. */
    private static Placement.Box narrowed(Placement.Box box, int half, Size picture) {
        int left = box.x() == 0 ? 0 : half;
        int top = box.y() == 0 ? 0 : half;
        int right = box.x() + box.width() == picture.width() ? 0 : half;
        int bottom = box.y() + box.height() == picture.height() ? 0 : half;
        return new Placement.Box(box.x() + left, box.y() + top, Math.max(1, box.width() - left - right),
                Math.max(1, box.height() - top - bottom));
    }
}
