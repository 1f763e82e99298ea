package dev.vat.protocol.run;

import dev.vat.core.delivery.FileNaming;
import dev.vat.core.proof.Receipt;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.FileSystemException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/** Gives a whole and proven file its final name, never one that is taken. */
public final class Delivery {

    private static final Words WORDS = Words.of(Delivery.class);

    private static final int MOST_VERSIONS = 10_000;

    private Delivery() {}

    /**
     * Links the file under its name, or the next free version of it, then its receipt, then lets the work name go.
     *
     * @return where the file stands
     */
    public static Path deliver(Path work, Receipt receipt, Path folder) throws IOException {
        Path file = place(work, folder, receipt.file());
        Path receiptFile = ReceiptFile.of(file);
        Durable.write(receiptFile, Json.page(receipt.withFile(file.getFileName().toString())));
        Files.deleteIfExists(work);
        Durable.syncFolder(folder);
        return file;
    }

    private static Path place(Path work, Path folder, String name) throws IOException {
        for (int version = 1; version < MOST_VERSIONS; version++) {
            Path target = folder.resolve(version == 1 ? name : FileNaming.versioned(name, version));
            if (Files.exists(ReceiptFile.of(target))) {
                continue;
            }
            try {
                Files.createLink(target, work);
                return target;
            } catch (FileAlreadyExistsException _) {
                // that name is taken: the next version
            } catch (UnsupportedOperationException | FileSystemException _) {
                if (moveIfFree(work, target)) {
                    return target;
                }
            }
        }
        throw new IOException(WORDS.say("noFreeNameForIn", name, folder));
    }

    /** For file systems without links; the name is looked at first, since a move would replace. */
    private static boolean moveIfFree(Path work, Path target) throws IOException {
        if (Files.exists(target)) {
            return false;
        }
        Files.move(work, target);
        return true;
    }

    /** Moves a file that couldn't be proven out of the work folder, because somebody wants it anyway; its receipt says so. */
    public static Path useAnyway(RunHome home, String target) throws IOException {
        for (JournalEntry entry : home.journal()) {
            if (entry instanceof JournalEntry.Unproven unproven && unproven.target().equals(target)) {
                Path work = Path.of(unproven.work());
                Receipt receipt = Json.MAPPER.readValue(Files.readString(Path.of(unproven.receipt())), Receipt.class)
                        .withUse(Instant.now().toString());
                Path delivered = deliver(work, receipt, Path.of(home.plan().folder()));
                try (Journal journal = home.openJournal()) {
                    journal.write(new JournalEntry.Delivered(target, delivered.toString()));
                }
                return delivered;
            }
        }
        throw new IOException(WORDS.say("thisRunHasNoUnprovenFile", target));
    }

    /**
     * Finishes what a run had proven but not yet named when it was ended.
     *
     * @return the files that got their names
     */
    public static List<Path> finishProven(RunHome home) throws IOException {
        List<Path> finished = new ArrayList<>();
        for (JournalEntry entry : home.journal()) {
            if (entry instanceof JournalEntry.Proven proven
                    && home.unfinished().stream().anyMatch(f -> f.target().equals(proven.target()))) {
                Path work = Path.of(proven.work());
                Receipt receipt = Json.MAPPER.readValue(Files.readString(Path.of(proven.receipt())), Receipt.class);
                Path folder = Path.of(home.plan().folder());
                Path linked = alreadyLinked(work, folder, receipt);
                Path delivered = linked != null ? linked : deliver(work, receipt, folder);
                if (linked != null) {
                    Durable.write(ReceiptFile.of(linked), Json.page(receipt.withFile(linked.getFileName().toString())));
                    Files.deleteIfExists(work);
                }
                try (Journal journal = home.openJournal()) {
                    journal.write(new JournalEntry.Delivered(proven.target(), delivered.toString()));
                }
                finished.add(delivered);
            }
        }
        return finished;
    }

    /** The final name that the file got already, if the end came between linking and the journal's line. */
    private static Path alreadyLinked(Path work, Path folder, Receipt receipt) throws IOException {
        for (int version = 1; version < MOST_VERSIONS; version++) {
            Path target = folder.resolve(version == 1 ? receipt.file() : FileNaming.versioned(receipt.file(), version));
            if (!Files.exists(target)) {
                return null;
            }
            boolean same = Files.exists(work) ? Files.isSameFile(work, target)
                    : Durable.sha256(target).equals(receipt.sha256());
            if (same) {
                return target;
            }
        }
        return null;
    }
}
