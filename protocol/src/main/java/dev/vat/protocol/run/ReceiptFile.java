package dev.vat.protocol.run;

import com.fasterxml.jackson.core.JsonProcessingException;
import dev.vat.core.document.Documents;
import dev.vat.core.proof.Receipt;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Json;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A receipt as it lies beside its file. */
public final class ReceiptFile {

    private static final Words WORDS = Words.of(ReceiptFile.class);

    private ReceiptFile() {}

    /** {@code FILE.EXT.receipt.json} beside {@code FILE.EXT}. */
    public static Path of(Path file) {
        return file.resolveSibling(file.getFileName() + Receipt.SUFFIX);
    }

    /** @throws IOException if there is none, or in words why it can't be understood */
    public static Receipt read(Path receiptFile) throws IOException {
        try {
            return Json.MAPPER.readValue(Files.readString(receiptFile), Receipt.class);
        } catch (JsonProcessingException e) {
            throw new IOException(WORDS.say("theReceiptCantBeUnderstood", receiptFile.getFileName(), Documents.words(e)), e);
        }
    }
}
