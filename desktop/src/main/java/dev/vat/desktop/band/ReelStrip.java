package dev.vat.desktop.band;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.reel.ReelSpan;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.resolved.ReelEntry;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A reel as it will be made.
 *
 * @param heard with it, or null
 * @param words that are written into its pictures, or null where they are clean
 * @param pass that is shown by itself, or null for the whole picture
 */
public record ReelStrip(ResolvedReel programme, ReelSound heard, PictureWords words, String pass) implements FrameTrack {

    private static final Words WORDS = Words.of(ReelStrip.class);

    /** Of whole pictures. */
    public ReelStrip(ResolvedReel programme, ReelSound heard, PictureWords words) {
        this(programme, heard, words, null);
    }

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

    private ReelEntry entry(ReelFrame frame) {
        return programme.entry(frame.item()).orElseThrow();
    }

    private boolean isDrawn(ReelFrame frame) {
        return programme.entry(frame.item()).isEmpty();
    }

    @Override
    public Mark mark(long place) {
        ReelFrame frame = plan().at(place);
        if (frame.isFill()) {
            return Mark.FILLED;
        }
        if (isDrawn(frame)) {
            return frame.content() instanceof ReelFrame.Cross ? Mark.MIXED : Mark.GOOD;
        }
        Mark state = SourceStrip.markOf(entry(frame).table().state(frame.wanted()));
        return state != Mark.GOOD ? state
                : entry(frame).source().reading().marked().contains(frame.wanted()) ? Mark.MARKED : played(frame, place);
    }

    /** What became of a good frame by speed, conform, holds and joints. */
    private Mark played(ReelFrame frame, long place) {
        if (!(frame.content() instanceof ReelFrame.SourceFrame) && !(frame.content() instanceof ReelFrame.Together)) {
            return Mark.MIXED;
        }
        ReelSpan span = plan().spans().get(frame.item());
        if (span.even() || place == span.start()) {
            return Mark.GOOD;
        }
        long before = plan().at(place - 1).wanted();
        return before == frame.wanted() ? Mark.HELD : Math.abs(frame.wanted() - before) > span.step() ? Mark.SKIPPED : Mark.GOOD;
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
    public Optional<Recipe> recipe(long place) {
        return programme.recipe(place, words).map(r -> r.ofPass(pass));
    }

    private String number(ReelFrame frame, long number) {
        return entry(frame).table().sequence().pattern().number(number);
    }

    @Override
    public String remark(long place) {
        return remark(plan().at(place));
    }

    private String remark(ReelFrame frame) {
        if (frame.content() instanceof ReelFrame.Together(Assembly.Views _, List<ReelFrame> frames)) {
            return frames.stream().map(this::remark).collect(Collectors.joining("; "));
        }
        if (frame.content() instanceof ReelFrame.Plain(Rgb colour)) {
            return WORDS.say("colour", colour);
        }
        if (isDrawn(frame) && !(frame.content() instanceof ReelFrame.Cross)) {
            return plan().part(frame.item()).item().drawn().title();
        }
        if (frame.content() instanceof ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share)) {
            return WORDS.say("ofOver", percent(share), remark(to), remark(from));
        }
        FrameTable table = entry(frame).table();
        FrameState state = table.state(frame.wanted());
        String wanted = table.sequence().name() + " " + number(frame, frame.wanted()) + (state.isFault() ? ", " + state.label() : "")
                + marked(entry(frame).source().reading(), frame.wanted());
        return switch (frame.content()) {
            case ReelFrame.Card _ -> WORDS.say("aCardStandsIn", wanted);
            case ReelFrame.SourceFrame(long number) -> wanted + (frame.isFill() ? WORDS.say("isHeld", number(frame, number)) : "");
            case ReelFrame.Blend(long before, long after, Rational share) -> WORDS.say("andAreMixedOfTheLaterOne", wanted,
                    number(frame, before), number(frame, after), percent(share));
            case ReelFrame.Together(var _, List<ReelFrame> frames) -> WORDS.say("passes", wanted, frames.size());
            case ReelFrame.Plain _ -> wanted;
            case ReelFrame.Cross _ -> wanted;
            case ReelFrame.Drawing _ -> wanted;
        };
    }

    /** What somebody wants to be rendered again. */
    private static String marked(Reading reading, long number) {
        return !reading.marked().contains(number) ? ""
                : reading.remarks().containsKey(number) ? WORDS.say("marked", reading.remarks().get(number)) : ", marked";
    }

    private static String percent(Rational share) {
        return Math.round(100 * share.toDouble()) + " %";
    }

    @Override
    public List<Long> cuts() {
        return plan().spans().stream().skip(1).map(ReelSpan::start).toList();
    }

    @Override
    public List<FrameRange> dissolves() {
        return plan().spans().stream().filter(s -> s.overlap() > 0)
                .map(s -> FrameRange.of(s.start(), s.start() + s.overlap() - 1)).toList();
    }

    @Override
    public List<Edge> edges() {
        return plan().spans().stream().flatMap(s -> Stream.concat(
                s.overlap() > 0 ? Stream.of(new Edge(s.start() + s.overlap(), s, true, true)) : Stream.empty(),
                Stream.of(Edge.of(s.start(), s, true), Edge.of(s.end(), s, false))))
                .sorted(Comparator.comparingLong(Edge::at).thenComparing(Edge::start)).toList();
    }

    @Override
    public Optional<ReelSound> mix() {
        return Optional.ofNullable(heard);
    }

    @Override
    public Optional<Rate> rate() {
        return programme.rate();
    }

    @Override
    public Optional<Timecode> timecode(long place) {
        return programme.start().map(first -> first.plusFrames(place)).or(() -> FrameTrack.super.timecode(place));
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
        return programme.shape().map(
                f -> f.size() + (f.pixelAspect().isSquare() ? "" : WORDS.say("pixel", f.pixelAspect()))
                        + (transparent() ? WORDS.say("withAlpha") : ""))
                .orElse("");
    }
}
