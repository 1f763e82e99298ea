package dev.vat.core.source;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.FieldOrder;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a movie or sound file holds, as its container states it and its packets show it.
 *
 * @param container by the media library's name
 * @param frames picture frames at its rate; 0 for a sound file
 * @param rate frames a second, by the frames' own times; null without a picture
 * @param uneven what isn't even about them, or null
 * @param timecode of the first frame, or null
 * @param format of the pictures, or null
 * @param seconds how long it lasts
 * @param lossyPasses how often its pictures were packed with loss, as far as anybody knows: by its own codec, and before by what its
 *                    receipt says
 * @param draft whether its receipt calls it a draft
 * @param numbers of its frames
 * @param fields which comes first where each frame holds two; null where frames are whole
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ClipFacts(String container, int frames, Rate rate, Uneven uneven, String timecode, PictureFormat format,
        Rational seconds, List<Track> sounds, int lossyPasses,
        boolean draft, FrameNumbers numbers, FieldOrder fields) {

    private static final Words WORDS = Words.of(ClipFacts.class);

    /**
     * Spacing of frames in a file of variable rate, in seconds.
     *
     * @param places where it is another than the rate's
     * @param unseen frames that another one follows before they would be shown
     */
    public record Uneven(Rational shortest, Rational longest, long places, long unseen) {
        /** In words: {@code 20.0 to 1000.0 ms apart, 7 places off}. */
        public String describe() {
            return WORDS.say("toMsApartPlacesOff", shortest.times(1000).toDecimal(1), longest.times(1000).toDecimal(1), places);
        }
    }

    /**
     * A sound track.
     *
     * @param layout {@code mono}, {@code stereo}, {@code 5.1}...
     * @param rate samples a second
     * @param peak highest sample in dBFS; null if it wasn't measured or there is only silence
     * @param silent whether every sample is zero
     * @param samples that were decoded, of each channel
     * @param promised how long the header says it is, in seconds, where it is cut shorter; else null
     * @param damaged stretches that can't be decoded and are left out
     */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    public record Track(String codec, String layout, int channels, int rate, Double peak, boolean silent, long samples,
            Rational promised, long damaged) {
        /** Whole. */
        public Track(String codec, String layout, int channels, int rate, Double peak, boolean silent, long samples) {
            this(codec, layout, channels, rate, peak, silent, samples, null, 0);
        }

        /** How long what is there lasts. */
        @JsonIgnore
        public Rational seconds() {
            return Rational.of(samples, rate);
        }

        /** What is wrong with it, in words; empty if it is whole. */
        public Optional<String> fault() {
            List<String> words = new ArrayList<>();
            if (promised != null) {
                words.add(WORDS.say("itWasCutItsHeaderSaysSAnd", promised.toFixed(2), seconds().toFixed(2)));
            }
            if (damaged > 0) {
                words.add(WORDS.say("damaged", damaged));
            }
            return words.isEmpty() ? Optional.empty() : Optional.of(String.join("; ", words));
        }

        /** In words: {@code stereo, 48000 Hz, PCM 24-bit}. */
        public String describe() {
            return WORDS.say("hz", layout, rate, CodecName.of(codec),
                    (silent ? WORDS.say("silent") : peak == null ? "" : WORDS.say("peakDBFS", Words.decimal(peak, 1))));
        }
    }

    public ClipFacts {
        sounds = sounds == null ? List.of() : List.copyOf(sounds);
        numbers = numbers == null ? FrameNumbers.FROM_ZERO : numbers;
    }

    /** With frames that are counted from 0. */
    public ClipFacts(String container, int frames, Rate rate, Uneven uneven, String timecode, PictureFormat format, Rational seconds,
            List<Track> sounds, int lossyPasses, boolean draft) {
        this(container, frames, rate, uneven, timecode, format, seconds, sounds, lossyPasses, draft, FrameNumbers.FROM_ZERO, null);
    }

    /** @param passes packings with loss, this file's included @param asDraft whether it was made as a draft */
    public ClipFacts withHistory(int passes, boolean asDraft) {
        return new ClipFacts(container, frames, rate, uneven, timecode, format, seconds, sounds, passes, asDraft, numbers, fields);
    }

    @JsonIgnore
    public boolean isSoundOnly() {
        return frames == 0 && !sounds.isEmpty();
    }
}
