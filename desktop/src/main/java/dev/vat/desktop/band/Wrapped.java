package dev.vat.desktop.band;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** Another strip, of which something is otherwise. */
interface Wrapped extends FrameTrack {

    FrameTrack inner();

    @Override
    default String title() {
        return inner().title();
    }

    @Override
    default long count() {
        return inner().count();
    }

    @Override
    default Mark mark(long place) {
        return inner().mark(place);
    }

    @Override
    default String number(long place) {
        return inner().number(place);
    }

    @Override
    default long placeOf(long number) {
        return inner().placeOf(number);
    }

    @Override
    default Optional<Recipe> recipe(long place) {
        return inner().recipe(place);
    }

    @Override
    default String remark(long place) {
        return inner().remark(place);
    }

    @Override
    default FrameRange used() {
        return inner().used();
    }

    @Override
    default List<Long> cuts() {
        return inner().cuts();
    }

    @Override
    default List<Edge> edges() {
        return inner().edges();
    }

    @Override
    default Optional<Rate> rate() {
        return inner().rate();
    }

    @Override
    default Optional<Size> size() {
        return inner().size();
    }

    @Override
    default PixelAspect pixelAspect() {
        return inner().pixelAspect();
    }

    @Override
    default boolean transparent() {
        return inner().transparent();
    }

    @Override
    default String describe() {
        return inner().describe();
    }

    @Override
    default Optional<Path> sound() {
        return inner().sound();
    }

    @Override
    default Optional<ReelSound> mix() {
        return inner().mix();
    }

    @Override
    default boolean floating() {
        return inner().floating();
    }

    @Override
    default OptionalLong firstTimecode() {
        return inner().firstTimecode();
    }

    @Override
    default Optional<Timecode> timecode(long place) {
        return inner().timecode(place);
    }

    @Override
    default boolean repeats(long place) {
        return inner().repeats(place);
    }

    @Override
    default double lane(Lane lane, long place) {
        return inner().lane(lane, place);
    }
}
