package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Codec;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Treatment;
import dev.vat.core.proof.Expectation;
import dev.vat.core.resolved.PictureWords;
import dev.vat.core.words.Words;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * One file.
 *
 * @param target id of the deliverable
 * @param title what the deliverable is called
 * @param codec id in the catalogue
 * @param fileName the name it is to get
 * @param treatment what becomes of the reel's pictures
 * @param words what is written into them, or null where they are clean
 * @param options every encoder setting, by the library's names
 * @param threads of the encoder
 * @param passes how often its frames are read and encoded
 * @param accepted ids of findings that stood in the way and were said yes to
 * @param forecast what it may weigh, before anything was tried; null where nobody said
 */
public record RunFile(String target, String title, String codec, String fileName, Treatment treatment, PictureWords words, int threads,
        int passes, Map<String, String> options,
        List<RunPart> parts, Expectation expected, Set<String> accepted, RoughForecast forecast) {

    private static final String SOUND = "-sound-";
    private static final Words WORDS = Words.of(RunFile.class);

    public RunFile {
        passes = Math.max(1, passes);
        options = Collections.unmodifiableSortedMap(new TreeMap<>(options));
        parts = List.copyOf(parts);
        accepted = accepted == null ? Set.of() : Set.copyOf(accepted);
    }

    public RunFile withExpected(Expectation other) {
        return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, parts, other, accepted,
                forecast);
    }

    /** The same with other stretches of it made. */
    public RunFile withParts(List<RunPart> others) {
        return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, others, expected, accepted,
                forecast);
    }

    /**
     * The file that ends early: its parts up to there, the last one cut short.
     *
     * @param frames of the file that are left, at least one
     */
    public RunFile shortened(long frames) {
        if (frames < 1 || frames > expected.frames()) {
            throw new IllegalArgumentException(WORDS.say("ofFramesAreNoShorterFile", frames, expected.frames()));
        }
        List<RunPart> left = parts.stream().filter(p -> p.first() < frames)
                .map(p -> new RunPart(p.index(), p.first(), Math.min(p.count(), frames - p.first()))).toList();
        return new RunFile(target, title, codec, fileName, treatment, words, threads, passes, options, left,
                expected.withFrames(frames), accepted,
                forecast == null ? null : forecast.of(frames, expected.frames()));
    }

    /** The reel frame at which one of the file's frames begins. */
    public long reelFrame(long frame) {
        return reelFrames() * frame;
    }

    /** How many reel frames one of the file's is made of: two where it is interlaced. */
    public int reelFrames() {
        return treatment.scan().isInterlaced() ? 2 : 1;
    }

    /** What the closed file of one of its parts is called. */
    public String partName(int index) {
        return "%05d.%s".formatted(index, codecInCatalogue().partContainer().extension());
    }

    /** Whether it is a folder of stills. */
    @JsonIgnore
    public boolean isFolder() {
        return expected.stills() != null;
    }

    /** Whether it is sound alone, without a picture to be made: it has no parts. */
    @JsonIgnore
    public boolean isSound() {
        return expected.container().isSoundAlone();
    }

    /** The id under which a run knows sound that goes beside a deliverable. @param number which of its files, from 1 */
    public static String soundId(String deliverable, int number) {
        return deliverable + SOUND + number;
    }

    /** Whether another file is sound that goes beside this one. */
    public boolean hasBeside(RunFile other) {
        return other.isSound() && other.target.substring(0, other.target.lastIndexOf(SOUND)).equals(target);
    }

    /** Whether all of it is one still, which is delivered as a file and not as a folder. */
    @JsonIgnore
    public boolean isSingleStill() {
        return isFolder() && expected.frames() == 1;
    }

    /** The name under which it is delivered, if that is free. */
    @JsonIgnore
    public String deliveredName() {
        return isSingleStill() ? expected.stills().names().fileName(expected.stills().first()) : fileName;
    }

    @JsonIgnore
    public Codec codecInCatalogue() {
        return Catalogue.codec(codec);
    }
}
