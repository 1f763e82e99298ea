package dev.vat.desktop.strip;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.run.Programme;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.run.FrameFeed;
import java.util.List;
import java.util.Optional;

/** A reel as it will be made. */
public record ReelStrip(Programme programme) implements Strip {

    private ReelPlan plan() {
        return programme.plan();
    }

    @Override
    public String title() {
        return programme.reel().name();
    }

    @Override
    public long count() {
        return plan().count();
    }

    private FrameTable table(ReelFrame frame) {
        return programme.entries().get(frame.item()).table();
    }

    @Override
    public Mark mark(long place) {
        ReelFrame frame = plan().at(place);
        return frame.isFill() ? Mark.FILLED : SourceStrip.markOf(table(frame).state(frame.wanted()));
    }

    @Override
    public String number(long place) {
        return Long.toString(place);
    }

    @Override
    public long placeOf(long number) {
        return Math.clamp(number, 0, Math.max(0, count() - 1));
    }

    @Override
    public Optional<Message.Subject> subject(long place) {
        ReelFrame frame = plan().at(place);
        FrameTable table = table(frame);
        return switch (frame.content()) {
            case ReelFrame.Card(String reason) -> programme.size().map(size -> new Message.Card(size.width(), size.height(),
                    FrameFeed.cardLines(table.sequence().pattern().number(frame.wanted()), reason, table.sequence().name())));
            case ReelFrame.SourceFrame(long number) when table.sequence().has(number) -> Optional.of(still(frame, number));
            case ReelFrame.SourceFrame _ -> Optional.empty();
            case ReelFrame.Blend(long before, long after, Rational share) ->
                    Optional.of(new Message.Blend(still(frame, before), still(frame, after), share));
        };
    }

    private Message.Still still(ReelFrame frame, long number) {
        Programme.Entry entry = programme.entries().get(frame.item());
        return SourceStrip.still(entry.source(), entry.table(), number);
    }

    @Override
    public String remark(long place) {
        ReelFrame frame = plan().at(place);
        FrameTable table = table(frame);
        String wanted = table.sequence().name() + " " + table.sequence().pattern().number(frame.wanted());
        FrameState state = table.state(frame.wanted());
        String trouble = state.isFault() ? ", " + state.label() : "";
        return switch (frame.content()) {
            case ReelFrame.Card _ -> wanted + trouble + ": a card stands in";
            case ReelFrame.SourceFrame(long number) when frame.isFill() -> wanted + trouble + ": "
                    + table.sequence().pattern().number(number) + " is held";
            case ReelFrame.Blend(long before, long after, Rational _) -> wanted + trouble + ": "
                    + table.sequence().pattern().number(before) + " and " + table.sequence().pattern().number(after) + " are mixed";
            case ReelFrame.SourceFrame _ -> wanted + trouble;
        };
    }

    @Override
    public List<Long> cuts() {
        return plan().spans().stream().skip(1).map(ReelPlan.Span::start).toList();
    }

    @Override
    public Optional<Rate> rate() {
        return programme.rate();
    }

    @Override
    public Optional<Size> size() {
        return programme.size();
    }

    @Override
    public PixelAspect pixelAspect() {
        return programme.shape().map(PictureFormat::pixelAspect).orElse(PixelAspect.SQUARE);
    }

    @Override
    public boolean transparent() {
        return programme.transparent();
    }

    @Override
    public String describe() {
        return programme.shape().map(f -> f.size() + "  pixel " + f.pixelAspect() + (transparent() ? "  with alpha" : "")).orElse("");
    }
}
