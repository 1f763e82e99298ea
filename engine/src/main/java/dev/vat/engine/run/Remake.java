package dev.vat.engine.run;

import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.run.Remade;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.run.RunSpan;
import dev.vat.core.time.FrameSet;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiPredicate;

/**
 * A delivered file of which some source frames were rendered again: only the parts that hold them are encoded, the rest is copied from the
 * file, and the whole is joined and proven anew, beside the file that there is.
 */
public final class Remake {

    private static final Words WORDS = Words.of(Remake.class);

    private final Path file;
    private final Receipt receipt;
    private final RunPlan plan;
    private final RunFile made;
    /** When the plan was made that read the sources: what was written later isn't what the file shows. */
    private final Instant then;
    private final Map<Path, Instant> times = new HashMap<>();

    private Remake(Path file, Receipt receipt, RunPlan plan, RunFile made) {
        this.file = file;
        this.receipt = receipt;
        this.plan = plan;
        this.made = made;
        this.then = Instant.parse(plan.made());
    }

    /**
     * @param file as it lies now, with its receipt beside it
     * @param plan of the run that made it
     * @throws IOException if it isn't the file that the plan made, or was changed since
     */
    public static Remake of(Path file, RunPlan plan) throws IOException {
        Receipt receipt = ReceiptFile.read(ReceiptFile.of(file));
        RunFile made = plan.files().stream().filter(f -> f.target().equals(receipt.target())).findFirst()
                .orElseThrow(() -> new IOException(WORDS.say("thePlanThatMadeKnowsNothing", file.getFileName(), receipt.target())));
        if (made.isSound()) {
            throw new IOException(WORDS.say("soundIsMadeWhole", file.getFileName()));
        }
        if (!Durable.sha256(file).equals(receipt.sha256())) {
            throw new IOException(WORDS.say("wasChangedSinceItWasMade", file.getFileName()));
        }
        long frames = receipt.planned().frames();
        return new Remake(file, receipt, plan, frames < made.expected().frames() ? made.shortened(frames) : made);
    }

    /** Frames of the file whose source frames were written after it was begun, those that weren't there then included. */
    public FrameSet outdated() {
        Map<RunSource, Boolean> movies = new HashMap<>();
        for (RunSource source : plan.sources()) {
            if (source.kind().isMovie()) {
                movies.put(source, written(source, 0).isAfter(then));
            }
        }
        return frames((source, number) -> source.kind().isMovie() ? movies.get(source) : written(source, number).isAfter(then));
    }

    /** Frames of the file that show some source frames, or wanted to. @param numbers of source frames */
    public FrameSet showing(FrameSet numbers) {
        return frames((_, number) -> numbers.contains(number));
    }

    private Instant written(RunSource source, long number) {
        Path path = Recipes.file(source, number);
        return times.computeIfAbsent(path, p -> {
            try {
                return Files.getLastModifiedTime(p).toInstant();
            } catch (IOException _) {
                // A frame that isn't there changed nothing.
                return Instant.MIN;
            }
        });
    }

    private FrameSet frames(BiPredicate<RunSource, Long> changed) {
        FrameSet.Builder found = FrameSet.builder();
        for (long frame = 0; frame < made.expected().frames(); frame++) {
            long end = Math.min(plan.frames(), made.reelFrame(frame + 1));
            boolean touched = false;
            for (long reel = made.reelFrame(frame); reel < end && !touched; reel++) {
                touched = named(plan.frameAt(reel)).stream().anyMatch(f -> changed.test(plan.sourceOf(f), f.wanted()));
            }
            if (touched) {
                found.add(frame);
            }
        }
        return found.build();
    }

    /** The source frames that a reel frame shows, and those that it wants. */
    private static List<ReelFrame> named(ReelFrame frame) {
        List<ReelFrame> named = new ArrayList<>(frame.seen());
        if (frame.content() instanceof ReelFrame.Cross(ReelFrame from, ReelFrame to, Rational _)) {
            named.addAll(named(from));
            named.addAll(named(to));
        } else if (frame.content() instanceof ReelFrame.Together(var _, List<ReelFrame> frames)) {
            frames.forEach(f -> named.addAll(named(f)));
        } else if (!RunPlan.isDrawn(frame)) {
            named.add(frame);
        }
        return named;
    }

    /** How many parts of the file have to be encoded again for some of its frames. */
    public int partsFor(FrameSet frames) {
        return made.parts().size() - taken(frames).size();
    }

    public int parts() {
        return made.parts().size();
    }

    private List<Integer> taken(FrameSet frames) {
        return made.parts().stream().filter(p -> {
            for (long frame = p.first(); frame < p.end(); frame++) {
                if (frames.contains(frame)) {
                    return false;
                }
            }
            return true;
        }).map(RunPart::index).toList();
    }

    /**
     * The run that makes the file anew.
     *
     * @param frames of the file that changed, at least one
     */
    public RunPlan plan(FrameSet frames) {
        if (frames.isEmpty()) {
            throw new IllegalArgumentException(WORDS.say("noFrameOfChanged", file.getFileName()));
        }
        // Where something stood in for a frame that was rendered meanwhile, the frame itself stands from now on.
        List<RunSpan> spans = plan.spans().stream().map(s -> {
            return s.withFills(s.fills().stream().filter(f -> !f.frame().filled() || !isThereNow(f.frame())).toList());
        }).toList();
        return RunPlanner.ofSystem().again(plan.withSpans(spans).withFiles(List.of(made)), file.toAbsolutePath().getParent(),
                new Remade(file.toAbsolutePath().toString(), receipt.sha256(), frames.toString(), taken(frames)));
    }

    /**
     * The run that lays another sound under the same pictures: all their packets are taken over.
     *
     * @param sound as long as the pictures, or null for none
     * @param level how loud the whole is to be, or null for as it is
     * @throws IOException if the file carries no sound, or not such a one
     */
    public RunPlan planWithSound(ReelSound sound, LoudnessTarget level) throws IOException {
        Expectation expected = made.expected();
        if (!expected.container().carriesSound()) {
            throw new IOException(WORDS.say("carriesNoSound", expected.container().title()));
        }
        SoundCodec codec = expected.sound() == null ? SoundCodec.usualIn(expected.container())
                : SoundCodec.ofReportedName(expected.sound().codec());
        if (sound != null && codec.against(expected.container(), sound.channels()).isPresent()) {
            throw new IOException(codec.against(expected.container(), sound.channels()).get());
        }
        Expectation other = expected
                .withSound(sound == null ? null
                        : new Expectation.SoundTrack(codec.reportedName(), sound.channels(), SoundCodec.RATE, sound.seconds()))
                .withLevel(sound == null || level == null ? null
                        : new Expectation.Level(level.integrated(), level.integrated(), level.mostPeak(), 0, sound.samples(),
                                sound.channels()));
        return RunPlanner.ofSystem().again(plan.withSound(sound).withFiles(List.of(made.withExpected(other))),
                file.toAbsolutePath().getParent(),
                new Remade(file.toAbsolutePath().toString(), receipt.sha256(), "",
                        made.parts().stream().map(RunPart::index).toList()));
    }

    /** Length of the file's pictures, in seconds. */
    public Rational seconds() {
        return made.expected().seconds();
    }

    /** Whether the frame for which something stands in was rendered since. */
    private boolean isThereNow(ReelFrame frame) {
        if (frame.content() instanceof ReelFrame.Cross) {
            return false;
        }
        if (frame.content() instanceof ReelFrame.Together(var _, List<ReelFrame> frames)) {
            return frames.stream().filter(ReelFrame::filled).anyMatch(this::isThereNow);
        }
        RunSource source = plan.sourceOf(frame);
        return !source.kind().isMovie() && written(source, frame.wanted()).isAfter(then);
    }
}
