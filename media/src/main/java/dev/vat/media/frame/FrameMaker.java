package dev.vat.media.frame;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Grounds;
import dev.vat.media.compose.Mixing;
import dev.vat.media.compose.PassSum;
import dev.vat.media.compose.Placing;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.draw.CardPainter;
import dev.vat.media.draw.DrawingPainter;
import dev.vat.media.draw.LetterPainter;
import dev.vat.media.draw.ViewsPainter;
import dev.vat.media.lib.Kept;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * Makes the pictures that recipes tell of: the one way from files to working pictures, for the window as for runs. Working pictures are
 * planar RGB in full range with straight alpha, see {@link Composer}. An instance belongs to one thread.
 */
public final class FrameMaker implements AutoCloseable {

    private static final Words WORDS = Words.of(FrameMaker.class);

    /** Where decoded frames come from. */
    @FunctionalInterface
    public interface Frames {
        /** The whole picture, which the caller closes. @throws IOException naming the file, if it isn't what it is to be */
        Picture decoded(Recipe.Frame frame) throws IOException;
    }

    /** What files that Vat made hold. */
    private static final PictureReading FINISHED = PictureReading.of(AlphaKind.STRAIGHT, false);
    /** While somebody tries sizes there is a new one with every step. */
    private static final int MOST_PLACINGS = 16;
    private static final int MOST_LAYOUTS = 4;
    /** Two are compared, or parts of one. */
    private static final int MOST_MOVIES = 4;

    private record Samples(WorkingFormat format, boolean alpha) {}

    private record Layout(Samples samples, PixelAspect pixelAspect) {}

    private final Frames frames;
    private final Kept<Samples, Composer> composers = new Kept<>(2 * WorkingFormat.values().length, s -> new Composer(s.format, s.alpha),
            Composer::close);
    private final Kept<Recipe.Placed, Placing> placings = new Kept<>(MOST_PLACINGS, p -> new Placing(p.placement(), p.frame()),
            Placing::close);
    private final Kept<Layout, ViewsPainter> layouts = new Kept<>(MOST_LAYOUTS,
            l -> new ViewsPainter(composers.get(l.samples), l.samples.alpha, l.pixelAspect), ViewsPainter::close);
    private final Kept<PixelAspect, LetterPainter> letters = new Kept<>(MOST_LAYOUTS, LetterPainter::new, _ -> {});
    private final Kept<String, MovieFrames> movies = new Kept<>(MOST_MOVIES, path -> new MovieFrames(Path.of(path)), MovieFrames::close);
    private final DrawingPainter drawings = new DrawingPainter();
    private final CardPainter cards = new CardPainter();
    private final PassSum sums = new PassSum();

    public FrameMaker(Frames frames) {
        this.frames = frames;
    }

    /**
     * The picture in each kind, every file read but once. What is written into it by a {@link Recipe.Lettered} is left to whoever
     * converts it.
     *
     * @throws IOException naming the file, if a frame isn't what it is to be
     * @throws dev.vat.media.lib.MediaException if the media library can't make it
     */
    public WorkingPictures make(Recipe recipe, Set<PictureKind> kinds) throws IOException {
        return switch (recipe) {
            case Recipe.Frame frame -> {
                try (Picture decoded = frames.decoded(frame)) {
                    yield placed(composed(decoded, frame.reading(), kinds), frame.placed(), kinds);
                }
            }
            case Recipe.Finished(String path, long frame) -> {
                try (Picture decoded = movies.get(path).frame(frame)) {
                    yield composed(decoded, FINISHED, kinds);
                }
            }
            case Recipe.Mix(Recipe from, Recipe to, Rational share) -> {
                try (WorkingPictures before = make(from, kinds); WorkingPictures after = make(to, kinds)) {
                    yield WorkingPictures.of(kinds, kind -> Mixing.mix(before.in(kind), after.in(kind), share));
                }
            }
            case Recipe.Card(Size size, List<String> lines) -> WorkingPictures.of(kinds, kind -> {
                try (Picture drawn = cards.paint(WorkingFormat.W8, kind.alpha(), size.width(), size.height(), lines)) {
                    return composer(kind).compose(drawn, drawn(kind));
                }
            });
            case Recipe.Plain(Size size, var colour) -> WorkingPictures.of(kinds, kind -> {
                try (Picture drawn = Grounds.plain(colour, kind.alpha(), size.width(), size.height())) {
                    return composer(kind).compose(drawn, drawn(kind));
                }
            });
            case Recipe.Drawing(Size size, PixelAspect pixel, var what) -> WorkingPictures.of(kinds,
                    kind -> drawings.working(what, composer(kind), kind.alpha(), size.width(), size.height(), pixel));
            case Recipe.Passes passes -> passes(passes, kinds);
            case Recipe.Views views -> views(views, kinds);
            case Recipe.Lettered lettered -> make(lettered.picture(), kinds);
        };
    }

    /** The same in one kind; the caller closes it. */
    public Picture make(Recipe recipe, PictureKind kind) throws IOException {
        try (WorkingPictures made = make(recipe, Set.of(kind))) {
            return made.in(kind).share();
        }
    }

    /** The picture as its file holds it, before anything is done to it. */
    public Picture stored(Recipe.Frame frame) throws IOException {
        return frames.decoded(frame);
    }

    /** The same of a finished file. */
    public Picture stored(Recipe.Finished finished) {
        return movies.get(finished.path()).frame(finished.frame());
    }

    /** A picture with words in it. */
    public Picture written(Picture picture, Lettering lettering, PixelAspect pixelAspect) {
        return letters.get(pixelAspect).on(picture, lettering);
    }

    /** What writes words into pictures of such pixels; it stays this one's. */
    public LetterPainter letters(PixelAspect pixelAspect) {
        return letters.get(pixelAspect);
    }

    /** A working picture at another size or place. */
    public Picture placed(Picture working, Recipe.Placed where) {
        return placings.get(where).place(working);
    }

    private Composer composer(PictureKind kind) {
        return composers.get(new Samples(kind.format(), kind.alpha()));
    }

    /** What Vat draws, as displays show it. */
    private static PictureReading drawn(PictureKind kind) {
        return PictureReading.of(kind.alpha() ? AlphaKind.STRAIGHT : AlphaKind.NONE, false);
    }

    /** A decoded picture in one kind of samples; the caller closes it. */
    public Picture composed(Picture decoded, PictureReading reading, PictureKind kind) {
        return composer(kind).compose(decoded, reading);
    }

    /** A pass by itself is known only where passes are; elsewhere it is the picture that there is. */
    private WorkingPictures composed(Picture decoded, PictureReading reading, Set<PictureKind> kinds) throws IOException {
        return WorkingPictures.of(kinds, kind -> composed(decoded, reading, kind));
    }

    /** In the reel's frame. @param where null for all of it */
    private WorkingPictures placed(WorkingPictures pictures, Recipe.Placed where, Set<PictureKind> kinds) throws IOException {
        if (where == null) {
            return pictures;
        }
        try (pictures) {
            return WorkingPictures.of(kinds, kind -> placed(pictures.in(kind), where));
        }
    }

    private WorkingPictures passes(Recipe.Passes passes, Set<PictureKind> kinds) throws IOException {
        List<PassSum.Decoded> decoded = new ArrayList<>();
        try {
            for (Recipe.Frame pass : passes.frames()) {
                decoded.add(new PassSum.Decoded(frames.decoded(pass), pass.reading()));
            }
            PictureReading reading = new PictureReading(passes.transparent() ? AlphaKind.PREMULTIPLIED : AlphaKind.NONE, null,
                    passes.mix().colour());
            return placed(WorkingPictures.of(kinds, kind -> {
                try (Picture sum = sum(passes, decoded, kind.pass())) {
                    return composed(sum, reading, kind);
                }
            }), passes.placed(), kinds);
        } finally {
            decoded.forEach(d -> d.picture().close());
        }
    }

    /** @param pass the one that is wanted by itself, or null for all */
    private Picture sum(Recipe.Passes passes, List<PassSum.Decoded> decoded, String pass) throws IOException {
        if (pass == null) {
            return sums.sum(passes.mix(), decoded);
        }
        int index = passes.indexOf(pass);
        if (index < 0) {
            throw new IOException(WORDS.say("thereIsNoPassHereAnyMore", pass));
        }
        return sums.sum(passes.alone(index).mix(), List.of(decoded.get(index)));
    }

    /** Several views in one picture. */
    private WorkingPictures views(Recipe.Views views, Set<PictureKind> kinds) throws IOException {
        List<WorkingPictures> made = new ArrayList<>();
        try {
            for (Recipe view : views.pictures()) {
                made.add(make(view, kinds));
            }
            return WorkingPictures.of(kinds, kind -> {
                List<ViewsPainter.Shown> shown = new ArrayList<>();
                for (int i = 0; i < made.size(); i++) {
                    shown.add(new ViewsPainter.Shown(made.get(i).in(kind), views.captions().get(i), views.pictures().get(i).isDrawn()));
                }
                return layouts.get(new Layout(new Samples(kind.format(), kind.alpha()), views.pixelAspect())).paint(views.layout(), shown);
            });
        } finally {
            made.forEach(WorkingPictures::close);
        }
    }

    @Override
    public void close() {
        movies.close();
        placings.close();
        layouts.close();
        sums.close();
        composers.close();
    }
}
