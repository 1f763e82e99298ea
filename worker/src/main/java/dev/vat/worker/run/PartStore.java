package dev.vat.worker.run;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.media.encode.EncoderSpec;
import dev.vat.media.encode.FrameProof;
import dev.vat.media.encode.PartSink;
import dev.vat.media.encode.PartWriter;
import dev.vat.media.encode.StillsWriter;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.run.RunState;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.List;
import java.util.stream.Stream;

/** The parts of one file on disk: where they lie, how they are written and closed, and what a first pass left. */
final class PartStore {

    /** What some encoders write in a first pass is more than one file, all beginning with this name. */
    static final String NOTES = "pass.notes";

    private final RunPlan plan;
    private final Path work;
    private final Journal journal;
    private final boolean checked;

    /** @param checked whether each frame is decoded again at once */
    PartStore(RunPlan plan, RunFile file, Journal journal, boolean checked) {
        this.plan = plan;
        this.work = RunHome.workFolder(plan, file);
        this.journal = journal;
        this.checked = checked;
    }

    /** What a first pass left. */
    static List<Path> notes(RunPlan plan, RunFile file) throws IOException {
        try (Stream<Path> files = Files.list(RunHome.workFolder(plan, file))) {
            return files.filter(f -> f.getFileName().toString().startsWith(NOTES)).toList();
        } catch (NoSuchFileException _) {
            return List.of();
        }
    }

    /** Whether an earlier start went through the first pass, and what it noted is still there. */
    static boolean hasNotes(RunPlan plan, RunFile file, RunState state) throws IOException {
        return state.isFirstPassed(file.target()) && !notes(plan, file).isEmpty();
    }

    static Path partFile(Path work, RunFile file, RunPart part) {
        return work.resolve(RunHome.PARTS).resolve(file.partName(part.index()));
    }

    Path work() {
        return work;
    }

    /** Where a part stands while it is made. */
    Path open(RunFile file, RunPart part) {
        return partFile(work, file, part).resolveSibling("open.part");
    }

    PartSink sink(RunFile file, Path open, RunPart part, EncoderSpec spec) {
        return file.isFolder() ? new StillsWriter(RunHome.finished(plan, file), file.expected(), spec, part.first(), checked)
                : new PartWriter(open, spec, part.first(), checked);
    }

    /** Syncs what a first pass left and says so. */
    void closeFirstPass(RunFile file) throws IOException {
        for (Path note : notes(plan, file)) {
            Durable.sync(note);
        }
        Durable.syncFolder(work);
        journal.write(new JournalEntry.FirstPassed(file.target()));
    }

    /** Syncs, fingerprints and names a part, then writes it down: from then on it is kept. */
    JournalEntry.PartClosed close(RunFile file, RunPart part, Path open, List<FrameProof> proofs, long bytes) throws IOException {
        if (file.isFolder()) {
            return closeStills(file, part, proofs, bytes);
        }
        Durable.sync(open);
        String fingerprint = Durable.crc32c(open);
        Path closed = partFile(work, file, part);
        Files.move(open, closed, StandardCopyOption.ATOMIC_MOVE);
        Durable.syncFolder(closed.getParent());
        return closed(file, part, Files.size(closed), fingerprint, proofs);
    }

    /** Stills already lie where they will be delivered from; the fingerprint goes over theirs, in order. */
    private JournalEntry.PartClosed closeStills(RunFile file, RunPart part, List<FrameProof> proofs, long bytes) throws IOException {
        Path folder = RunHome.finished(plan, file);
        for (long frame = part.first(); frame < part.end(); frame++) {
            Durable.sync(StillsWriter.file(folder, file.expected().stills(), frame));
        }
        Durable.syncFolder(folder);
        return closed(file, part, bytes, KeptParts.stillsPrint(plan, file, part), proofs);
    }

    private JournalEntry.PartClosed closed(RunFile file, RunPart part, long size, String fingerprint, List<FrameProof> proofs)
            throws IOException {
        JournalEntry.PartClosed entry = new JournalEntry.PartClosed(file.target(), part.index(), part.first(),
                part.count(), size, fingerprint, proofs.stream().map(PartStore::line).toList());
        journal.write(entry);
        return entry;
    }

    private static Receipt.FrameLine line(FrameProof proof) {
        return new Receipt.FrameLine(proof.frame(), "%08x".formatted(proof.crc()),
                Double.isInfinite(proof.psnr()) ? null : proof.psnr(), proof.ssim(), proof.light());
    }
}
