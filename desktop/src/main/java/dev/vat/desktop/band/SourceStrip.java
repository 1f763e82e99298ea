package dev.vat.desktop.band;

import dev.vat.core.content.ContentReview;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/** A source as it lies on disk, holes included. */
public record SourceStrip(Source source, FrameTable table, ContentReview review) implements FrameTrack {

    private static final Words WORDS = Words.of(SourceStrip.class);

    /** The frame number at a place. */
    public long frame(long place) {
        return first() + place * step();
    }

    private long step() {
        return source.reading().stepIn(table.sequence());
    }

    /** What is expected is shown as well, also where nothing is yet. */
    private long first() {
        FrameRange expected = source.reading().expected();
        long first = table.sequence().first();
        return expected == null ? first : Math.min(first, table.sequence().firstOnGrid(expected.first(), step()));
    }

    private long last() {
        FrameRange expected = source.reading().expected();
        return expected == null ? table.sequence().last() : Math.max(table.sequence().last(), expected.last());
    }

    @Override
    public String title() {
        return source.name();
    }

    @Override
    public long count() {
        return (last() - first()) / step() + 1;
    }

    @Override
    public Mark mark(long place) {
        Mark mark = markOf(table.state(frame(place)));
        if (mark == Mark.MISSING && frame(place) > table.sequence().last()) {
            return Mark.TO_COME;
        }
        if (mark == Mark.GOOD && source.reading().marked().contains(frame(place))) {
            return Mark.MARKED;
        }
        return mark == Mark.GOOD && review.at(frame(place)).isPresent() ? Mark.SUSPECT : mark;
    }

    static Mark markOf(FrameState state) {
        return switch (state) {
            case UNCHECKED -> Mark.UNCHECKED;
            case GOOD -> Mark.GOOD;
            case MISMATCH -> Mark.MISMATCH;
            case EMPTY -> Mark.EMPTY;
            case CUT_SHORT -> Mark.CUT_SHORT;
            case UNREADABLE -> Mark.UNREADABLE;
            case MISSING -> Mark.MISSING;
            case ARRIVING -> Mark.ARRIVING;
        };
    }

    @Override
    public String number(long place) {
        return table.sequence().pattern().number(frame(place));
    }

    @Override
    public long placeOf(long number) {
        return Math.clamp((number - first()) / step(), 0, count() - 1);
    }

    @Override
    public Optional<Recipe> recipe(long place) {
        long frame = frame(place);
        return table.sequence().has(frame) ? Optional.of(ResolvedReel.alone(source, table, frame)) : Optional.empty();
    }

    private Optional<PictureFormat> format() {
        return table.format().map(f -> f.withPixelAspect(source.reading().picture().pixelAspectOf(f)));
    }

    @Override
    public String remark(long place) {
        long frame = frame(place);
        FrameState state = table.state(frame);
        if (!state.isFault()) {
            String suspicion = review.at(frame).map(f -> f.kind().label() + "? " + f.evidence()).orElse("");
            return !source.reading().marked().contains(frame) ? suspicion
                    : WORDS.say("markedToBeRenderedAgain", (suspicion.isEmpty() ? "" : suspicion + "; "),
                            (source.reading().remarks().containsKey(frame) ? ": " + source.reading().remarks().get(frame) : ""));
        }
        if (mark(place) == Mark.TO_COME) {
            return WORDS.say("stillToCome");
        }
        return state.label() + ": " + table.reason(frame)
                .orElseGet(() -> WORDS.say("thereIsNo", table.sequence().pattern().fileName(frame)));
    }

    @Override
    public FrameRange used() {
        FrameRange range = source.reading().rangeIn(table.sequence());
        return FrameRange.of(placeOf(range.first()), placeOf(range.last()));
    }

    @Override
    public List<Long> cuts() {
        return List.of();
    }

    @Override
    public Optional<Rate> rate() {
        return source.reading().rateOf(table);
    }

    @Override
    public Optional<Size> size() {
        return format().map(PictureFormat::size);
    }

    @Override
    public PixelAspect pixelAspect() {
        return format().map(PictureFormat::pixelAspect).orElse(PixelAspect.SQUARE);
    }

    @Override
    public boolean transparent() {
        return source.reading().picture().alphaOf(table).carriesTransparency();
    }

    @Override
    public String describe() {
        return format().map(f -> f.size() + (f.pixelAspect().isSquare() ? "" : WORDS.say("pixel", f.pixelAspect())) + "  " + f.depth()
                + (table.alpha() == AlphaKind.NONE ? "" : WORDS.say("alpha", source.reading().picture().alphaOf(table).label())))
                .orElse("");
    }

    @Override
    public boolean repeats(long place) {
        int index = table.sequence().indexOf(frame(place));
        return index > 0
                && table.lookAt(index).flatMap(now -> table.lookAt(index - 1).map(before -> now.pixels() == before.pixels())).orElse(false);
    }

    /** Codes that fill a lane: change and sharpness beyond 16, grain beyond 6 are drawn as full. */
    @Override
    public double lane(Lane lane, long place) {
        int index = table.sequence().indexOf(frame(place));
        Optional<FrameLook> look = index < 0 ? Optional.empty() : table.lookAt(index);
        if (look.isEmpty()) {
            return -1;
        }
        return switch (lane) {
            case BRIGHTNESS -> look.get().brightness();
            case SHARPNESS -> Math.min(1, look.get().sharpness() / 16);
            case NOISE -> Math.min(1, look.get().noise() / 6);
            case LOSS, MOST, FLICKER -> -1;
            case CHANGE -> index == 0 ? 0
                    : table.lookAt(index - 1).map(before -> Math.min(1, look.get().distance(before) / 16)).orElse(-1.0);
        };
    }

    @Override
    public OptionalLong firstTimecode() {
        String text = source.reading().timecode() != null ? source.reading().timecode()
                : format().map(f -> f.stated().timecode()).orElse(null);
        if (text == null || rate().isEmpty()) {
            return OptionalLong.empty();
        }
        try {
            return OptionalLong.of(Timecode.parse(text, rate().get()).frame());
        } catch (IllegalArgumentException _) {
            // A label that doesn't exist at the rate that was chosen says nothing.
            return OptionalLong.empty();
        }
    }

    @Override
    public Optional<Path> sound() {
        return table.sequence().kind().isMovie() ? Optional.of(table.sequence().file(table.sequence().first())) : Optional.empty();
    }

    @Override
    public boolean floating() {
        return format().map(f -> f.depth().floating()).orElse(false);
    }
}
