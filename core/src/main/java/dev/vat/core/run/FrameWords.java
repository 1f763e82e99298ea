package dev.vat.core.run;

import dev.vat.core.burnin.Field;
import dev.vat.core.burnin.FrameFacts;
import dev.vat.core.picture.Size;
import dev.vat.core.source.NameWords;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import java.nio.file.Path;

/** What the fields of words in pictures stand for: first for a whole file, then for each of its frames. */
final class FrameWords {

    private final FrameFacts whole;
    private final Rate rate;
    private final Timecode start;

    /**
     * @param whole what holds for all frames alike
     * @param rate of the frames that are counted, or null while it isn't known
     * @param start label of the first one, or null to count from 00:00:00:00
     */
    FrameWords(FrameFacts whole, Rate rate, Timecode start) {
        this.whole = whole;
        this.rate = rate;
        this.start = start;
    }

    /** @param length in frames of the rate @param rate or null @param size or null @param date ISO 8601, or null */
    static FrameFacts whole(String reel, String target, long length, Rate rate, Size size, String date) {
        return FrameFacts.none().with(Field.REEL, reel).with(Field.TARGET, target).with(Field.LENGTH, rate == null ? null : Timecode.of(length, rate).toString())
                .with(Field.RATE, rate == null ? null : rate.label()).with(Field.SIZE, size == null ? null : size.toString()).with(Field.DATE, date);
    }

    /** @param frame that is counted @param reelFrame what of the reel it shows */
    FrameFacts at(long frame, long reelFrame) {
        Timecode label = start != null ? new Timecode(start.frame() + frame, start.rate(), start.dropFrame()) : rate == null ? null : Timecode.of(frame, rate);
        return whole.with(Field.REEL_FRAME, Long.toString(reelFrame)).with(Field.TIMECODE, label == null ? null : label.toString());
    }

    /** The same of a source's frame. */
    static FrameFacts of(FrameFacts facts, SequencePattern pattern, Path folder, long number) {
        String name = pattern.baseName();
        String around = folder.getFileName() == null ? "" : folder.getFileName().toString();
        return facts.with(Field.FRAME, pattern.number(number)).with(Field.SOURCE, name).with(Field.CAMERA, NameWords.camera(name, around).orElse(null))
                .with(Field.VERSION, NameWords.version(name, around).orElse(null));
    }
}
