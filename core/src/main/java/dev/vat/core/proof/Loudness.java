package dev.vat.core.proof;

import java.util.Locale;

/**
 * How loud a file's sound is, after EBU R 128 and ITU-R BS.1770.
 *
 * @param integrated loudness of the whole in LUFS, or null where all of it is quieter than the gate of -70 LUFS
 * @param range in LU
 * @param truePeak of the loudest channel in dBTP, or null where not a sample differs from silence
 */
public record Loudness(Double integrated, double range, Double truePeak) {

    /** {@code -23.1 LUFS, range 4.2 LU, true peak -1.3 dBTP}. */
    public String words() {
        return (integrated == null ? "below the gate of -70 LUFS"
                : String.format(Locale.ROOT, "%.1f LUFS, range %.1f LU", integrated, range))
                + (truePeak == null ? ", silent throughout" : String.format(Locale.ROOT, ", true peak %.1f dBTP", truePeak));
    }
}
