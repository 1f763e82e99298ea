package dev.vat.desktop.band;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.time.Rate;
import java.util.Map;
import java.util.Optional;

/** A strip of any length, good but for some places. */
record TestStrip(long count, Map<Long, Mark> marks, Rate frames) implements FrameTrack {

    @Override
    public String title() {
        return "test";
    }

    @Override
    public Mark mark(long place) {
        return marks.getOrDefault(place, Mark.GOOD);
    }

    @Override
    public String number(long place) {
        return Long.toString(place);
    }

    @Override
    public long placeOf(long number) {
        return number;
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        return Optional.empty();
    }

    @Override
    public Optional<Rate> rate() {
        return Optional.ofNullable(frames);
    }

    @Override
    public Optional<Size> size() {
        return Optional.empty();
    }

    @Override
    public PixelAspect pixelAspect() {
        return PixelAspect.SQUARE;
    }

    @Override
    public boolean transparent() {
        return false;
    }

    @Override
    public String describe() {
        return "";
    }
}
