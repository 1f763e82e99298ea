package dev.vat.engine.viewer;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.WorkingFormat;
import dev.vat.core.time.Rational;
import dev.vat.core.trial.PairLikeness;
import dev.vat.engine.protocol.Message;
import dev.vat.media.CardPainter;
import dev.vat.media.CodeValues;
import dev.vat.media.Composer;
import dev.vat.media.Conversion;
import dev.vat.media.Differences;
import dev.vat.media.DrawingPainter;
import dev.vat.media.FrameRead;
import dev.vat.media.FrameReader;
import dev.vat.media.Grounds;
import dev.vat.media.LetterPainter;
import dev.vat.media.Likeness;
import dev.vat.media.Mixing;
import dev.vat.media.MovieFrames;
import dev.vat.media.OddMarks;
import dev.vat.media.PassSum;
import dev.vat.media.Picture;
import dev.vat.media.Placing;
import dev.vat.media.ScopePainter;
import dev.vat.media.Scopes;
import dev.vat.media.ScreenPainter;
import dev.vat.media.ViewsPainter;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Makes single pictures for the screen, by the same steps as a run. Belongs to one thread, for as long as that lives. */
final class PictureMaker {

    /** What files that Vat made hold. */
    private static final PictureReading DELIVERED = PictureReading.of(AlphaKind.STRAIGHT, false);
    /** What Vat draws by itself. */
    private static final PictureReading DRAWN = PictureReading.of(AlphaKind.NONE, false);
    private static final int MOST_PLACINGS = 8;
    private static final int MOST_MOVIES = 4;

    private final FrameReader reader = new FrameReader();
    private final Composer opaque = new Composer(WorkingFormat.W16, false);
    private final Composer transparent = new Composer(WorkingFormat.W16, true);
    private final Composer highOpaque = new Composer(WorkingFormat.HIGH, false);
    private final Composer highTransparent = new Composer(WorkingFormat.HIGH, true);
    private final DrawingPainter drawings = new DrawingPainter();
    private final CardPainter cards = new CardPainter();
    /** Those used last: while somebody tries sizes there is a new one with every step. */
    private final Map<Message.Placed, Placing> placings = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Message.Placed, Placing> eldest) {
            if (size() > MOST_PLACINGS) {
                eldest.getValue().close();
                return true;
            }
            return false;
        }
    };
    private final PassSum sums = new PassSum();
    private final Map<Composer, ViewsPainter> layouts = new IdentityHashMap<>();
    private ScreenPainter painter;
    private Conversion conversion;
    private Message.As convertedAs;
    private int width;
    private int height;
    private LetterPainter letters;
    private final Scopes scopes = new Scopes();
    private Likeness likeness;
    private Size measured;
    private PixelAspect lettersFor;
    /** Those read last: two are compared, or parts of one. */
    private final Map<String, MovieFrames> movies = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, MovieFrames> eldest) {
            if (size() > MOST_MOVIES) {
                eldest.getValue().close();
                return true;
            }
            return false;
        }
    };

    void make(Message.Show show, MemorySegment target) {
        Message.Shape shape = show.shape();
        if (show.subject() instanceof Message.Scope scope) {
            try (Picture stored = counted(scope.picture())) {
                ScopePainter.paint(scopes.look(stored), ScopePainter.Kind.valueOf(scope.kind().name()), shape.width(), shape.height(), target);
            }
            return;
        }
        if (painter == null || width != shape.width() || height != shape.height()) {
            if (painter != null) {
                painter.close();
            }
            painter = new ScreenPainter(shape.width(), shape.height());
            width = shape.width();
            height = shape.height();
        }
        try (Picture delivered = show.subject() instanceof Message.Against against ? difference(against, shape) : taken(new Message.Taken(show.subject(), shape.as()))) {
            painter.paint(delivered, shape.look() == Message.Look.ALPHA && !(show.subject() instanceof Message.Against) ? ScreenPainter.Show.ALPHA : ScreenPainter.Show.COLOUR,
                    shape.ground(), target);
        }
        if (shape.look() == Message.Look.ODD && picture(show.subject()) instanceof Message.Still still) {
            markOdd(still, shape, target);
        }
    }

    private Picture taken(Message.Taken what) {
        try (Picture working = working(what.picture(), isHigh(what.as()))) {
            return delivered(working, what.picture(), what.as());
        }
    }

    /** Two pictures in the same samples and at the same size, 16 bits with alpha. */
    private final class Both implements AutoCloseable {
        private final Picture first;
        private final Picture second;

        Both(Message.Taken one, Message.Taken other) {
            first = even(taken(one));
            Picture taken = even(taken(other));
            if (taken.width() == first.width() && taken.height() == first.height()) {
                second = taken;
            } else {
                try (taken) {
                    Size size = Size.of(first.width(), first.height());
                    Size own = Size.of(taken.width(), taken.height());
                    second = placings.computeIfAbsent(new Message.Placed(Placement.of(own, PixelAspect.SQUARE, size, PixelAspect.SQUARE, Fit.STRETCH, Rational.ZERO, Rational.ZERO, Chroma.RGB), size),
                            w -> new Placing(w.placement(), w.frame())).place(taken);
                } catch (RuntimeException e) {
                    first.close();
                    throw e;
                }
            }
        }

        private Picture even(Picture picture) {
            try (picture) {
                return transparent.compose(picture, DELIVERED);
            }
        }

        @Override
        public void close() {
            first.close();
            second.close();
        }
    }

    private Picture difference(Message.Against against, Message.Shape shape) {
        try (Both both = new Both(against.first(), against.second())) {
            return Differences.of(both.first, both.second, new Differences.Show(against.gain(), against.signed(), shape.look() == Message.Look.ALPHA), shape.width(), shape.height());
        }
    }

    /** How like two pictures are; of R, G, B at the first one's size. */
    PairLikeness likeness(Message.Pair pair) {
        try (Both both = new Both(pair.first(), pair.second())) {
            Size size = Size.of(both.first.width(), both.first.height());
            if (!size.equals(measured)) {
                if (likeness != null) {
                    likeness.close();
                }
                likeness = new Likeness(false);
                measured = size;
            }
            Likeness.Value value = likeness.compare(both.second, both.first);
            return new PairLikeness(Double.isInfinite(value.psnr()) ? null : value.psnr(), value.ssim(), Differences.most(both.first, both.second),
                    Differences.cells(both.first, both.second, PairLikeness.COLUMNS, PairLikeness.ROWS));
        }
    }

    /** The samples at a place, of a file's picture as its encoder takes it, of a source's as its file holds it. */
    String sample(Message.Sample sample) {
        try (Picture stored = stored(sample.picture())) {
            return CodeValues.at(stored, (int) Math.clamp(sample.x() * stored.width(), 0, stored.width() - 1), (int) Math.clamp(sample.y() * stored.height(), 0, stored.height() - 1));
        }
    }

    private Picture stored(Message.Taken taken) {
        Message.Subject shown = picture(taken.picture());
        return taken.as() != null ? converted(taken) : shown instanceof Message.Movie(String path, long frame) ? movie(path).frame(frame)
                : shown instanceof Message.Still still && still.placed() == null ? decoded(still) : taken(taken);
    }

    /** A file's picture as its encoder takes it, or as its decoder gives it; a source's as it is taken. */
    private Picture counted(Message.Taken what) {
        return what.as() != null || picture(what.picture()) instanceof Message.Movie ? stored(what) : taken(what);
    }

    /** How far the samples of a picture reach, in words. */
    String levels(Message.Taken taken) {
        try (Picture stored = counted(taken)) {
            return scopes.look(stored).levels();
        }
    }

    private Picture decoded(Message.Still still) {
        return switch (reader.read(Path.of(still.path()), still.kind(), still.how().layer(), still.frame())) {
            case FrameRead.Unsound unsound -> throw new MediaUnavailable(unsound.state().label() + ": " + unsound.why());
            case FrameRead.Sound sound -> sound.picture();
        };
    }

    private static boolean isHigh(Message.As as) {
        return as != null && as.treatment().colour().isHighRange();
    }

    /** How a file is read again for a screen of ordinary range: what is brighter than white is white there. */
    private static PictureReading asRead(Treatment treatment) {
        return switch (treatment.colour().transfer()) {
            case "linear" -> PictureReading.of(AlphaKind.PREMULTIPLIED, true);
            case "smpte2084" -> new PictureReading(AlphaKind.STRAIGHT, null, ColourReading.TAGGED.withTags(9, 16));
            case "arib-std-b67" -> new PictureReading(AlphaKind.STRAIGHT, null, ColourReading.TAGGED.withTags(9, 18));
            default -> DELIVERED;
        };
    }

    /** Through the conversion that a deliverable's encoder is fed by, and back as a reader would. */
    private Picture delivered(Picture working, Message.Subject subject, Message.As as) {
        Lettering lettering = subject instanceof Message.Lettered written ? written.lettering() : Lettering.NOTHING;
        if (as == null) {
            return subject instanceof Message.Lettered written ? letters(written.pixelAspect()).on(working, lettering) : working.share();
        }
        try (Picture converted = conversion(as).convert(working, lettering)) {
            return transparent.compose(converted, asRead(as.treatment()));
        }
    }

    private Conversion conversion(Message.As as) {
        if (!as.equals(convertedAs)) {
            if (conversion != null) {
                conversion.close();
            }
            conversion = new Conversion(Catalogue.codec(as.codec()), as.size(), as.pixelAspect(), as.treatment());
            convertedAs = as;
        }
        return conversion;
    }

    /** As an encoder takes it. */
    private Picture converted(Message.Taken what) {
        Lettering lettering = what.picture() instanceof Message.Lettered written ? written.lettering() : Lettering.NOTHING;
        try (Picture working = working(what.picture(), isHigh(what.as()))) {
            return conversion(what.as()).convert(working, lettering);
        }
    }

    private LetterPainter letters(PixelAspect pixel) {
        if (letters == null || !pixel.equals(lettersFor)) {
            letters = new LetterPainter(pixel);
            lettersFor = pixel;
        }
        return letters;
    }

    /** Without what is written into it. */
    private static Message.Subject picture(Message.Subject subject) {
        return subject instanceof Message.Lettered lettered ? lettered.picture() : subject;
    }

    private Picture working(Message.Subject subject, boolean high) {
        return working(subject, composer(isTransparent(subject), high));
    }

    private Picture working(Message.Subject subject, Composer composer) {
        return switch (subject) {
            case Message.Still still -> still(still, composer);
            case Message.Blend(Message.Still before, Message.Still after, Rational share) -> mixed(before, after, share, composer);
            case Message.Cross(Message.Subject from, Message.Subject to, Rational share) -> mixed(from, to, share, composer);
            case Message.Card card -> {
                try (Picture drawn = cards.paint(WorkingFormat.W16, false, card.width(), card.height(), card.lines())) {
                    yield composer.compose(drawn, DRAWN);
                }
            }
            case Message.Plain(int across, int down, Rgb colour) -> {
                try (Picture drawn = Grounds.plain(colour, false, across, down)) {
                    yield composer.compose(drawn, DRAWN);
                }
            }
            case Message.Drawing(int across, int down, PixelAspect pixel, ReelFrame.Drawing what) -> drawings.working(what, composer, false, across, down, pixel);
            case Message.Lettered lettered -> working(lettered.picture(), composer);
            case Message.Views views -> views(views, composer);
            case Message.Passes passes -> passes(passes, composer);
            case Message.Against _, Message.Scope _ -> throw new MediaUnavailable("only pictures can be compared and measured");
            case Message.Movie asked -> {
                try (Picture frame = movie(asked.path()).frame(asked.frame())) {
                    yield transparent.compose(frame, DELIVERED);
                }
            }
        };
    }

    private Picture views(Message.Views views, Composer composer) {
        List<ViewsPainter.Shown> shown = new ArrayList<>();
        try {
            for (int i = 0; i < views.pictures().size(); i++) {
                Message.Subject view = views.pictures().get(i);
                boolean drawn = view instanceof Message.Card || view instanceof Message.Plain || view instanceof Message.Drawing;
                shown.add(new ViewsPainter.Shown(working(view, composer), views.captions().get(i), drawn));
            }
            return layouts.computeIfAbsent(composer, c -> new ViewsPainter(c, c == transparent || c == highTransparent, views.pixelAspect())).paint(views.layout(), shown);
        } finally {
            shown.forEach(s -> s.picture().close());
        }
    }

    /** Captions that don't fit at their size, in words. */
    String tooLong(Message.Views views) {
        LetterPainter painter = letters(views.pixelAspect());
        List<String> words = new ArrayList<>();
        for (int i = 0; i < views.captions().size(); i++) {
            Placement.Box box = views.layout().laid().get(i).box();
            for (Lettering.Written line : views.captions().get(i).lines()) {
                double fits = painter.fits(line, views.captions().get(i).face(), box.width(), box.height());
                if (fits < 1) {
                    double wished = line.size() * box.height() / views.layout().size().height();
                    words.add(String.format(Locale.ROOT, "View %d: \u201c%s\u201d is too long for its place and stands at %.1f %% instead of %.1f %%.", i + 1, line.text(), wished * fits, wished));
                }
            }
        }
        return String.join(" ", words);
    }

    private Picture passes(Message.Passes passes, Composer composer) {
        List<PassSum.Decoded> decoded = new ArrayList<>();
        try {
            for (Message.Still pass : passes.pictures()) {
                decoded.add(new PassSum.Decoded(decoded(pass), pass.how()));
            }
            try (Picture sum = sums.sum(passes.mix(), decoded)) {
                return placed(composer.compose(sum, new PictureReading(passes.transparent() ? AlphaKind.PREMULTIPLIED : AlphaKind.NONE, null, passes.mix().colour())), passes.placed());
            }
        } finally {
            decoded.forEach(d -> d.picture().close());
        }
    }

    private Picture mixed(Message.Subject from, Message.Subject to, Rational share, Composer composer) {
        try (Picture before = working(from, composer); Picture after = working(to, composer)) {
            return Mixing.mix(before, after, share);
        }
    }

    private Picture still(Message.Still still, Composer composer) {
        return switch (reader.read(Path.of(still.path()), still.kind(), still.how().layer(), still.frame())) {
            case FrameRead.Unsound unsound -> throw new MediaUnavailable(unsound.state().label() + ": " + unsound.why());
            case FrameRead.Sound sound -> {
                try (Picture decoded = sound.picture()) {
                    yield placed(composer.compose(decoded, still.how()), still.placed());
                }
            }
        };
    }

    private Picture placed(Picture working, Message.Placed where) {
        if (where == null) {
            return working;
        }
        try (working) {
            return placings.computeIfAbsent(where, w -> new Placing(w.placement(), w.frame())).place(working);
        }
    }

    private void markOdd(Message.Still still, Message.Shape shape, MemorySegment target) {
        if (reader.read(Path.of(still.path()), still.kind(), still.how().layer(), still.frame()) instanceof FrameRead.Sound sound) {
            try (Picture decoded = sound.picture()) {
                OddMarks.paint(decoded, target, shape.width(), shape.height());
            }
        }
    }

    private static boolean isTransparent(Message.Subject subject) {
        return switch (subject) {
            case Message.Still still -> still.how().alpha().carriesTransparency();
            case Message.Blend(Message.Still before, Message.Still _, Rational _) -> isTransparent(before);
            case Message.Cross(Message.Subject from, Message.Subject to, Rational _) -> isTransparent(from) || isTransparent(to);
            case Message.Lettered lettered -> isTransparent(lettered.picture());
            case Message.Card _, Message.Plain _, Message.Drawing _ -> false;
            case Message.Movie _ -> true;
            case Message.Passes passes -> passes.transparent();
            case Message.Views views -> views.pictures().stream().anyMatch(PictureMaker::isTransparent);
            case Message.Against _, Message.Scope _ -> false;
        };
    }

    private Composer composer(boolean keep, boolean high) {
        return high ? keep ? highTransparent : highOpaque : keep ? transparent : opaque;
    }

    private MovieFrames movie(String path) {
        return movies.computeIfAbsent(path, p -> new MovieFrames(Path.of(p)));
    }

    /** A picture that can't be made, with the reason for people. */
    static final class MediaUnavailable extends RuntimeException {
        private static final long serialVersionUID = 1L;

        MediaUnavailable(String why) {
            super(why);
        }
    }
}
