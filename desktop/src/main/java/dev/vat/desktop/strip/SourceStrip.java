package dev.vat.desktop.strip;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.engine.protocol.Message;
import java.util.List;
import java.util.Optional;

/** A source as it lies on disk, holes included. */
public record SourceStrip(Source source, FrameTable table) implements Strip {

    /** The frame number at a place. */
    public long frame(long place) {
        return table.sequence().first() + place * table.sequence().step();
    }

    @Override
    public String title() {
        return source.name();
    }

    @Override
    public long count() {
        Sequence s = table.sequence();
        return (s.last() - s.first()) / s.step() + 1;
    }

    @Override
    public Mark mark(long place) {
        return markOf(table.state(frame(place)));
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
        };
    }

    @Override
    public String number(long place) {
        return table.sequence().pattern().number(frame(place));
    }

    @Override
    public long placeOf(long number) {
        Sequence s = table.sequence();
        return Math.clamp((number - s.first()) / s.step(), 0, count() - 1);
    }

    @Override
    public Optional<Message.Subject> subject(long place) {
        long frame = frame(place);
        return table.sequence().has(frame) ? Optional.of(new Message.Still(table.sequence().file(frame).toString(),
                table.sequence().kind(), format().map(PictureFormat::alpha).orElse(AlphaKind.NONE)))
                : Optional.empty();
    }

    private Optional<PictureFormat> format() {
        return table.format();
    }

    @Override
    public String remark(long place) {
        long frame = frame(place);
        FrameState state = table.state(frame);
        return !state.isFault() ? "" : state.label() + ": " + table.reason(frame)
                .orElseGet(() -> "there is no " + table.sequence().pattern().fileName(frame));
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
        return source.reading().statedRate();
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
        return table.alpha().carriesTransparency();
    }

    @Override
    public String describe() {
        return format().map(f -> f.size() + "  pixel " + f.pixelAspect() + "  " + f.depth()
                + (table.alpha() == AlphaKind.NONE ? "" : "  alpha " + table.alpha().label())).orElse("");
    }
}
