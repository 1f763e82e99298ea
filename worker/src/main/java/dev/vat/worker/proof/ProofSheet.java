package dev.vat.worker.proof;

import dev.vat.core.proof.Receipt;
import dev.vat.core.words.Words;
import dev.vat.media.proof.SmallPictures;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;

/**
 * One page to hand over with a file, as HTML and as PDF: what was asked and found, the curve of likeness, the frames that differ most, a
 * contact sheet, and the fingerprint. It says what the receipt says, which names no folder, user or machine.
 */
public final class ProofSheet {

    private static final Words WORDS = Words.of(ProofSheet.class);

    private static final int WIDTH = 192;
    private static final int CONTACTS = 12;

    /**
     * What both forms show.
     *
     * @param worst the frames that differ most, with their pictures
     * @param contacts frames spread evenly over the file
     */
    record Content(Receipt receipt, Map<Receipt.Worst, BufferedImage> worst, Map<Long, BufferedImage> contacts) {

        String verdict() {
            return receipt.proven() ? WORDS.say(receipt.isSound() ? "provenEverySample" : "provenReopenedDecodedWhole")
                    : WORDS.say("notProven", String.join("; ", receipt.reasons()));
        }

        String likeness() {
            Receipt.Quality q = receipt.quality();
            return q == null ? "" : q.meanPsnr() == null ? WORDS.say("pictureAgainstSourceNot") : WORDS.say("pictureAgainstSourceLuma",
                    Words.decimal(q.meanPsnr(), 2), Words.decimal(q.worstPsnr(), 2), q.worstFrame(), Words.decimal(q.worstSsim(), 4));
        }

        String made() {
            return WORDS.say("madeByVatRateFramesASecond", receipt.made().replaceFirst("T(\\d+:\\d+).*", " $1 UTC"), receipt.vat(),
                    receipt.rate(), receipt.rateOrigin());
        }

        /** PSNR of each frame that lost anything, in dB; null in between. */
        List<Double> curve() {
            return receipt.frames().stream().map(Receipt.FrameLine::psnr).toList();
        }
    }

    private ProofSheet() {}

    /**
     * Writes both beside a file, over earlier ones of it.
     *
     * @return where they are
     * @throws IOException in words, if the file has no receipt or can't be read
     */
    public static List<Path> write(Path file) throws IOException {
        Path receiptFile = ReceiptFile.of(file);
        if (!Files.exists(receiptFile)) {
            throw new NoSuchFileException(file.toString(), null, WORDS.say("theFileHasNoReceiptBeside"));
        }
        Receipt receipt = ReceiptFile.read(receiptFile);
        Content content = content(receipt, file);
        Path html = file.resolveSibling(file.getFileName() + ".proof.html");
        Path pdf = file.resolveSibling(file.getFileName() + ".proof.pdf");
        Durable.write(html, SheetHtml.of(content));
        SheetPdf.write(content, pdf);
        return List.of(html, pdf);
    }

    private static Content content(Receipt receipt, Path file) {
        Map<Receipt.Worst, BufferedImage> worst = new LinkedHashMap<>();
        Map<Long, BufferedImage> contacts = new LinkedHashMap<>();
        if (receipt.isSound()) {
            return new Content(receipt, worst, contacts);
        }
        try (SmallPictures pictures = new SmallPictures(file, receipt.planned(), WIDTH)) {
            long frames = receipt.planned().frames();
            LongStream.range(0, Math.min(CONTACTS, frames)).map(i -> i * frames / Math.min(CONTACTS, frames))
                    .forEach(f -> contacts.put(f, pictures.of(f)));
            if (receipt.quality() != null) {
                receipt.quality().worst().forEach(w -> worst.put(w, pictures.of(w.frame())));
            }
        }
        return new Content(receipt, worst, contacts);
    }
}
