package dev.vat.worker.run;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.lib.MediaLibrary;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Of the parts that a journal calls closed, those that lie on disk as they were closed. */
final class KeptParts {

    private static final Logger LOG = LoggerFactory.getLogger(KeptParts.class);

    private KeptParts() {}

    /** None of another version of the library, since that may code otherwise. */
    static List<JournalEntry.PartClosed> of(RunPlan plan, RunFile file, List<JournalEntry.PartClosed> closed) throws IOException {
        if (!closed.isEmpty() && !plan.library().equals(MediaLibrary.version())) {
            LOG.warn("{} was begun with media library {}, this is {}: it begins again", file.fileName(), plan.library(),
                    MediaLibrary.version());
            return List.of();
        }
        List<JournalEntry.PartClosed> kept = new ArrayList<>();
        for (JournalEntry.PartClosed part : closed) {
            if (part.part() < file.parts().size() && isWhole(plan, file, part)) {
                kept.add(part);
            }
        }
        return kept;
    }

    private static boolean isWhole(RunPlan plan, RunFile file, JournalEntry.PartClosed part) throws IOException {
        RunPart planned = file.parts().get(part.part());
        if (planned.first() != part.first() || planned.count() != part.frames()) {
            return false;
        }
        try {
            if (file.isFolder()) {
                return stillsPrint(plan, file, planned).equals(part.crc());
            }
            Path closed = PartStore.partFile(RunHome.workFolder(plan, file), file, planned);
            return Files.size(closed) == part.bytes() && Durable.crc32c(closed).equals(part.crc());
        } catch (NoSuchFileException _) {
            return false;
        }
    }

    /** The fingerprint of a range of stills: over theirs, in order. */
    static String stillsPrint(RunPlan plan, RunFile file, RunPart part) throws IOException {
        Path folder = RunHome.finished(plan, file);
        StringBuilder prints = new StringBuilder();
        for (long frame = part.first(); frame < part.end(); frame++) {
            prints.append(Durable.crc32c(StillsWriter.file(folder, file.expected().stills(), frame)));
        }
        return Durable.crc32c(prints.toString());
    }
}
