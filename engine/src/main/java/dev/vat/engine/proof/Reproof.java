package dev.vat.engine.proof;

import dev.vat.core.run.Comparison;
import dev.vat.core.run.Receipt;
import dev.vat.engine.place.Durable;
import dev.vat.media.MediaException;
import dev.vat.media.MovieProof;
import dev.vat.media.StillsProof;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Holds a finished file against its receipt again. Loads native code: for worker and prove processes. */
public final class Reproof {

    /** @param reasons what doesn't agree; empty if the file is what its receipt says */
    public record Result(Receipt receipt, List<String> reasons) {
        public boolean proven() {
            return reasons.isEmpty();
        }
    }

    private Reproof() { }

    /** @throws NoSuchFileException if the file or its receipt isn't there */
    public static Result of(Path file) throws IOException {
        if (!Files.exists(file)) {
            throw new NoSuchFileException(file.toString(), null, "there is no such file");
        }
        Path receiptFile = ReceiptFile.of(file);
        if (!Files.isRegularFile(receiptFile)) {
            throw new NoSuchFileException(receiptFile.toString(), null, "the file has no receipt beside it");
        }
        Receipt receipt = ReceiptFile.read(receiptFile);
        List<String> reasons = new ArrayList<>();
        if (!receipt.proven()) {
            reasons.add("its receipt says that it never was proven: " + String.join("; ", receipt.reasons()));
        }
        if (!Durable.sha256(file).equals(receipt.sha256())) {
            reasons.add("its bytes are not those of the receipt (SHA-256)");
        }
        try {
            MovieProof.Result found = receipt.planned().stills() == null ? MovieProof.prove(file, _ -> true)
                    : StillsProof.prove(file, receipt.planned(), _ -> true);
            Comparison.of(receipt.planned(), found.facts()).disagreements()
                    .forEach(l -> reasons.add(l.name() + ": " + l.planned() + " was planned, " + l.found() + " is found"));
            int[] crcs = found.crcs();
            for (int i = 0; i < Math.min(crcs.length, receipt.frames().size()); i++) {
                if (!receipt.frames().get(i).crc().equals("%08x".formatted(crcs[i]))) {
                    reasons.add("frame " + i + " isn't the one of the receipt");
                    break;
                }
            }
        } catch (MediaException e) {
            reasons.add("it can't be read whole: " + e.getMessage());
        }
        return new Result(receipt, reasons);
    }
}
