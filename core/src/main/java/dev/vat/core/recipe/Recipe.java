package dev.vat.core.recipe;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Placement;
import dev.vat.core.pass.Pass;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rational;
import java.util.List;
import java.util.stream.Stream;

/**
 * How one picture is made, as a tree: frames of files with their reading at the leaves, and what is drawn. A recipe is all that a picture
 * depends on but the {@link PictureKind} in which it is wanted, so that equal recipes make equal pictures. A run is carried out by it,
 * and the window asks by it, for single pictures, trials, contact sheets and comparisons.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "of")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Recipe.Frame.class, name = "frame"),
    @JsonSubTypes.Type(value = Recipe.Finished.class, name = "finished"),
    @JsonSubTypes.Type(value = Recipe.Mix.class, name = "mix"),
    @JsonSubTypes.Type(value = Recipe.Card.class, name = "card"),
    @JsonSubTypes.Type(value = Recipe.Plain.class, name = "plain"),
    @JsonSubTypes.Type(value = Recipe.Drawing.class, name = "drawing"),
    @JsonSubTypes.Type(value = Recipe.Passes.class, name = "passes"),
    @JsonSubTypes.Type(value = Recipe.Views.class, name = "views"),
    @JsonSubTypes.Type(value = Recipe.Lettered.class, name = "lettered"),
})
public sealed interface Recipe {

    /**
     * A frame of a source: of a movie the one numbered {@code number}, else all there is in the file.
     *
     * @param path absolute
     * @param stamp the file as it was when it was looked at, or null where nobody did
     * @param size of the frame in stored pixels, or null where it isn't known
     * @param placed where it lies in the reel's frame, or null for all of that
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Frame(String path, FileKind kind, long number, FrameStamp stamp, PictureReading reading, Size size, Placed placed)
            implements Recipe {

        /** By itself, whatever its file was when it was looked at. */
        public static Frame of(String path, FileKind kind, long number, PictureReading reading) {
            return new Frame(path, kind, number, null, reading, null, null);
        }
    }

    /** Where a picture lies in a frame of another shape. */
    record Placed(Placement placement, Size frame) {}

    /** A frame of a file that Vat made, counted from 0. */
    record Finished(String path, long frame) implements Recipe {}

    /** Two pictures of one size, mixed: {@code share} is how much of {@code to} there is, from 0 to 1. */
    record Mix(Recipe from, Recipe to, Rational share) implements Recipe {}

    /** A card that stands for a frame that can't be used. */
    record Card(Size size, List<String> lines) implements Recipe {
        public Card {
            lines = List.copyOf(lines);
        }
    }

    /** One colour all over. */
    record Plain(Size size, Rgb colour) implements Recipe {}

    /** Bars, a slate or a figure. */
    record Drawing(Size size, PixelAspect pixelAspect, ReelFrame.Drawing what) implements Recipe {}

    /**
     * The passes of a picture put together in light.
     *
     * @param transparent whether it can be seen through
     * @param placed where it lies in the reel's frame, or null for all of that
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Passes(Assembly.Passes mix, List<Frame> frames, boolean transparent, Placed placed) implements Recipe {
        public Passes {
            frames = List.copyOf(frames);
        }

        /** The place of the pass of a name, from 0, or -1 if there is none. */
        public int indexOf(String pass) {
            return mix.passes().stream().map(Pass::name).toList().indexOf(pass);
        }

        /** One of them by itself, as it goes in. */
        public Passes alone(int index) {
            return new Passes(new Assembly.Passes(List.of(mix.passes().get(index)), mix.colour()), List.of(frames.get(index)), transparent,
                    placed);
        }

        /** The whole picture, whatever the place in the reel. */
        public Passes unplaced() {
            return new Passes(mix, frames, transparent, null);
        }
    }

    /**
     * Several pictures side by side.
     *
     * @param pixelAspect of the whole
     * @param captions one for each
     */
    record Views(Assembly.Views layout, PixelAspect pixelAspect, List<Recipe> pictures, List<Lettering> captions) implements Recipe {
        public Views {
            pictures = List.copyOf(pictures);
            captions = List.copyOf(captions);
        }
    }

    /**
     * A picture with something written into it: into that of a file, where it is shown as one, else into itself.
     *
     * @param pixelAspect of the picture itself
     */
    record Lettered(Recipe picture, Lettering lettering, PixelAspect pixelAspect) implements Recipe {}

    /** The same with a pass by itself wherever it is made of passes. @param pass null for the whole picture */
    default Recipe ofPass(String pass) {
        return switch (this) {
            case Passes passes when pass != null && passes.indexOf(pass) >= 0 -> passes.alone(passes.indexOf(pass));
            case Mix(Recipe from, Recipe to, Rational share) when pass != null -> new Mix(from.ofPass(pass), to.ofPass(pass), share);
            case Lettered(Recipe picture, Lettering lettering, PixelAspect pixelAspect) when pass != null -> new Lettered(
                    picture.ofPass(pass), lettering, pixelAspect);
            default -> this;
        };
    }

    /** Without what is written into it. */
    @JsonIgnore
    default Recipe plain() {
        return this instanceof Lettered lettered ? lettered.picture() : this;
    }

    /** What is written into it. */
    @JsonIgnore
    default Lettering words() {
        return this instanceof Lettered lettered ? lettered.lettering() : Lettering.NOTHING;
    }

    /** Whether it was drawn as large as it is to be, and nothing of it comes out of a file. */
    @JsonIgnore
    default boolean isDrawn() {
        return this instanceof Card || this instanceof Plain || this instanceof Drawing;
    }

    /** Every frame of a source that is seen in it. */
    @JsonIgnore
    default Stream<Frame> seen() {
        return switch (this) {
            case Frame frame -> Stream.of(frame);
            case Mix mix -> Stream.concat(mix.from().seen(), mix.to().seen());
            case Passes passes -> passes.frames().stream();
            case Views views -> views.pictures().stream().flatMap(Recipe::seen);
            case Lettered lettered -> lettered.picture().seen();
            case Finished _ -> Stream.empty();
            case Card _ -> Stream.empty();
            case Plain _ -> Stream.empty();
            case Drawing _ -> Stream.empty();
        };
    }

    /** Whether frames of a movie are in it, which are quickest one after the other. */
    @JsonIgnore
    default boolean isOfMovie() {
        return plain() instanceof Finished || seen().anyMatch(f -> f.kind().isMovie());
    }

    /** Whether it can be seen through by itself. */
    @JsonIgnore
    default boolean isTransparent() {
        return switch (this) {
            case Frame frame -> frame.reading().alpha().carriesTransparency();
            case Finished _ -> true;
            case Mix mix -> mix.from().isTransparent() || mix.to().isTransparent();
            case Passes passes -> passes.transparent();
            case Views views -> views.pictures().stream().anyMatch(Recipe::isTransparent);
            case Lettered lettered -> lettered.picture().isTransparent();
            case Card _ -> false;
            case Plain _ -> false;
            case Drawing _ -> false;
        };
    }

    /** The samples that it is made in where it is looked at by itself, not as a file. */
    @JsonIgnore
    default PictureKind ownKind() {
        return new PictureKind(WorkingFormat.W16, isTransparent(), null);
    }
}
