package dev.vat.engine.viewer;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.ColourReading;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.run.WorkingFormat;
import dev.vat.core.time.Rational;
import dev.vat.engine.protocol.Message;
import dev.vat.media.CardPainter;
import dev.vat.media.Composer;
import dev.vat.media.Conversion;
import dev.vat.media.FrameRead;
import dev.vat.media.FrameReader;
import dev.vat.media.Mixing;
import dev.vat.media.MovieFrames;
import dev.vat.media.OddMarks;
import dev.vat.media.Picture;
import dev.vat.media.ScreenPainter;
import java.lang.foreign.MemorySegment;
import java.nio.file.Path;

/** Makes single pictures for the screen, by the same steps as a run. Belongs to one thread, for as long as that lives. */
final class PictureMaker {

    /** What files that Vat made hold. */
    private static final PictureReading DELIVERED = PictureReading.of(AlphaKind.STRAIGHT, false);

    private final FrameReader reader = new FrameReader();
    private final Composer opaque = new Composer(WorkingFormat.W16, false);
    private final Composer transparent = new Composer(WorkingFormat.W16, true);
    private final Composer highOpaque = new Composer(WorkingFormat.HIGH, false);
    private final Composer highTransparent = new Composer(WorkingFormat.HIGH, true);
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
        try (Picture working = working(show.subject(), isHigh(shape.as())); Picture delivered = delivered(working, shape.as())) {
            painter.paint(delivered, shape.look() == Message.Look.ALPHA ? ScreenPainter.Show.ALPHA : ScreenPainter.Show.COLOUR,
                    shape.ground(), target);
        }
        if (shape.look() == Message.Look.ODD && show.subject() instanceof Message.Still still) {
            markOdd(still, shape, target);
        }
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
    private Picture delivered(Picture working, Message.As as) {
        if (as == null) {
            return working.share();
        }
        if (!as.equals(convertedAs)) {
            if (conversion != null) {
                conversion.close();
            }
            conversion = new Conversion(Catalogue.codec(as.codec()), as.size(), as.treatment());
            convertedAs = as;
        }
        try (Picture converted = conversion.convert(working)) {
            return transparent.compose(converted, asRead(as.treatment()));
        }
    }

    private Picture working(Message.Subject subject, boolean high) {
        return switch (subject) {
            case Message.Still still -> still(still, composer(still, high));
            case Message.Blend(Message.Still before, Message.Still after, Rational share) -> {
                try (Picture low = still(before, composer(before, high)); Picture top = still(after, composer(before, high))) {
                    yield Mixing.mix(low, top, share);
                }
            }
            case Message.Card card -> {
                try (Picture drawn = cards.paint(WorkingFormat.W16, false, card.width(), card.height(), card.lines())) {
                    yield high ? highOpaque.compose(drawn, DELIVERED) : drawn.share();
                }
            }
            case Message.Movie asked -> {
                try (Picture frame = movie(asked.path()).frame(asked.frame())) {
                    yield transparent.compose(frame, DELIVERED);
                }
            }
        };
    }

    private Picture still(Message.Still still, Composer composer) {
        return switch (reader.read(Path.of(still.path()), still.kind(), still.how().layer(), still.frame())) {
            case FrameRead.Unsound unsound -> throw new MediaUnavailable(unsound.state().label() + ": " + unsound.why());
            case FrameRead.Sound sound -> {
                try (Picture decoded = sound.picture()) {
                    yield composer.compose(decoded, still.how());
                }
            }
        };
    }

    private void markOdd(Message.Still still, Message.Shape shape, MemorySegment target) {
        if (reader.read(Path.of(still.path()), still.kind(), still.how().layer(), still.frame()) instanceof FrameRead.Sound sound) {
            try (Picture decoded = sound.picture()) {
                OddMarks.paint(decoded, target, shape.width(), shape.height());
            }
        }
    }

    private Composer composer(Message.Still still, boolean high) {
        boolean keep = still.how().alpha().carriesTransparency();
        return high ? keep ? highTransparent : highOpaque : keep ? transparent : opaque;
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
