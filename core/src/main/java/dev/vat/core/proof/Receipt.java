package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.time.Rate;
import java.util.List;

/**
 * The proof for one file. It names no folder, user or machine.
 *
 * @param file the file's name
 * @param made UTC, ISO 8601
 * @param proven whether everything agreed
 * @param reasons why it is not proven, in words
 * @param usedAnyway UTC time at which somebody took an unproven file into use, else null
 * @param rateOrigin where the rate comes from
 * @param frames what was measured of each frame, in output order
 * @param draft whether it was made as a draft
 * @param lossyPasses how often its pictures were packed with loss, those of its sources included, as far as these are known
 * @param sha256 of the whole file, hexadecimal
 * @param spacing how far apart frames follow each other by their time stamps; empty where the format says no times
 * @param loudness of the sound, or null where there is none
 * @param prints of stretches of the file, or null for a folder
 * @param soundSeconds CRC32C of the packets of sound that begin in each second, hexadecimal; empty where there is no sound
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Receipt(int version, String file, String made, String vat, String library, String run, String project,
        String reel, String target, String targetTitle, @JsonProperty("proven") boolean proven,
        List<String> reasons, String usedAnyway, Rate rate, String rateOrigin, List<SourceLine> sources,
        List<Fill> fills, Expectation planned, FileFacts found, Comparison comparison, Quality quality,
        List<String> notes, List<PartLine> parts, String sha256, List<FrameLine> frames,
        int lossyPasses, @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean draft, List<Spacing> spacing, Loudness loudness,
        BytePrints prints, @JsonInclude(JsonInclude.Include.NON_EMPTY) List<String> soundSeconds) {

    public static final int VERSION = 1;
    public static final String SUFFIX = ".receipt.json";

    public Receipt {
        reasons = List.copyOf(reasons);
        sources = List.copyOf(sources);
        fills = List.copyOf(fills);
        notes = List.copyOf(notes);
        parts = List.copyOf(parts);
        frames = List.copyOf(frames);
        spacing = spacing == null ? List.of() : List.copyOf(spacing);
        soundSeconds = soundSeconds == null ? List.of() : List.copyOf(soundSeconds);
    }

    /** A source and what was taken of it: {@code first} to {@code last}, every {@code step}. */
    public record SourceLine(String name, long first, long last, long step, long count) {}

    /** An output frame in whose place something else stands. */
    public record Fill(long frame, String source, long wanted, String shown) {}

    /** A part: output frames, bytes of its file, CRC32C of the file in hexadecimal. */
    public record PartLine(int index, long first, long count, long bytes, String crc) {}

    /**
     * One output frame.
     *
     * @param crc CRC32C of the decoded samples, hexadecimal
     * @param psnr decoded against what was given to the encoder, in dB; null where they are equal to the last bit
     * @param ssim from 0 to 1, luma
     * @param light of what the encoder was given, in PQ; null by other curves
     */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    public record FrameLine(long frame, String crc, Double psnr, double ssim,
            @JsonInclude(JsonInclude.Include.NON_NULL) FrameLight light) {
        public FrameLine(long frame, String crc, Double psnr, double ssim) {
            this(frame, crc, psnr, ssim, null);
        }
    }

    /**
     * Picture against source over the whole file; PSNR in dB of luma, null where not a bit differs.
     *
     * @param worstFrame output frame with the lowest PSNR
     * @param worstSource the same, as source name and frame number
     * @param worst up to ten frames with the lowest PSNR, the lowest first
     */
    public record Quality(Double meanPsnr, Double worstPsnr, double worstSsim, long worstFrame, String worstSource, List<Worst> worst) {
        public Quality {
            worst = worst == null ? List.of() : List.copyOf(worst);
        }
    }

    /** A frame that differs most from what its encoder was given. @param source file that it shows */
    public record Worst(long frame, String source, double psnr, double ssim) {}

    /** Whether it is of a file without pictures. */
    @JsonIgnore
    public boolean isSound() {
        return planned.container().isSoundAlone();
    }

    public Receipt withUse(String when) {
        return new Receipt(version, file, made, vat, library, run, project, reel, target, targetTitle, proven, reasons,
                when, rate, rateOrigin, sources, fills, planned, found, comparison, quality, notes, parts, sha256, frames, lossyPasses,
                draft, spacing, loudness, prints, soundSeconds);
    }

    public Receipt withFile(String name) {
        return new Receipt(version, name, made, vat, library, run, project, reel, target, targetTitle, proven, reasons,
                usedAnyway, rate, rateOrigin, sources, fills, planned, found, comparison, quality, notes, parts, sha256,
                frames, lossyPasses, draft, spacing, loudness, prints, soundSeconds);
    }
}
