package dev.vat.worker.run;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.mux.Splitting;
import dev.vat.protocol.run.Journal;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Parts of a delivered file that are taken over as they are, where only some of its frames are made anew. */
final class TakenOver {

    private static final Words WORDS = Words.of(TakenOver.class);

    private static final Logger LOG = LoggerFactory.getLogger(TakenOver.class);

    private TakenOver() {}

    /**
     * Makes parts of the delivered file where that wasn't done yet, and says so in the journal. What can't be taken over is made anew:
     * the final proof holds every frame either way.
     *
     * @param closed parts that the journal calls closed already
     */
    static void into(RunPlan plan, RunFile file, List<JournalEntry.PartClosed> closed, Journal journal) throws IOException {
        List<RunPart> parts = file.parts().stream().filter(p -> plan.remade().taken().contains(p.index()))
                .filter(p -> closed.stream().noneMatch(c -> c.part() == p.index())).toList();
        Path delivered = Path.of(plan.remade().file());
        if (parts.isEmpty() || file.isSingleStill()) {
            return;
        }
        try {
            if (!Durable.sha256(delivered).equals(plan.remade().sha256())) {
                throw new IOException(WORDS.say("wasChangedMeanwhile", delivered));
            }
            Receipt receipt = ReceiptFile.read(ReceiptFile.of(delivered));
            copy(plan, file, parts, delivered);
            for (RunPart part : parts) {
                close(plan, file, part, receipt, journal);
            }
        } catch (IOException | RuntimeException e) {
            LOG.warn("Nothing of {} can be taken over; it is made anew whole", delivered, e);
        }
    }

    private static void copy(RunPlan plan, RunFile file, List<RunPart> parts, Path delivered) throws IOException {
        if (file.isFolder()) {
            for (RunPart part : parts) {
                for (long frame = part.first(); frame < part.end(); frame++) {
                    Path still = StillsWriter.file(RunHome.finished(plan, file), file.expected().stills(), frame);
                    Files.deleteIfExists(still);
                    Files.copy(StillsWriter.file(delivered, file.expected().stills(), frame), still);
                }
            }
            return;
        }
        Path work = RunHome.workFolder(plan, file);
        Splitting.split(delivered, file.expected().container(), file.expected().rate(), file.expected().pixelAspect(),
                file.codecInCatalogue().partContainer(),
                parts.stream().map(p -> new Splitting.Stretch(PartStore.partFile(work, file, p), p.first(), p.count())).toList());
    }

    private static void close(RunPlan plan, RunFile file, RunPart part, Receipt receipt, Journal journal) throws IOException {
        List<Receipt.FrameLine> frames = receipt.frames().subList(Math.toIntExact(part.first()), Math.toIntExact(part.end()));
        if (file.isFolder()) {
            Path folder = RunHome.finished(plan, file);
            long bytes = 0;
            for (long frame = part.first(); frame < part.end(); frame++) {
                Path still = StillsWriter.file(folder, file.expected().stills(), frame);
                Durable.sync(still);
                bytes += Files.size(still);
            }
            Durable.syncFolder(folder);
            journal.write(new JournalEntry.PartClosed(file.target(), part.index(), part.first(), part.count(), bytes,
                    KeptParts.stillsPrint(plan, file, part), frames));
            return;
        }
        Path closed = PartStore.partFile(RunHome.workFolder(plan, file), file, part);
        Durable.sync(closed);
        Durable.syncFolder(closed.getParent());
        journal.write(new JournalEntry.PartClosed(file.target(), part.index(), part.first(), part.count(), Files.size(closed),
                Durable.crc32c(closed), frames));
    }
}
