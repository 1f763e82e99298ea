package dev.vat.worker.trial;

import dev.vat.core.flash.FlashCheck;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.PictureKind;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.FrameRange;
import dev.vat.core.trial.Excerpt;
import dev.vat.core.trial.Excerpts;
import dev.vat.core.trial.FileTrial;
import dev.vat.core.trial.Packed;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.trial.Trial;
import dev.vat.core.words.Words;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.decode.PackedFrames;
import dev.vat.media.encode.QuickLook;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.frame.WorkingPictures;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.TrialMessage;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.ReelLook;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import dev.vat.worker.run.FrameFeed;
import dev.vat.worker.run.Runner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.LongStream;

/**
 * One trial, in the worker: looks at the frames of the reel, chooses excerpts, has the run's own engine encode and check them with every
 * file's settings, and reads them again.
 */
public final class TrialRun {

    private static final Words WORDS = Words.of(TrialRun.class);

    /** As many as the proof of a whole file has. */
    private static final int PROOF_THREADS = 2;

    private final RunHome home;
    private final TrialMessage.Try wanted;
    private final Consumer<Message> answers;
    private final RunPlan plan;
    private long lastSaid;

    TrialRun(RunHome home, TrialMessage.Try wanted, Consumer<Message> answers) throws IOException {
        this.home = home;
        this.wanted = wanted;
        this.answers = answers;
        this.plan = home.plan();
    }

    Trial run() throws IOException, InterruptedException {
        ReelLook looked = wanted.looked() ? ReelLook.in(home.folder()) : look();
        looked.into(home.folder());
        List<FrameRange> excerpts = Excerpts.of(ReelCosts.of(looked.costs(), plan.frames()), plan.rate());
        RunPlan cut = plan.withFiles(plan.files().stream().map(file -> file.withParts(parts(file, excerpts))).toList());
        RunHome inner = RunHome.create(Places.in(home.folder()), cut);
        long since = System.nanoTime();
        Map<String, List<Double>> busy = Runner.encodeOnly(inner, true, this::say);
        double wall = (System.nanoTime() - since) / 1e9;
        double all = busy.values().stream().flatMap(List::stream).mapToDouble(Double::doubleValue).sum();
        Map<String, FileTrial> files = new HashMap<>();
        Map<String, String> failures = new HashMap<>();
        List<JournalEntry> journal = inner.journal();
        journal.stream().filter(JournalEntry.Failed.class::isInstance).map(JournalEntry.Failed.class::cast)
                .forEach(f -> failures.put(f.target(), f.why()));
        for (RunFile file : cut.files()) {
            List<JournalEntry.PartClosed> closed = journal.stream().filter(JournalEntry.PartClosed.class::isInstance)
                    .map(JournalEntry.PartClosed.class::cast)
                    .filter(p -> p.target().equals(file.target())).toList();
            if (!failures.containsKey(file.target()) && closed.size() == file.parts().size()) {
                files.put(file.target(), tried(cut, file, closed, busy.get(file.target()).stream().map(s -> wall * s / all).toList()));
            }
        }
        return new Trial(looked.costs(), looked.flashes(), files, failures);
    }

    /** What frames of the reel cost, and where it flashes. */
    private ReelLook look() throws IOException, InterruptedException {
        // What is looked at has to be in some kind of samples: that of the first file serves.
        PictureKind kind = plan.pictureFor(plan.files().getFirst());
        FlashCheck flashes = new FlashCheck(plan.rate());
        long toLook = LongStream.range(0, plan.frames()).filter(f -> ReelCosts.isLooked(f, plan.frames())).count();
        int threads = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4);
        try (FrameFeed feed = new FrameFeed(plan.withFiles(plan.files().subList(0, 1)), threads, f -> ReelCosts.isLooked(f, plan.frames()));
                QuickLook look = new QuickLook(flashes::add)) {
            for (long i = 0; i < toLook; i++) {
                try (WorkingPictures pictures = feed.next()) {
                    look.look(pictures.in(kind));
                }
                progress(WORDS.say("lookingAtTheReel"), i + 1, toLook);
            }
            return new ReelLook(ReelCosts.inStretches(look.finish(), plan.frames()),
                    ReelCosts.isEachLooked(plan.frames()) ? flashes.found() : List.of());
        }
    }

    private static List<RunPart> parts(RunFile file, List<FrameRange> excerpts) {
        List<RunPart> parts = new ArrayList<>();
        for (FrameRange excerpt : excerpts) {
            long first = excerpt.first() / file.reelFrames();
            long end = Math.min(file.expected().frames(), Math.ceilDiv(excerpt.last() + 1, (long) file.reelFrames()));
            parts.add(new RunPart(parts.size(), first, end - first));
        }
        return parts;
    }

    private FileTrial tried(RunPlan cut, RunFile file, List<JournalEntry.PartClosed> closed, List<Double> seconds)
            throws IOException {
        Path folder = RunHome.made(cut, file);
        long since = System.nanoTime();
        List<Excerpt> excerpts = new ArrayList<>();
        for (JournalEntry.PartClosed part : closed) {
            List<PackedFrames.Frame> sizes = file.isFolder() ? stills(file, folder, part)
                    : PackedFrames.of(folder.resolve(file.partName(part.part())));
            if (sizes.size() != part.frames()) {
                throw new IOException(WORDS.say("anExcerptOfHasFramesInPlace", file.title(), sizes.size(), part.frames()));
            }
            List<Packed> frames = new ArrayList<>();
            for (int i = 0; i < sizes.size(); i++) {
                Receipt.FrameLine line = part.checked().get(i);
                frames.add(new Packed(sizes.get(i).bytes(), sizes.get(i).key(), line.psnr(), line.ssim()));
            }
            excerpts.add(new Excerpt(part.first(), frames, seconds.get(part.part())));
            readAgain(file, folder, part);
        }
        return new FileTrial(excerpts, (System.nanoTime() - since) / 1e9, folder.toString());
    }

    private static List<PackedFrames.Frame> stills(RunFile file, Path folder, JournalEntry.PartClosed part) throws IOException {
        List<PackedFrames.Frame> sizes = new ArrayList<>();
        for (long frame = part.first(); frame < part.first() + part.frames(); frame++) {
            sizes.add(
                    new PackedFrames.Frame(Math.toIntExact(Files.size(StillsWriter.file(folder, file.expected().stills(), frame))), true));
        }
        return sizes;
    }

    /** As the proof will: how long that takes is wanted. */
    private static void readAgain(RunFile file, Path folder, JournalEntry.PartClosed part) throws IOException {
        if (!file.isFolder()) {
            try (MovieFrames movie = new MovieFrames(folder.resolve(file.partName(part.part())), PROOF_THREADS)) {
                for (long i = 0; i < part.frames(); i++) {
                    try (var picture = movie.frame(i)) {
                        picture.crc32c();
                    }
                }
            }
            return;
        }
        try (FrameReader reader = new FrameReader()) {
            for (long frame = part.first(); frame < part.first() + part.frames(); frame++) {
                Path still = StillsWriter.file(folder, file.expected().stills(), frame);
                FileKind.ofName(still.getFileName().toString()).ifPresent(kind -> reader.check(still, kind, PictureChoice.MAIN, 0));
            }
        }
    }

    private void say(Message message) {
        if (message instanceof RunMessage.Progress progress) {
            long done = progress.files().stream().mapToLong(FileProgress::done).max().orElse(0);
            progress(progress.held() == null ? WORDS.say("encodingExcerpts") : progress.held(), Math.min(done, plan.frames()),
                    plan.frames());
        }
    }

    private void progress(String doing, long done, long of) {
        if (done == of || System.nanoTime() - lastSaid > 200_000_000L) {
            lastSaid = System.nanoTime();
            answers.accept(new TrialMessage.Trying(wanted.id(), doing, done, of));
        }
    }
}
