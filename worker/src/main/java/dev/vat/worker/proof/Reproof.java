package dev.vat.worker.proof;

import dev.vat.core.proof.BytePrints;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.RateLines;
import dev.vat.core.proof.Receipt;
import dev.vat.core.time.FrameSet;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.proof.MovieProof;
import dev.vat.protocol.run.ReceiptFile;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.Set;

/** Verifies a finished file against its receipt again. Loads native code: for worker and prove processes. */
public final class Reproof {

    private static final Words WORDS = Words.of(Reproof.class);

    /** @param reasons what doesn't agree; empty if the file is what its receipt says */
    public record Result(Receipt receipt, List<String> reasons) {
        public boolean proven() {
            return reasons.isEmpty();
        }
    }

    private Reproof() {}

    /** @throws NoSuchFileException if the file or its receipt isn't there */
    public static Result of(Path file) throws IOException {
        if (!Files.exists(file)) {
            throw new NoSuchFileException(file.toString(), null, WORDS.say("thereIsNoSuchFile"));
        }
        Path receiptFile = ReceiptFile.of(file);
        if (!Files.isRegularFile(receiptFile)) {
            throw new NoSuchFileException(receiptFile.toString(), null, WORDS.say("theFileHasNoReceiptBeside"));
        }
        Receipt receipt = ReceiptFile.read(receiptFile);
        List<String> reasons = new ArrayList<>();
        if (!receipt.proven()) {
            reasons.add(WORDS.say("itsReceiptSaysThatItNever", String.join("; ", receipt.reasons())));
        }
        boolean sameBytes = Durable.sha256(file).equals(receipt.sha256());
        if (!sameBytes) {
            reasons.add(WORDS.say("itsBytesAreNotThoseOfThe", place(file, receipt)));
        }
        int before = reasons.size();
        try {
            MovieProof.Result found = FileProof.found(receipt.planned(), file, _ -> true);
            comparison(receipt, found, file).disagreements()
                    .forEach(l -> reasons.add(WORDS.say("wasPlannedIsFound", l.name(), l.planned(), l.found())));
            int tags = reasons.size();
            frames(found.crcs(), receipt, reasons);
            sound(found.soundSeconds(), receipt, reasons);
            if (reasons.size() == tags && !sameBytes) {
                reasons.add(tags > before ? WORDS.say("everyPictureIsTheOneOfThe")
                        : WORDS.say("everyPictureAndEverything"));
            }
        } catch (MediaException e) {
            reasons.add(WORDS.say("itCantBeReadWhole", e.getMessage()));
        }
        return new Result(receipt, reasons);
    }

    /** Of a copy only what was asked of it when it was made: what its sources themselves don't keep, it needn't. */
    private static Comparison comparison(Receipt receipt, MovieProof.Result found, Path file) throws IOException {
        Comparison facts = Comparison.of(receipt.planned(), found.facts(), found.loudness());
        if (receipt.target().equals(CopyReceipt.COPY)) {
            Set<String> asked = receipt.comparison().lines().stream().map(Comparison.Line::name).collect(Collectors.toSet());
            return new Comparison(facts.lines().stream().filter(l -> asked.contains(l.name())).toList());
        }
        return facts.with(RateLines.of(receipt.planned().bits(), found.bits(), receipt.quality()))
                .with(FileProof.opinion(receipt.planned(), file, found.loudness()));
    }

    /** Which frames aren't the receipt's; where some are lost from the middle, the first that is gone. */
    private static void frames(int[] found, Receipt receipt, List<String> reasons) {
        List<String> wanted = receipt.frames().stream().map(Receipt.FrameLine::crc).toList();
        FrameSet.Builder other = FrameSet.builder();
        for (int i = 0; i < Math.min(found.length, wanted.size()); i++) {
            if (!wanted.get(i).equals(print(found[i]))) {
                other.add(i);
            }
        }
        FrameSet differing = other.build();
        int lost = wanted.size() - found.length;
        if (lost > 0) {
            int first = 0;
            while (first < found.length && wanted.get(first).equals(print(found[first]))) {
                first++;
            }
            boolean oneStretch = true;
            for (int i = first; i < found.length; i++) {
                oneStretch &= wanted.get(i + lost).equals(print(found[i]));
            }
            reasons.add(oneStretch
                    ? WORDS.say("theOthersAreThoseOfTheReceipt",
                            (lost == 1 ? WORDS.say("frameIsLost", first) : WORDS.say("framesAreLost", first, (first + lost - 1))))
                    : WORDS.say("framesAreLostAndFromFrame", lost, first));
            return;
        }
        if (!differing.isEmpty()) {
            String text = differing.toString();
            reasons.add(text.matches("\\d+") ? WORDS.say("thePictureOfFrameIsntThe", text)
                    : WORDS.say("thePicturesOfFramesArent", text));
        }
    }

    /** In which seconds the sound isn't the receipt's; receipts of before have no word of it. */
    private static void sound(List<String> found, Receipt receipt, List<String> reasons) {
        List<String> wanted = receipt.soundSeconds();
        if (wanted.isEmpty()) {
            return;
        }
        FrameSet.Builder other = FrameSet.builder();
        for (int i = 0; i < Math.max(found.size(), wanted.size()); i++) {
            if (i >= found.size() || i >= wanted.size() || !wanted.get(i).equals(found.get(i))) {
                other.add(i);
            }
        }
        FrameSet differing = other.build();
        if (!differing.isEmpty()) {
            reasons.add(WORDS.say("theSoundIsAnother", differing.ranges().stream()
                    .map(r -> WORDS.say("fromSecondTo", r.first(), r.last() + 1)).collect(Collectors.joining(", "))));
        }
    }

    private static String print(int crc) {
        return "%08x".formatted(crc);
    }

    /** Between which bytes the file differs, as far as the receipt knows. */
    private static String place(Path file, Receipt receipt) throws IOException {
        BytePrints wanted = receipt.prints();
        if (wanted == null || receipt.found() == null) {
            return "";
        }
        long size = Files.size(file);
        if (size != receipt.found().bytes()) {
            return WORDS.say("itHasBytesWhereItHad", size, receipt.found().bytes());
        }
        List<String> now = Durable.prints(file).crc();
        FrameSet.Builder stretches = FrameSet.builder();
        for (int i = 0; i < now.size(); i++) {
            if (!now.get(i).equals(wanted.crc().get(i))) {
                stretches.add(i);
            }
        }
        return WORDS.say("theyDiffer",
                stretches.build().ranges().stream()
                        .map(r -> WORDS.say("betweenBytesAnd", r.first() * wanted.each(), Math.min(size, (r.last() + 1) * wanted.each())))
                        .collect(Collectors.joining(", ")));
    }
}
