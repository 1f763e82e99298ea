package dev.vat.protocol;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.handover.ContactSheet;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.trial.PairLikeness;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;

/** What is asked of a viewer, and what it answers: checks of sources, pictures for the screen, samples and measures. */
@JsonSubTypes({
    @JsonSubTypes.Type(value = ViewerMessage.Check.class, name = "check"),
    @JsonSubTypes.Type(value = ViewerMessage.Checked.class, name = "checked"),
    @JsonSubTypes.Type(value = ViewerMessage.Probe.class, name = "probe"),
    @JsonSubTypes.Type(value = ViewerMessage.Probed.class, name = "probed"),
    @JsonSubTypes.Type(value = ViewerMessage.Listen.class, name = "listen"),
    @JsonSubTypes.Type(value = ViewerMessage.ListenReel.class, name = "listen-reel"),
    @JsonSubTypes.Type(value = ViewerMessage.DrawSheet.class, name = "draw-sheet"),
    @JsonSubTypes.Type(value = ViewerMessage.Written.class, name = "written"),
    @JsonSubTypes.Type(value = ViewerMessage.Slots.class, name = "slots"),
    @JsonSubTypes.Type(value = ViewerMessage.Show.class, name = "show"),
    @JsonSubTypes.Type(value = ViewerMessage.Shown.class, name = "shown"),
    @JsonSubTypes.Type(value = ViewerMessage.NotShown.class, name = "not-shown"),
    @JsonSubTypes.Type(value = ViewerMessage.Sample.class, name = "sample"),
    @JsonSubTypes.Type(value = ViewerMessage.Levels.class, name = "levels"),
    @JsonSubTypes.Type(value = ViewerMessage.FitCaptions.class, name = "fit"),
    @JsonSubTypes.Type(value = ViewerMessage.Sampled.class, name = "sampled"),
    @JsonSubTypes.Type(value = ViewerMessage.Measure.class, name = "measure"),
    @JsonSubTypes.Type(value = ViewerMessage.Measured.class, name = "measured"),
})
public sealed interface ViewerMessage extends Message {

    /**
     * Asks to look into frames of one source.
     *
     * @param choice which picture of each file
     */
    record Check(long id, FileKind kind, boolean headersOnly, PictureChoice choice, List<File> files) implements ViewerMessage {
        /** A frame and its absolute path. */
        public record File(long number, String path) {}
    }

    record Checked(long id, List<FrameCheck> checks) implements ViewerMessage {}

    /** Asks what a movie or sound file holds. */
    record Probe(long id, String path) implements ViewerMessage {}

    /** @param facts what it holds, or null with the reason {@code why} in words */
    record Probed(long id, ClipFacts facts, String why) implements ViewerMessage {}

    /** Asks for a file's first sound track as plain samples in the file {@code into}, see {@code ListeningCopy}. */
    record Listen(long id, String path, String into) implements ViewerMessage {}

    /** Asks for a reel's sound as plain samples in the file {@code into}. */
    record ListenReel(long id, ReelSound sound, String into) implements ViewerMessage {}

    /** Asks for a contact sheet in the file {@code into}, whose name says its format. */
    record DrawSheet(long id, ContactSheet sheet, String into) implements ViewerMessage {}

    /** What was asked for stands in its file. @param why the reason in words for which it doesn't, else null */
    record Written(long id, String why) implements ViewerMessage {}

    /** Names the file that both sides map for pictures: {@code count} slots of {@code bytes} bytes. */
    record Slots(long id, String path, int count, long bytes) implements ViewerMessage {}

    /**
     * Asks for a picture at a size.
     *
     * @param slot where in the shared file the answer is to stand
     */
    record Show(long id, int slot, Subject subject, Shape shape) implements ViewerMessage {}

    /**
     * How a picture is to look.
     *
     * @param ground colour behind transparent places, or null to keep them transparent
     * @param look what of it is shown
     * @param as the file it is shown as, through that file's own conversion; null for the picture itself
     */
    record Shape(int width, int height, Rgb ground, Showing look, OutputView as) {
        public Shape {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException(Words.of(ViewerMessage.class).say("noPictureOfX", width, height));
            }
        }
    }

    /** What of a picture is shown. */
    enum Showing {
        COLOUR,
        /** Alpha as grey, white for opaque. */
        ALPHA,
        /** Colour, with marks where samples are no colour. */
        ODD
    }

    /**
     * A deliverable, as far as it shapes the picture: chroma and depth of its codec, frame, and what becomes of colours and alpha.
     *
     * @param kind of the working pictures that it is made of
     * @param pixelAspect of the file's pixels, in which the picture is shown
     */
    record OutputView(PictureKind kind, String codec, Size size, PixelAspect pixelAspect, Treatment treatment) {

        /** A file that is to be made of a reel; empty while its frame isn't known, or its codec can't hold it. */
        public static Optional<OutputView> of(ResolvedReel reel, Deliverable deliverable) {
            return reel.frame(deliverable).filter(frame -> deliverable.fitsGrid(frame.size())).map(frame -> {
                Treatment treatment = deliverable.treatment(frame);
                return new OutputView(reel.pictureFor(treatment), deliverable.settings().codec().id(), frame.size(), frame.pixelAspect(),
                        treatment);
            });
        }

        /** A file of a run. */
        public static OutputView of(RunPlan plan, RunFile file) {
            return new OutputView(plan.pictureFor(file), file.codec(), file.expected().size(), file.expected().pixelAspect(),
                    file.treatment());
        }
    }

    /** What is shown. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Made.class, name = "made"),
        @JsonSubTypes.Type(value = Against.class, name = "against"),
        @JsonSubTypes.Type(value = Scope.class, name = "scope"),
    })
    sealed interface Subject {

        /** Whether frames of a movie are needed for it, which are quickest one after the other. */
        @JsonIgnore
        default boolean isOfMovie() {
            return switch (this) {
                case Made made -> made.recipe.isOfMovie();
                case Against against -> against.first.isOfMovie() || against.second.isOfMovie();
                case Scope scope -> scope.picture.isOfMovie();
            };
        }
    }

    /** One picture. */
    record Made(Recipe recipe) implements Subject {}

    /** A picture, and the file it is taken as, through that file's own conversion. @param as null for the picture itself */
    record Taken(Recipe picture, OutputView as) {
        @JsonIgnore
        public boolean isOfMovie() {
            return picture.isOfMovie();
        }
    }

    /**
     * Where two pictures differ. If their sizes aren't the same, the second is brought to the first one's.
     *
     * @param gain times that it is shown as strong
     * @param signed whether grey stands for none
     */
    record Against(Taken first, Taken second, int gain, boolean signed) implements Subject {}

    /** What a picture's samples are, drawn. */
    record Scope(Taken picture, Drawn kind) implements Subject {
        /** What is drawn of them. */
        public enum Drawn {
            WAVEFORM("waveform"), PARADE("R, G, B"), VECTORS(Words.of(ViewerMessage.class).say("cbAndCr")), HISTOGRAM("histogram");

            private final String title;

            Drawn(String title) {
                this.title = title;
            }

            public String title() {
                return title;
            }
        }
    }

    /** The picture stands in its slot. */
    record Shown(long id, int slot, int width, int height, String format) implements ViewerMessage {}

    record NotShown(long id, int slot, String why) implements ViewerMessage {}

    /** Asks for the samples of a picture at one pixel. @param x from the left, as a share of the width @param y from the top */
    record Sample(long id, Taken picture, double x, double y) implements ViewerMessage {}

    /** Asks how far a picture's samples reach, as broadcasters read them; answered like {@link Sample}. */
    record Levels(long id, Taken picture) implements ViewerMessage {}

    /**
     * Asks which captions of a layout have to be smaller than they were to be; answered like {@link Sample}, with nothing where all fit.
     */
    record FitCaptions(long id, Recipe.Views views) implements ViewerMessage {}

    /** @param words the samples as they are stored, or null with the reason {@code why} */
    record Sampled(long id, String words, String why) implements ViewerMessage {}

    /** Asks how like pairs of pictures are. */
    record Measure(long id, List<Pair> pairs) implements ViewerMessage {}

    /** Two pictures that are held against each other. */
    record Pair(Taken first, Taken second) {}

    /** @param values of the pairs, in their order; null where a pair has none @param why the reason of the last of those, or null */
    record Measured(long id, List<PairLikeness> values, String why) implements ViewerMessage {}
}
