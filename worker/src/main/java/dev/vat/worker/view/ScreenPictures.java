package dev.vat.worker.view;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Chroma;
import dev.vat.core.delivery.Fit;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.time.Rational;
import dev.vat.core.trial.PairLikeness;
import dev.vat.core.words.Words;
import dev.vat.media.convert.ScreenPainter;
import dev.vat.media.draw.LetterPainter;
import dev.vat.media.frame.FrameMaker;
import dev.vat.media.lib.Kept;
import dev.vat.media.measure.Differences;
import dev.vat.media.measure.Likeness;
import dev.vat.media.measure.OddMarks;
import dev.vat.media.measure.ScopePainter;
import dev.vat.media.measure.Scopes;
import dev.vat.media.picture.CodeValues;
import dev.vat.media.picture.Picture;
import dev.vat.protocol.ViewerMessage;
import dev.vat.worker.output.OutputPictures;
import java.io.IOException;
import java.lang.foreign.Arena;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.List;

/** Single pictures for the screen and what is measured of them. Belongs to one thread. */
final class ScreenPictures implements AutoCloseable {

    private static final Words WORDS = Words.of(ScreenPictures.class);

    private static final int MOST_PAINTERS = 2;

    private final SeenFrames frames = new SeenFrames();
    private final FrameMaker maker = new FrameMaker(frames);
    private final OutputPictures outputs = new OutputPictures(maker);
    private final Kept<Size, ScreenPainter> painters = new Kept<>(MOST_PAINTERS, s -> new ScreenPainter(s.width(), s.height()),
            ScreenPainter::close);
    private final Kept<Size, Likeness> likenesses = new Kept<>(1, _ -> new Likeness(false), Likeness::close);
    private final Scopes scopes = new Scopes();

    /** @param target receives BGRA, premultiplied, rows from the top without anything between */
    void paint(ViewerMessage.Subject subject, ViewerMessage.Shape shape, MemorySegment target) throws IOException {
        switch (subject) {
            case ViewerMessage.Scope scope -> {
                try (Picture counted = outputs.counted(scope.picture())) {
                    ScopePainter.paint(scopes.look(counted), ScopePainter.Kind.valueOf(scope.kind().name()), shape.width(), shape.height(),
                            target);
                }
            }
            case ViewerMessage.Against against -> {
                try (Both both = both(against.first(), against.second()); Picture difference = Differences.of(both.first, both.second,
                        new Differences.Show(against.gain(), against.signed(), shape.look() == ViewerMessage.Showing.ALPHA), shape.width(),
                        shape.height())) {
                    painter(shape).paint(difference, ScreenPainter.Show.COLOUR, shape.ground(), target);
                }
            }
            case ViewerMessage.Made(Recipe recipe) -> {
                try (Picture shown = outputs.shown(new ViewerMessage.Taken(recipe, shape.as()))) {
                    painter(shape).paint(shown,
                            shape.look() == ViewerMessage.Showing.ALPHA ? ScreenPainter.Show.ALPHA : ScreenPainter.Show.COLOUR,
                            shape.ground(), target);
                }
                if (shape.look() == ViewerMessage.Showing.ODD && recipe.plain() instanceof Recipe.Frame frame) {
                    try (Picture stored = maker.stored(frame)) {
                        OddMarks.paint(stored, target, shape.width(), shape.height());
                    }
                }
            }
        }
    }

    /** Pixels as whole numbers, {@code 0xAARRGGBB}, row by row, over black. */
    int[] pixels(Recipe recipe, int width, int height) throws IOException {
        try (Arena arena = Arena.ofConfined()) {
            MemorySegment target = arena.allocate(4L * width * height, Integer.BYTES);
            paint(new ViewerMessage.Made(recipe), new ViewerMessage.Shape(width, height, Rgb.BLACK, ViewerMessage.Showing.COLOUR, null),
                    target);
            return target.toArray(ValueLayout.JAVA_INT);
        }
    }

    private ScreenPainter painter(ViewerMessage.Shape shape) {
        return painters.get(Size.of(shape.width(), shape.height()));
    }

    /** Two pictures in the same samples and at the same size, 16 bits with alpha. */
    private record Both(Picture first, Picture second) implements AutoCloseable {
        @Override
        public void close() {
            first.close();
            second.close();
        }
    }

    private Both both(ViewerMessage.Taken one, ViewerMessage.Taken other) throws IOException {
        try (Picture first = even(one); Picture second = even(other)) {
            if (second.width() == first.width() && second.height() == first.height()) {
                return new Both(first.share(), second.share());
            }
            Size size = Size.of(first.width(), first.height());
            Placement stretched = Placement.of(Size.of(second.width(), second.height()), PixelAspect.SQUARE, size, PixelAspect.SQUARE,
                    Fit.STRETCH, Rational.ZERO, Rational.ZERO, Chroma.RGB);
            return new Both(first.share(), maker.placed(second, new Recipe.Placed(stretched, size)));
        }
    }

    private Picture even(ViewerMessage.Taken taken) throws IOException {
        try (Picture shown = outputs.shown(taken)) {
            return maker.composed(shown, OutputPictures.FINISHED, OutputPictures.EVEN);
        }
    }

    /** How like two pictures are; of R, G, B at the first one's size. */
    PairLikeness likeness(ViewerMessage.Pair pair) throws IOException {
        try (Both both = both(pair.first(), pair.second())) {
            Likeness.Value value = likenesses.get(Size.of(both.first.width(), both.first.height())).compare(both.second, both.first);
            Differences.Extremes extremes = Differences.extremes(both.first, both.second);
            return new PairLikeness(Double.isInfinite(value.psnr()) ? null : value.psnr(), value.ssim(), extremes.most(),
                    Differences.cells(both.first, both.second, PairLikeness.COLUMNS, PairLikeness.ROWS), extremes.whiter());
        }
    }

    /** The samples at a place, of a file's picture as its encoder takes it, of a source's as its file holds it. */
    String sample(ViewerMessage.Sample sample) throws IOException {
        try (Picture stored = outputs.stored(sample.picture())) {
            return CodeValues.at(stored, (int) Math.clamp(sample.x() * stored.width(), 0, stored.width() - 1),
                    (int) Math.clamp(sample.y() * stored.height(), 0, stored.height() - 1));
        }
    }

    /** How far the samples of a picture reach, in words. */
    String levels(ViewerMessage.Taken taken) throws IOException {
        try (Picture counted = outputs.counted(taken)) {
            return scopes.look(counted).levels();
        }
    }

    /** Captions that don't fit at their size, in words. */
    String tooLong(Recipe.Views views) {
        LetterPainter painter = maker.letters(views.pixelAspect());
        List<String> words = new ArrayList<>();
        for (int i = 0; i < views.captions().size(); i++) {
            Placement.Box box = views.layout().laid().get(i).box();
            for (Lettering.Written line : views.captions().get(i).lines()) {
                double fits = painter.fits(line, views.captions().get(i).face(), box.width(), box.height());
                if (fits < 1) {
                    double wished = line.size() * box.height() / views.layout().size().height();
                    words.add(WORDS.say("viewIsTooLongForItsPlace", i + 1, line.text(), Words.decimal(wished * fits, 1),
                            Words.decimal(wished, 1)));
                }
            }
        }
        return String.join(" ", words);
    }

    @Override
    public void close() {
        outputs.close();
        painters.close();
        likenesses.close();
        scopes.close();
        maker.close();
        frames.close();
    }
}
