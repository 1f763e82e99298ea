package dev.vat.desktop.band;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import dev.vat.protocol.ViewerMessage;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;

/** Consecutive places that the band lays out and the picture plays: a source, a reel, or a finished file. */
public interface FrameTrack {

    /** What was measured of every frame, each as a lane under the band. */
    enum Lane {
        BRIGHTNESS(Words.of(FrameTrack.class).say("lane.brightness")), CHANGE(Words.of(FrameTrack.class).say("lane.change")),
        SHARPNESS(Words.of(FrameTrack.class).say("lane.sharpness")), NOISE(Words.of(FrameTrack.class).say("lane.grain")),
        /** How far a frame is from another one: 60 dB and more is nothing, 20 dB all. */
        LOSS(Words.of(FrameTrack.class).say("lane.loss")),
        /** The strongest difference of any sample. */
        MOST(Words.of(FrameTrack.class).say("lane.strongest")),
        /** How much the difference itself changes. */
        FLICKER(Words.of(FrameTrack.class).say("lane.flicker"));

        private final String title;

        Lane(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** What a place looks like on the band, the worst last: of several places in one column the worst is shown. */
    enum Mark {
        UNCHECKED, GOOD,
        /** The picture of the place before, once more. */
        HELD,
        /** Frames were left out before it. */
        SKIPPED,
        /** Two pictures in one. */
        MIXED,
        /** After the last one that is there, of those that are expected. */
        TO_COME, ARRIVING, FILLED, SUSPECT, MARKED, MISMATCH, EMPTY, CUT_SHORT, UNREADABLE, MISSING;

        /** For keys and the names of controls: {@code cut-short}. */
        public String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** As it is said: {@code cut short}. */
        public String words() {
            return Words.of(FrameTrack.class).say("mark." + id());
        }

        /** Whether something is wrong or stands in; what was asked for isn't. */
        boolean isTrouble() {
            return ordinal() >= ARRIVING.ordinal();
        }
    }

    /** For the headings: whose frames these are. */
    String title();

    long count();

    Mark mark(long place);

    /** The number that people know a place by: a source frame number, or a reel frame. */
    String number(long place);

    /** The place with a number, or the nearest one to it. */
    long placeOf(long number);

    /** What the picture shows at a place, or empty where nothing can be shown. */
    Optional<Recipe> recipe(long place);

    /** What is shown there: that picture, unless it is held against another. */
    default Optional<ViewerMessage.Subject> subject(long place) {
        return recipe(place).map(ViewerMessage.Made::new);
    }

    /** What is wrong at a place, or what stands in, in words; empty if nothing. */
    default String remark(long place) {
        return "";
    }

    /** The places that will be made, from first to last; for a source with a range, less than everything. */
    default FrameRange used() {
        return FrameRange.of(0, Math.max(0, count() - 1));
    }

    /** Places at which a new item begins, in ascending order, without the first. */
    default List<Long> cuts() {
        return List.of();
    }

    /** Places at which one item's picture goes over into the next one's, in ascending order. */
    default List<FrameRange> dissolves() {
        return List.of();
    }

    /**
     * An item's end or start, or the end of the dissolve that it begins with, which can be dragged.
     *
     * @param at the place from which on it, or what follows it, is seen
     */
    record Edge(long at, ReelSpan item, boolean start, boolean dissolve) {
        static Edge of(long at, ReelSpan item, boolean start) {
            return new Edge(at, item, start, false);
        }
    }

    /** What can be dragged, in ascending order; where two items meet, the end of the one before stands first. */
    default List<Edge> edges() {
        return List.of();
    }

    Optional<Rate> rate();

    Optional<Size> size();

    PixelAspect pixelAspect();

    boolean transparent();

    /** Depth and the like, for the picture's foot. */
    String describe();

    /** The file whose sound goes with these pictures, beginning at the first place. */
    default Optional<Path> sound() {
        return Optional.empty();
    }

    /** What is heard with these pictures, where it isn't one file's. */
    default Optional<ReelSound> mix() {
        return Optional.empty();
    }

    /** Whether samples could be something that is no colour. */
    default boolean floating() {
        return false;
    }

    /** The timecode of the first place as a frame count, where one is known. */
    default OptionalLong firstTimecode() {
        return OptionalLong.empty();
    }

    /** The label of a place, once there is a rate. */
    default Optional<Timecode> timecode(long place) {
        return rate().map(rate -> Timecode.of(firstTimecode().orElse(0) + place, rate));
    }

    /** Whether a place shows the very picture of the one before it, as far as that is known. */
    default boolean repeats(long place) {
        return false;
    }

    /** The lanes that it has. */
    default List<Lane> lanes() {
        return List.of(Lane.BRIGHTNESS, Lane.CHANGE, Lane.SHARPNESS, Lane.NOISE);
    }

    /** A measured value from 0 to 1 of the lane's height, or below 0 where nothing was measured. */
    default double lane(Lane lane, long place) {
        return -1;
    }
}
