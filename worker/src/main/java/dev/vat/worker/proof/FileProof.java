package dev.vat.worker.proof;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.opinion.SecondOpinion;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.proof.Loudness;
import dev.vat.core.proof.RateLines;
import dev.vat.core.proof.Receipt;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.run.RunSpan;
import dev.vat.core.words.Words;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.media.lib.FileBytes;
import dev.vat.media.proof.MovieProof;
import dev.vat.media.proof.StillsProof;
import dev.vat.media.proof.WaveProof;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.LongPredicate;

/**
 * The final proof of a joined file: opened anew and decoded whole; every frame must be the one that the inline check saw,
 * and everything that the container and the codec say must be what was planned.
 */
public final class FileProof {

    private static final Words WORDS = Words.of(FileProof.class);

    private static final int MOST_WORST = 10;

    private FileProof() {}

    /**
     * @param planned what the inline check found of every frame, in output order
     * @param packed fingerprints of the sound tracks as they were packed
     * @param goOn told after each decoded frame; false stops the proof
     */
    public static Receipt of(RunPlan plan, RunFile file, List<Receipt.PartLine> parts,
            List<Receipt.FrameLine> planned, List<String> packed, Path joined, LongPredicate goOn) throws IOException {
        List<String> reasons = new ArrayList<>();
        // Goes on beside the decoding, which takes longer as a rule.
        CompletableFuture<List<SecondReader>> second = CompletableFuture.supplyAsync(() -> SecondReader.of(plan));
        FileFacts facts = null;
        MovieProof.Result found = null;
        Comparison comparison = null;
        try {
            found = found(file.expected(), joined, goOn);
            facts = found.facts();
            comparison = Comparison.of(file.expected(), facts, found.loudness())
                    .with(RateLines.of(file.expected().bits(), found.bits(), quality(plan, file, planned)))
                    .with(packets(file, packed, found.packed()))
                    .with(opinion(file.expected(), joined, found.loudness()));
            comparison.disagreements()
                    .forEach(l -> reasons.add(WORDS.say("wasPlannedWasFound", l.name(), l.planned(), l.found())));
            frames(planned, found.crcs(), reasons);
        } catch (MediaException e) {
            reasons.add(WORDS.say("theFinishedFileCantBeRead", e.getMessage()));
        }
        List<String> notes = ReceiptNotes.of(plan, file, joined);
        second.join().forEach(r -> (r.agrees() ? notes : reasons).add(r.words()));
        return new Receipt(Receipt.VERSION, file.deliveredName(), Instant.now().toString(), plan.vat(), MediaLibrary.version(), plan.run(),
                plan.project(), plan.reel(), file.target(), file.title(), reasons.isEmpty(), reasons,
                null, plan.rate(), plan.rateOrigin(), file.isSound() ? List.of() : sources(plan, file),
                file.isSound() ? List.of() : StandIns.of(plan, reelFrames(plan, file)), file.expected(),
                facts, comparison,
                quality(plan, file, planned), notes,
                parts, Durable.sha256(joined), planned,
                file.isSound() ? 0 : plan.sources().stream().mapToInt(RunSource::lossyPasses).max().orElse(0)
                        + (file.codecInCatalogue().isLossy() ? 1 : 0),
                file.treatment().draft(), found == null ? List.of() : found.spacing(), found == null ? null : found.loudness(),
                Files.isDirectory(joined) ? null : Durable.prints(joined), found == null ? List.of() : found.soundSeconds());
    }

    /** Sound as it was packed against what can be taken out of the file again, packet for packet. */
    private static List<Comparison.Line> packets(RunFile file, List<String> packed, List<String> found) {
        // A transport stream puts a head of its own before each packet of AAC (ISO/IEC 13818-7, 6.2).
        boolean headed = file.expected().container() == Container.TS && file.expected().sound() != null
                && file.expected().sound().codec().equals(SoundCodec.AAC.reportedName());
        return packed.isEmpty() || headed ? List.of()
                : List.of(new Comparison.Line(WORDS.say("soundPackets"), String.join(" ", packed), String.join(" ", found),
                        packed.equals(found)));
    }

    /** What the media library finds in it. */
    static MovieProof.Result found(Expectation planned, Path file, LongPredicate goOn) throws IOException {
        return planned.container().isSoundAlone() ? WaveProof.prove(file, planned)
                : planned.stills() == null ? MovieProof.prove(file, planned, goOn) : StillsProof.prove(file, planned, goOn);
    }

    /** What readers of our own find in the file. @param heard how loud it is, or null where there is no sound */
    static List<Comparison.Line> opinion(Expectation planned, Path file, Loudness heard) throws IOException {
        if (planned.stills() != null) {
            long last = planned.frames() - 1;
            Path still = Files.isDirectory(file) ? StillsWriter.file(file, planned.stills(), last) : file;
            try (FileBytes bytes = FileBytes.of(still)) {
                return SecondOpinion.ofStill(planned, bytes, last);
            }
        }
        try (FileBytes bytes = FileBytes.of(file)) {
            List<Comparison.Line> lines = new ArrayList<>(SecondOpinion.of(planned, bytes));
            if (planned.container().isSoundAlone()) {
                lines.addAll(SecondOpinion.ofLoudness(bytes, heard));
            }
            return lines;
        }
    }

    private static void frames(List<Receipt.FrameLine> planned, int[] found, List<String> reasons) {
        if (planned.size() != found.length) {
            reasons.add(WORDS.say("framesWereEncodedCanBeDecoded", planned.size(), found.length));
        }
        for (int i = 0; i < Math.min(planned.size(), found.length); i++) {
            if (!planned.get(i).crc().equals("%08x".formatted(found[i]))) {
                reasons.add(WORDS.say("frameIsntTheOneThatWasEncoded", i));
                return;
            }
        }
    }

    /** Reel frames that the file holds: fewer than the plan's where it ended early. */
    static long reelFrames(RunPlan plan, RunFile file) {
        return Math.min(plan.frames(), file.reelFrame(file.expected().frames()));
    }

    private static List<Receipt.SourceLine> sources(RunPlan plan, RunFile file) {
        long end = reelFrames(plan, file);
        return plan.spans().stream().flatMap(RunSpan::ofSources).filter(s -> s.start() < end).map(s -> {
            long count = Math.min(s.count(), end - s.start());
            return new Receipt.SourceLine(plan.sources().get(s.source()).name(), s.first(), s.wanted(s.start() + count - 1), s.step(),
                    count);
        }).toList();
    }

    private static Receipt.Quality quality(RunPlan plan, RunFile file, List<Receipt.FrameLine> frames) {
        if (frames.isEmpty()) {
            return null;
        }
        double sum = 0;
        int counted = 0;
        double worstSsim = 1;
        for (Receipt.FrameLine frame : frames) {
            worstSsim = Math.min(worstSsim, frame.ssim());
            if (frame.psnr() != null) {
                sum += frame.psnr();
                counted++;
            }
        }
        List<Receipt.Worst> worst = frames.stream().filter(f -> f.psnr() != null).sorted(Comparator.comparing(Receipt.FrameLine::psnr))
                .limit(MOST_WORST)
                .map(f -> new Receipt.Worst(f.frame(), source(plan, file, f.frame()), f.psnr(), f.ssim())).toList();
        return worst.isEmpty()
                ? new Receipt.Quality(null, null, worstSsim, frames.getFirst().frame(), source(plan, file, frames.getFirst().frame()),
                        worst)
                : new Receipt.Quality(sum / counted, worst.getFirst().psnr(), worstSsim, worst.getFirst().frame(),
                        worst.getFirst().source(), worst);
    }

    /** The name of the source file that a frame of the file begins with. */
    private static String source(RunPlan plan, RunFile file, long frame) {
        ReelFrame shown = plan.frameAt(file.reelFrame(frame));
        if (!RunPlan.isDrawn(shown)) {
            return fileName(plan, shown);
        }
        List<String> seen = shown.seen().stream().map(f -> fileName(plan, f)).distinct().toList();
        return seen.isEmpty() ? "drawn" : String.join(", ", seen);
    }

    private static String fileName(RunPlan plan, ReelFrame frame) {
        return Recipes.file(plan.sourceOf(frame), frame.wanted()).getFileName().toString();
    }
}
