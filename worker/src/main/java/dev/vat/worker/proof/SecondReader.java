package dev.vat.worker.proof;

import dev.vat.core.recipe.FrameStamp;
import dev.vat.core.recipe.Recipes;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.words.Words;
import dev.vat.media.proof.SecondReading;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The first frame of each source, read by a reader that shares nothing with the one that the file was made by: what a decoder takes wrongly
 * it would also prove.
 *
 * @param agrees whether both see the same
 * @param words which frame, and what was found
 */
record SecondReader(boolean agrees, String words) {

    private static final Words WORDS = Words.of(SecondReader.class);

    /** Of a reel of many sources the first ones stand for all. */
    private static final int MOST = 8;

    static List<SecondReader> of(RunPlan plan) {
        List<SecondReader> found = new ArrayList<>();
        for (RunSource source : plan.sources().stream().filter(s -> !s.kind().isMovie()).limit(MOST).toList()) {
            long number = source.stamps().isEmpty() ? 0 : source.stamps().getFirst().number();
            Path frame = Recipes.file(source, number);
            if (isAsChecked(frame, source.stamp(number))) {
                read(source, frame).map(r -> of(frame.getFileName().toString(), r)).ifPresent(found::add);
            }
        }
        return found;
    }

    static SecondReader of(String frame, SecondReading reading) {
        return new SecondReader(reading.agrees(), WORDS.say("readByASecondReader", frame, reading.words()));
    }

    /** A frame that was written again since, or is gone, says nothing of this file. */
    private static boolean isAsChecked(Path frame, FrameStamp stamp) {
        try {
            return stamp != null && Files.size(frame) == stamp.bytes() && Files.getLastModifiedTime(frame).toMillis() == stamp.modified();
        } catch (IOException _) {
            return false;
        }
    }

    private static Optional<SecondReading> read(RunSource source, Path frame) {
        try {
            return SecondReading.of(frame, source.kind());
        } catch (IOException _) {
            // It was read when the file was made; that it can't be read now is no fault of the file.
            return Optional.empty();
        }
    }
}
