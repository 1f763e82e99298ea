package dev.vat.engine.protocol;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import dev.vat.core.burnin.Lettering;
import dev.vat.core.delivery.Placement;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.preview.CaptureWish;
import dev.vat.core.preview.Preview;
import dev.vat.core.reel.Assembly;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.ReelSound;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.time.Rational;
import dev.vat.core.trial.PairLikeness;
import dev.vat.core.trial.Trial;
import dev.vat.engine.feed.SceneNotice;
import dev.vat.engine.repack.RepackOrder;
import java.util.List;

/**
 * One line between a worker process and its owner: {@code {"v":1,"type":...,"id":n,...}}. Answers carry the id of their
 * question; what nobody asked for has the id 0.
 */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = Message.Hello.class, name = "hello"),
    @JsonSubTypes.Type(value = Message.Heartbeat.class, name = "heartbeat"),
    @JsonSubTypes.Type(value = Message.Check.class, name = "check"),
    @JsonSubTypes.Type(value = Message.Checked.class, name = "checked"),
    @JsonSubTypes.Type(value = Message.Probe.class, name = "probe"),
    @JsonSubTypes.Type(value = Message.Probed.class, name = "probed"),
    @JsonSubTypes.Type(value = Message.Listen.class, name = "listen"),
    @JsonSubTypes.Type(value = Message.ListenReel.class, name = "listen-reel"),
    @JsonSubTypes.Type(value = Message.Heard.class, name = "heard"),
    @JsonSubTypes.Type(value = Message.Slots.class, name = "slots"),
    @JsonSubTypes.Type(value = Message.Show.class, name = "show"),
    @JsonSubTypes.Type(value = Message.Shown.class, name = "shown"),
    @JsonSubTypes.Type(value = Message.NotShown.class, name = "not-shown"),
    @JsonSubTypes.Type(value = Message.Sample.class, name = "sample"),
    @JsonSubTypes.Type(value = Message.Levels.class, name = "levels"),
    @JsonSubTypes.Type(value = Message.Fit.class, name = "fit"),
    @JsonSubTypes.Type(value = Message.Sampled.class, name = "sampled"),
    @JsonSubTypes.Type(value = Message.Measure.class, name = "measure"),
    @JsonSubTypes.Type(value = Message.Measured.class, name = "measured"),
    @JsonSubTypes.Type(value = Message.Make.class, name = "make"),
    @JsonSubTypes.Type(value = Message.Pause.class, name = "pause"),
    @JsonSubTypes.Type(value = Message.Stop.class, name = "stop"),
    @JsonSubTypes.Type(value = Message.FinishEarly.class, name = "finish-early"),
    @JsonSubTypes.Type(value = Message.Progress.class, name = "progress"),
    @JsonSubTypes.Type(value = Message.Ended.class, name = "ended"),
    @JsonSubTypes.Type(value = Message.JoinDone.class, name = "join-done"),
    @JsonSubTypes.Type(value = Message.JoinedDone.class, name = "joined-done"),
    @JsonSubTypes.Type(value = Message.Prove.class, name = "prove"),
    @JsonSubTypes.Type(value = Message.Proved.class, name = "proved"),
    @JsonSubTypes.Type(value = Message.WriteSheet.class, name = "write-sheet"),
    @JsonSubTypes.Type(value = Message.SheetWritten.class, name = "sheet-written"),
    @JsonSubTypes.Type(value = Message.Repack.class, name = "repack"),
    @JsonSubTypes.Type(value = Message.Repacking.class, name = "repacking"),
    @JsonSubTypes.Type(value = Message.Repacked.class, name = "repacked"),
    @JsonSubTypes.Type(value = Message.Try.class, name = "try"),
    @JsonSubTypes.Type(value = Message.Trying.class, name = "trying"),
    @JsonSubTypes.Type(value = Message.Tried.class, name = "tried"),
    @JsonSubTypes.Type(value = Message.Rehearse.class, name = "rehearse"),
    @JsonSubTypes.Type(value = Message.Rehearsed.class, name = "rehearsed"),
    @JsonSubTypes.Type(value = Message.Capture.class, name = "capture"),
    @JsonSubTypes.Type(value = Message.Capturing.class, name = "capturing"),
    @JsonSubTypes.Type(value = Message.Captured.class, name = "captured"),
    @JsonSubTypes.Type(value = Message.RecoverCaptures.class, name = "recover-captures"),
    @JsonSubTypes.Type(value = Message.Recovered.class, name = "recovered"),
    @JsonSubTypes.Type(value = Message.Serve.class, name = "serve"),
    @JsonSubTypes.Type(value = Message.Serving.class, name = "serving"),
    @JsonSubTypes.Type(value = Message.Take.class, name = "take"),
    @JsonSubTypes.Type(value = Message.Render.class, name = "render"),
    @JsonSubTypes.Type(value = Message.Rendered.class, name = "rendered"),
    @JsonSubTypes.Type(value = Message.DrawDemo.class, name = "draw-demo"),
    @JsonSubTypes.Type(value = Message.Drawn.class, name = "drawn"),
    @JsonSubTypes.Type(value = Message.Broken.class, name = "broken"),
})
public sealed interface Message {

    int VERSION = 1;

    long id();

    /** A worker's first line. */
    record Hello(long id, String vat, String library, long pid) implements Message { }

    /** A worker's sign of life, each second. */
    record Heartbeat(long id) implements Message { }

    /**
     * Asks to look into frames of one source.
     *
     * @param layer which picture of EXR files; null for the unnamed one
     */
    record Check(long id, FileKind kind, boolean headersOnly, String layer, List<File> files) implements Message {
        /** A frame and its absolute path. */
        public record File(long number, String path) { }
    }

    record Checked(long id, List<FrameCheck> checks) implements Message { }

    /** Names the file that both sides map for pictures: {@code count} slots of {@code bytes} bytes. */
    record Slots(long id, String path, int count, long bytes) implements Message { }

    /**
     * Asks for a picture at a size.
     *
     * @param slot where in the shared file the answer is to stand
     */
    record Show(long id, int slot, Subject subject, Shape shape) implements Message { }

    /**
     * How a picture is to look.
     *
     * @param ground colour behind transparent places, or null to keep them transparent
     * @param look what of it is shown
     * @param as the file it is shown as, through that file's own conversion; null for the picture itself
     */
    record Shape(int width, int height, Rgb ground, Look look, As as) {
        public Shape {
            if (width < 1 || height < 1) {
                throw new IllegalArgumentException("No picture of " + width + "x" + height);
            }
        }
    }

    /** What of a picture is shown. */
    enum Look {
        COLOUR,
        /** Alpha as grey, white for opaque. */
        ALPHA,
        /** Colour, with marks where samples are no colour. */
        ODD
    }

    /**
     * A deliverable, as far as it shapes the picture: chroma and depth of its codec, frame, and what becomes of colours and alpha.
     *
     * @param pixelAspect of the file's pixels, in which the picture is shown
     */
    record As(String codec, Size size, PixelAspect pixelAspect, Treatment treatment) { }

    /** What a picture is made from. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "of")
    @JsonSubTypes({
        @JsonSubTypes.Type(value = Still.class, name = "still"),
        @JsonSubTypes.Type(value = Blend.class, name = "blend"),
        @JsonSubTypes.Type(value = Cross.class, name = "cross"),
        @JsonSubTypes.Type(value = Card.class, name = "card"),
        @JsonSubTypes.Type(value = Plain.class, name = "plain"),
        @JsonSubTypes.Type(value = Drawing.class, name = "drawing"),
        @JsonSubTypes.Type(value = Lettered.class, name = "lettered"),
        @JsonSubTypes.Type(value = Movie.class, name = "movie"),
        @JsonSubTypes.Type(value = Against.class, name = "against"),
        @JsonSubTypes.Type(value = Scope.class, name = "scope"),
        @JsonSubTypes.Type(value = Views.class, name = "views"),
        @JsonSubTypes.Type(value = Passes.class, name = "passes"),
    })
    sealed interface Subject { }

    /**
     * A frame of a source: of a movie the one numbered {@code frame}, else all there is in the file.
     *
     * @param modified when the file was last changed, in milliseconds since 1970: another time makes another picture
     * @param placed where it lies in a reel's frame, or null for all of that
     */
    record Still(String path, FileKind kind, long frame, long modified, PictureReading how, Placed placed) implements Subject {
        public Still(String path, FileKind kind, long frame, long modified, PictureReading how) {
            this(path, kind, frame, modified, how, null);
        }
    }

    /** Where a picture lies in a frame of another shape. */
    record Placed(Placement placement, Size frame) { }

    /** Two frames of a source, mixed: {@code share} is how much of {@code after} there is. */
    record Blend(Still before, Still after, Rational share) implements Subject { }

    /** Two pictures of a reel, mixed: {@code share} is how much of {@code to} there is. */
    record Cross(Subject from, Subject to, Rational share) implements Subject { }

    /** One colour all over; the size is the reel's. */
    record Plain(int width, int height, Rgb colour) implements Subject { }

    /** Bars, a slate or a figure; size and shape of pixels are the reel's. */
    record Drawing(int width, int height, PixelAspect pixelAspect, ReelFrame.Drawing what) implements Subject { }

    /** A picture with something written into it: into that of a file, where it is shown as one, else into itself. @param pixelAspect of the picture itself */
    record Lettered(Subject picture, Lettering lettering, PixelAspect pixelAspect) implements Subject { }

    /** A card that stands for a frame that can't be used; the size is the reel's. */
    record Card(int width, int height, List<String> lines) implements Subject { }

    /** Several pictures side by side. @param pixelAspect of the whole @param captions one for each */
    record Views(Assembly.Views layout, PixelAspect pixelAspect, List<Subject> pictures, List<Lettering> captions) implements Subject { }

    /** The passes of a picture put together. @param transparent whether it can be seen through @param placed where it lies in a reel's frame, or null for all of that */
    record Passes(Assembly.Passes mix, List<Still> pictures, boolean transparent, Placed placed) implements Subject { }

    /** A picture, and the file it is taken as, through that file's own conversion. @param as null for the picture itself */
    record Taken(Subject picture, As as) { }

    /** Where two pictures differ. If their sizes aren't the same, the second is brought to the first one's. @param gain times that it is shown as strong @param signed whether grey stands for none */
    record Against(Taken first, Taken second, int gain, boolean signed) implements Subject { }

    /** What a picture's samples are, drawn. */
    record Scope(Taken picture, Drawn kind) implements Subject {
        /** What is drawn of them. */
        public enum Drawn {
            WAVEFORM("waveform"), PARADE("R, G, B"), VECTORS("Cb and Cr"), HISTOGRAM("histogram");

            private final String title;

            Drawn(String title) {
                this.title = title;
            }

            public String title() {
                return title;
            }
        }
    }

    /** A frame of a finished file. */
    record Movie(String path, long frame) implements Subject { }

    /** Asks what a movie or sound file holds. */
    record Probe(long id, String path) implements Message { }

    /** @param facts what it holds, or null with the reason {@code why} in words */
    record Probed(long id, ClipFacts facts, String why) implements Message { }

    /** Asks for a file's first sound track as plain samples in the file {@code into}, see {@code ListeningCopy}. */
    record Listen(long id, String path, String into) implements Message { }

    /** Asks for a reel's sound as plain samples in the file {@code into}. */
    record ListenReel(long id, ReelSound sound, String into) implements Message { }

    /** @param why the reason in words for which there is no copy, else null */
    record Heard(long id, String why) implements Message { }

    /** The picture stands in its slot. */
    record Shown(long id, int slot, int width, int height, String format) implements Message { }

    record NotShown(long id, int slot, String why) implements Message { }

    /** Asks for the samples of a picture at one pixel. @param x from the left, as a share of the width @param y from the top */
    record Sample(long id, Taken picture, double x, double y) implements Message { }

    /** Asks how far a picture's samples reach, as broadcasters read them; answered like {@link Sample}. */
    record Levels(long id, Taken picture) implements Message { }

    /** Asks which captions of a layout have to be smaller than they were to be; answered like {@link Sample}, with nothing where all fit. */
    record Fit(long id, Views views) implements Message { }

    /** @param words the samples as they are stored, or null with the reason {@code why} */
    record Sampled(long id, String words, String why) implements Message { }

    /** Asks how like pairs of pictures are. */
    record Measure(long id, List<Pair> pairs) implements Message { }

    /** Two pictures that are held against each other. */
    record Pair(Taken first, Taken second) { }

    /** @param values of the pairs, in their order; null where a pair has none @param why the reason of the last of those, or null */
    record Measured(long id, List<PairLikeness> values, String why) implements Message { }

    /** Tells a run worker to make what the plan in a run's home says. */
    record Make(long id, String home, Way way) implements Message {
        /** How the files are made. */
        public enum Way {
            /** From one read. */
            TOGETHER,
            /** One after the other: something ends the process, and it is to be found out which. */
            ONE_BY_ONE,
            /** Nothing more is read: files of what is closed already. */
            OF_WHAT_IS_DONE
        }
    }

    /** Nothing more is read until it is taken back; what is open stays open. */
    record Pause(long id, boolean on) implements Message { }

    /** Open parts are dropped, closed ones kept. */
    record Stop(long id) implements Message { }

    /** Nothing more is read; what was read becomes whole files, shorter than planned. */
    record FinishEarly(long id) implements Message { }

    /** Asks for a file of what a run has closed so far of one of its files. @param folder where it goes */
    record JoinDone(long id, String home, String target, String folder) implements Message { }

    record JoinedDone(long id, String path) implements Message { }

    /**
     * How far a run and each of its files is.
     *
     * @param held why the run holds still by itself for now, or null
     * @param secondsLeft until all of it is proven, or -1 while too little is known
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Progress(long id, long framesRead, List<FileProgress> files, String held, double secondsLeft) implements Message { }

    /** A run has come to its end, whatever it was. */
    record Ended(long id, boolean stopped, List<FileProgress> files) implements Message { }

    /** Asks to hold a finished file against its receipt. */
    record Prove(long id, String file) implements Message { }

    /** What doesn't agree; nothing if the file is what its receipt says. */
    record Proved(long id, List<String> reasons) implements Message { }

    /** Asks for a page to hand over with a finished file, beside it. */
    record WriteSheet(long id, String file) implements Message { }

    /** @param paths of what was written */
    record SheetWritten(long id, List<String> paths) implements Message { }

    /** Asks to do something with finished files without encoding anything. */
    record Repack(long id, RepackOrder order) implements Message { }

    /** @param doing in words */
    record Repacking(long id, String doing) implements Message { }

    /** @param paths of what was made @param said what there is to know of it */
    record Repacked(long id, List<String> paths, List<String> said) implements Message { }

    /**
     * Asks to try the files of the plan in a run's home.
     *
     * @param looked whether the costs of its frames lie there already
     */
    record Try(long id, String home, boolean looked) implements Message { }

    /** How far a trial is. @param doing in words */
    record Trying(long id, String doing, long done, long frames) implements Message { }

    /** What came of a trial. */
    record Tried(long id, Trial trial) implements Message { }

    /** Asks to capture a blank scene and keep nothing of it, so that the capture that follows finds everything loaded and compiled. */
    record Rehearse(long id) implements Message { }

    /** A rehearsal is over. */
    record Rehearsed(long id) implements Message { }

    /** Asks to take a preview from a scene. @param store where previews are kept */
    record Capture(long id, SceneNotice notice, CaptureWish wish, String store) implements Message { }

    /** How far a capture is. @param secondsLeft at the speed so far */
    record Capturing(long id, long drawn, long frames, double secondsLeft) implements Message { }

    /** A capture is over. @param preview what came of it, or null @param why it isn't what was wished for, or null */
    record Captured(long id, Preview preview, String why) implements Message { }

    /** Asks to make previews of what captures left behind that were cut off. @param store where previews are kept */
    record RecoverCaptures(long id, String store) implements Message { }

    record Recovered(long id, List<Preview> previews) implements Message { }

    /** Asks the stand-in scene to be there for whoever asks. @param folder where it says how it is reached */
    record Serve(long id, String folder) implements Message { }

    record Serving(long id, SceneNotice notice) implements Message { }

    /** Asks the stand-in scene to be another take of itself. */
    record Take(long id, int number) implements Message { }

    /** Asks the stand-in to render frames into a folder. */
    record Render(long id, RenderOrder order) implements Message { }

    /** A frame of a render is written. @param last whether it was the last one */
    record Rendered(long id, long frame, boolean last) implements Message { }

    /** Asks to draw the demo's frames into a folder; those that stand there are kept. */
    record DrawDemo(long id, String folder) implements Message { }

    /** A shot of the demo is whole, {@code last} if it was the last one. */
    record Drawn(long id, String shot, boolean last) implements Message { }

    /** The worker couldn't do what it was asked and says why. */
    record Broken(long id, String why) implements Message { }
}
