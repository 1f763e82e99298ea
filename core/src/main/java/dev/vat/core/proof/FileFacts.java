package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.util.List;

/**
 * What a reader found in a finished file.
 *
 * @param frames frames that decoded
 * @param evenSpacing whether every frame lasts exactly as long as the rate says, starting at 0
 * @param startSeconds when the first frame is shown
 * @param durationSeconds what the container says of its length
 * @param clock the step of the container's clock in seconds: no time is exacter than half of it
 * @param pixelAspect as the container states it
 * @param codedPixelAspect as the coded pictures state it themselves, or null where they say nothing
 * @param chroma as {@code 4:2:0}
 * @param range {@code limited}, {@code full} or {@code unknown}
 * @param scan as {@link Scan#title} says it, by what every decoded frame says of itself
 * @param loops how often a moving still says it is played, 0 for ever; null elsewhere
 * @param sound the first sound track, decoded to its end, or null
 * @param otherSounds the sound tracks behind the first one, decoded to their end
 * @param timecode label of the first frame, or null where the file has none
 * @param level the level the stream claims, in the codec's own count; -99 if it has none
 */
public record FileFacts(long frames, Rate rate, boolean evenSpacing, Rational startSeconds, Rational durationSeconds, Rational clock,
        Size size, PixelAspect pixelAspect, PixelAspect codedPixelAspect, String container, String codec, String profile, int level,
        int bits, String chroma, int alphaBits, String matrix, String primaries, String transfer,
        String range, int soundTracks, Expectation.SoundTrack sound, boolean indexInFront, String scan, Integer loops, long bytes,
        String timecode, @JsonInclude(JsonInclude.Include.NON_EMPTY) List<Expectation.SoundTrack> otherSounds) {
    /**
     * Of sound alone: nothing of it is a picture's.
     *
     * @param container what readers call it
     * @param timecode label of the first picture that it goes with, or null where nothing says it
     */
    public static FileFacts ofSound(String container, Expectation.SoundTrack sound, long bytes, String timecode) {
        return new FileFacts(0, null, true, Rational.ZERO, sound.seconds(), Rational.of(1, sound.rate()), null, null, null, container, "",
                "", 0, 0, "", 0, "unknown", "unknown", "unknown", "unknown", 1, sound, false, "", null, bytes, timecode, List.of());
    }

    public FileFacts {
        otherSounds = otherSounds == null ? List.of() : List.copyOf(otherSounds);
    }
}
