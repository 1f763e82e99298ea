package dev.vat.engine.picture;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.Programme;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.Rational;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.run.FrameFeed;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The pictures of a reel's frames, as a viewer is asked for them. A place of which a file isn't there has none.
 *
 * @param pass the pass of a shot that is shown by itself, or null for the whole picture
 */
public record ReelPictures(Programme programme, String pass) {

    public ReelPictures(Programme programme) {
        this(programme, null);
    }

    /** A source's frame by itself. */
    public static Message.Still still(Source source, FrameTable table, long frame) {
        return new Message.Still(table.sequence().file(frame).toString(), table.sequence().kind(), frame, table.sequence().modified(table.sequence().indexOf(frame)),
                source.reading().picture().resolve(table));
    }

    /** Without what is written into it. */
    public Optional<Message.Subject> at(long place) {
        return of(programme.plan().at(place));
    }

    public Optional<Message.Subject> of(ReelFrame frame) {
        return subject(frame, programme.size().orElse(null));
    }

    /** @param size of what is drawn, or null while it isn't known */
    private Optional<Message.Subject> subject(ReelFrame frame, Size size) {
        Optional<Size> drawn = Optional.ofNullable(size);
        return switch (frame.content()) {
            case ReelFrame.Card(String reason) -> drawn.map(s -> new Message.Card(s.width(), s.height(),
                    FrameFeed.cardLines(entry(frame).table().sequence().pattern().number(frame.wanted()), reason, entry(frame).table().sequence().name())));
            case ReelFrame.Plain(Rgb colour) -> drawn.map(s -> new Message.Plain(s.width(), s.height(), colour));
            case ReelFrame.Drawing drawing -> drawn.map(s -> new Message.Drawing(s.width(), s.height(), pixelAspect(), drawing));
            case ReelFrame.SourceFrame(long number) -> still(frame, number).map(s -> s);
            case ReelFrame.Blend(long before, long after, Rational share) -> still(frame, before).flatMap(low -> still(frame, after).map(high -> new Message.Blend(low, high, share)));
            case ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share) -> subject(from, size).flatMap(low -> subject(to, size).map(high -> new Message.Cross(low, high, share)));
            case ReelFrame.Together(Assembly.Views how, List<ReelFrame> frames) -> views(frame, how, frames);
            case ReelFrame.Together(Assembly.Passes how, List<ReelFrame> frames) -> passes(frame, how, frames).map(s -> s);
        };
    }

    private Optional<Message.Subject> views(ReelFrame layout, Assembly.Views how, List<ReelFrame> frames) {
        List<Message.Subject> views = new ArrayList<>();
        List<Lettering> captions = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            ReelFrame view = frames.get(i);
            Programme.Entry entry = programme.entry(view.item()).orElse(null);
            boolean mixed = view.content() instanceof ReelFrame.Cross || view.content() instanceof ReelFrame.Blend;
            Optional<Message.Subject> subject = subject(view, mixed ? entry.format().map(PictureFormat::size).orElse(null) : how.laid().get(i).box().size());
            if (subject.isEmpty()) {
                return Optional.empty();
            }
            views.add(subject.get());
            captions.add(how.letteringAt(i, layout.wanted(), view, entry == null || view.content() instanceof ReelFrame.Plain ? null : entry.table().sequence().location()));
        }
        return Optional.of(new Message.Views(how, pixelAspect(), views, captions));
    }

    private Optional<Message.Passes> passes(ReelFrame frame, Assembly.Passes how, List<ReelFrame> frames) {
        List<Message.Still> passes = frames.stream().flatMap(f -> still(f, ((ReelFrame.SourceFrame) f.content()).number()).stream()).toList();
        Programme.Entry main = entry(frame);
        for (int i = 0; pass != null && i < how.passes().size() && passes.size() == frames.size(); i++) {
            if (how.passes().get(i).name().equals(pass)) {
                return Optional.of(new Message.Passes(new Assembly.Passes(List.of(how.passes().get(i)), how.colour()), List.of(passes.get(i)), main.picture().alpha().carriesTransparency(), placed(main)));
            }
        }
        return passes.isEmpty() || passes.size() < frames.size() ? Optional.empty()
                : Optional.of(new Message.Passes(how, passes, main.picture().alpha().carriesTransparency(), placed(main)));
    }

    private Optional<Message.Still> still(ReelFrame frame, long number) {
        Programme.Entry entry = entry(frame);
        if (!entry.table().sequence().has(number)) {
            return Optional.empty();
        }
        Message.Still still = still(entry.source(), entry.table(), number);
        return Optional.of(new Message.Still(still.path(), still.kind(), still.frame(), still.modified(), entry.picture(), placed(entry)));
    }

    /** Where an item's picture lies in the reel's frame; null for all of it. */
    private Message.Placed placed(Programme.Entry entry) {
        return programme.placement(entry).map(p -> new Message.Placed(p, programme.size().orElseThrow())).orElse(null);
    }

    private Programme.Entry entry(ReelFrame frame) {
        return programme.entry(frame.item()).orElseThrow();
    }

    private PixelAspect pixelAspect() {
        return programme.shape().map(PictureFormat::pixelAspect).orElse(PixelAspect.SQUARE);
    }
}
