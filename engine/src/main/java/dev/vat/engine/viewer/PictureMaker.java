package dev.vat.engine.viewer;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.run.WorkingFormat;
import dev.vat.engine.protocol.Message;
import dev.vat.media.CardPainter;
import dev.vat.media.Composer;
import dev.vat.media.Conversion;
import dev.vat.media.FrameRead;
import dev.vat.media.FrameReader;
import dev.vat.media.MovieFrames;
import dev.vat.media.Picture;
import dev.vat.media.ScreenPainter;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;

/** Makes single pictures for the screen, by the same steps as a run. Belongs to one thread, for as long as that lives. */
final class PictureMaker {

    private final FrameReader reader = new FrameReader();
    private final Composer opaque = new Composer(WorkingFormat.W16, false);
    private final Composer transparent = new Composer(WorkingFormat.W16, true);
    private final CardPainter cards = new CardPainter();
    private ScreenPainter painter;
    private Conversion conversion;
    private Message.As convertedAs;
    private int width;
    private int height;
    private MovieFrames movie;
    private String moviePath;

    void make(Message.Show show, MemorySegment target) {
        Message.Shape shape = show.shape();
        if (painter == null || width != shape.width() || height != shape.height()) {
            if (painter != null) {
                painter.close();
            }
            painter = new ScreenPainter(shape.width(), shape.height());
            width = shape.width();
            height = shape.height();
        }
        try (Picture working = working(show.subject()); Picture delivered = delivered(working, shape.as())) {
            painter.paint(delivered, shape.alpha() ? ScreenPainter.Show.ALPHA : ScreenPainter.Show.COLOUR, shape.ground(), target);
        }
    }

    /** Through the conversion that a deliverable's encoder is fed by, and back as a reader would. */
    private Picture delivered(Picture working, Message.As as) {
        if (as == null) {
            return working.share();
        }
        if (!as.equals(convertedAs)) {
            if (conversion != null) {
                conversion.close();
            }
            conversion = new Conversion(Catalogue.target(as.target()).codec(), as.size(), as.flatten());
            convertedAs = as;
        }
        try (Picture converted = conversion.convert(working)) {
            return transparent.compose(converted, AlphaKind.STRAIGHT);
        }
    }

    private Picture working(Message.Subject subject) {
        return switch (subject) {
            case Message.Still still -> still(still);
            case Message.Card card -> cards.paint(WorkingFormat.W16, false, card.width(), card.height(), card.lines());
            case Message.Movie asked -> {
                try (Picture frame = movie(asked.path()).frame(asked.frame())) {
                    yield transparent.compose(frame, AlphaKind.STRAIGHT);
                }
            }
        };
    }

    private Picture still(Message.Still still) {
        return switch (reader.read(Path.of(still.path()), still.kind())) {
            case FrameRead.Unsound unsound -> throw new MediaUnavailable(unsound.state().label() + ": " + unsound.why());
            case FrameRead.Sound sound -> {
                try (Picture decoded = sound.picture()) {
                    boolean alpha = still.alpha() != AlphaKind.NONE && still.alpha() != AlphaKind.OPAQUE;
                    yield (alpha ? transparent : opaque).compose(decoded, still.alpha());
                }
            }
        };
    }

    private MovieFrames movie(String path) {
        if (!path.equals(moviePath)) {
            if (movie != null) {
                movie.close();
                movie = null;
            }
            moviePath = null;
            movie = new MovieFrames(Path.of(path));
            moviePath = path;
        }
        return movie;
    }

    /** A picture that can't be made, with the reason for people. */
    static final class MediaUnavailable extends RuntimeException {
        private static final long serialVersionUID = 1L;

        MediaUnavailable(String why) {
            super(why);
        }
    }
}
