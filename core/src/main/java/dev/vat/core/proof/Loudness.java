package dev.vat.core.proof;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;

/**
 * How loud a file's sound is, after EBU R 128 and ITU-R BS.1770.
 *
 * @param integrated loudness of the whole in LUFS, or null where all of it is quieter than the gate of -70 LUFS
 * @param range in LU
 * @param truePeak of the loudest channel in dBTP, or null where not a sample differs from silence
 * @param momentary the highest of any 400 ms in LUFS, or null where it is shorter, quieter, or nobody measured
 * @param shortTerm the highest of any 3 s, likewise
 */
@JsonInclude(JsonInclude.Include.ALWAYS)
public record Loudness(Double integrated, double range, Double truePeak, @JsonInclude(JsonInclude.Include.NON_NULL) Double momentary,
        @JsonInclude(JsonInclude.Include.NON_NULL) Double shortTerm) {

    private static final Words WORDS = Words.of(Loudness.class);

    @JsonCreator
    public Loudness {}

    /** Nobody measured the highest moments. */
    public Loudness(Double integrated, double range, Double truePeak) {
        this(integrated, range, truePeak, null, null);
    }

    /** {@code -23.1 LUFS, range 4.2 LU, true peak -1.3 dBTP}. */
    public String words() {
        return (integrated == null ? WORDS.say("belowTheGateOf70LUFS")
                : WORDS.say("lufsRangeLU", Words.decimal(integrated, 1), Words.decimal(range, 1)))
                + (truePeak == null ? WORDS.say("silentThroughout") : WORDS.say("truePeakDBTP", Words.decimal(truePeak, 1)));
    }
}
