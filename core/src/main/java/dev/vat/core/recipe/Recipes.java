package dev.vat.core.recipe;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;

/**
 * From what stands at a place of a reel to how its picture is made. Size, boxing, captions and the alpha of passes are worked out here,
 * once for the window and for runs.
 */
public final class Recipes {

    /** What frames are taken of. */
    public interface Source {

        /** What the sequence is called. */
        String name();

        Location location();

        FileKind kind();

        PictureReading picture();

        /** Of its frames, in stored pixels; null while it isn't known. */
        Size size();

        /** Where its picture lies in the reel's, or null where it is the reel's. */
        Placement placement();

        /** Whether there is a file of that number. */
        boolean has(long number);

        /** The file as it was when it was looked at, or null. */
        FrameStamp stamp(long number);
    }

    private final Size size;
    private final PixelAspect pixelAspect;
    private final IntFunction<Source> sources;

    /**
     * @param size of the reel's picture, or null while it isn't known
     * @param pixelAspect of the reel's picture
     * @param sources by the numbers that reel frames call items; null for what is of none
     */
    public Recipes(Size size, PixelAspect pixelAspect, IntFunction<Source> sources) {
        this.size = size;
        this.pixelAspect = pixelAspect;
        this.sources = sources;
    }

    /** A source's frame by itself. */
    public static Recipe.Frame alone(Source source, long number) {
        return frame(source, number, null);
    }

    private static Recipe.Frame frame(Source source, long number, Recipe.Placed placed) {
        return new Recipe.Frame(file(source, number).toString(), source.kind(), number, source.stamp(number), source.picture(),
                source.size(), placed);
    }

    /** The file of a source's frame. */
    public static Path file(Source source, long number) {
        Location location = source.location();
        FrameStamp stamp = source.stamp(number);
        return location.folder().resolve(location.pattern().withAfter(stamp == null ? null : stamp.ending()).fileName(number));
    }

    /** Empty where a file isn't there, or where the size of what is drawn isn't known yet. */
    public Optional<Recipe> of(ReelFrame frame) {
        return of(frame, size);
    }

    /** @param drawn size of what is drawn, or null */
    private Optional<Recipe> of(ReelFrame frame, Size drawn) {
        return switch (frame.content()) {
            case ReelFrame.SourceFrame(long number) -> frame(frame, number).map(f -> f);
            case ReelFrame.Blend(long before, long after, Rational share) -> frame(frame, before)
                    .flatMap(low -> frame(frame, after).map(high -> new Recipe.Mix(low, high, share)));
            case ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational share) -> of(from, drawn)
                    .flatMap(low -> of(to, drawn).map(high -> new Recipe.Mix(low, high, share)));
            case ReelFrame.Card(String reason) -> Optional.ofNullable(drawn).map(s -> card(frame, reason, s));
            case ReelFrame.Plain(Rgb colour) -> Optional.ofNullable(drawn).map(s -> new Recipe.Plain(s, colour));
            case ReelFrame.Drawing drawing -> Optional.ofNullable(drawn).map(s -> new Recipe.Drawing(s, pixelAspect, drawing));
            case ReelFrame.Together(Assembly.Views how, List<ReelFrame> frames) -> views(frame, how, frames);
            case ReelFrame.Together(Assembly.Passes how, List<ReelFrame> frames) -> passes(frame, how, frames);
        };
    }

    private Optional<Recipe.Frame> frame(ReelFrame frame, long number) {
        Source source = sources.apply(frame.item());
        return source.has(number) ? Optional.of(frame(source, number, placed(source))) : Optional.empty();
    }

    /** Where a source's picture lies in the reel's frame; null for all of it. */
    private Recipe.Placed placed(Source source) {
        return source.placement() == null ? null : new Recipe.Placed(source.placement(), size);
    }

    private Recipe card(ReelFrame frame, String reason, Size drawn) {
        Source source = sources.apply(frame.item());
        return new Recipe.Card(drawn, List.of(source.location().pattern().number(frame.wanted()), reason, source.name()));
    }

    private Optional<Recipe> views(ReelFrame layout, Assembly.Views how, List<ReelFrame> frames) {
        List<Recipe> views = new ArrayList<>();
        List<Lettering> captions = new ArrayList<>();
        for (int i = 0; i < frames.size(); i++) {
            ReelFrame view = frames.get(i);
            Source source = sources.apply(view.item());
            // What is mixed is laid into its box afterwards, what is drawn is drawn for it.
            boolean mixed = view.content() instanceof ReelFrame.Cross || view.content() instanceof ReelFrame.Blend;
            Optional<Recipe> recipe = of(view, !mixed ? how.laid().get(i).box().size() : source == null ? null : source.size());
            if (recipe.isEmpty()) {
                return Optional.empty();
            }
            views.add(recipe.get());
            captions.add(how.letteringAt(i, layout.wanted(), view,
                    source == null || view.content() instanceof ReelFrame.Plain ? null : source.location()));
        }
        return Optional.of(new Recipe.Views(how, pixelAspect, views, captions));
    }

    private Optional<Recipe> passes(ReelFrame frame, Assembly.Passes how, List<ReelFrame> frames) {
        List<Recipe.Frame> passes = new ArrayList<>();
        for (ReelFrame pass : frames) {
            if (!(pass.content() instanceof ReelFrame.SourceFrame(long number))) {
                throw new IllegalStateException("A pass that isn't a frame: " + pass);
            }
            Source source = sources.apply(pass.item());
            if (source.has(number)) {
                passes.add(frame(source, number, null));
            }
        }
        Source main = sources.apply(frame.item());
        return passes.isEmpty() || passes.size() < frames.size() ? Optional.empty()
                : Optional.of(new Recipe.Passes(how, passes, main.picture().alpha().carriesTransparency(), placed(main)));
    }
}
