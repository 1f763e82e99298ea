package dev.vat.core.bitstream;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The units of H.264 and H.265 streams: behind start codes (Annex B) or behind their lengths (ISO/IEC 14496-15). */
public final class NalUnits {

    private NalUnits() {}

    /** @param lengthBytes how many bytes a length has: 1, 2 or 4 */
    public static List<byte[]> behindLengths(byte[] sample, int lengthBytes) {
        List<byte[]> units = new ArrayList<>();
        int at = 0;
        while (at + lengthBytes <= sample.length) {
            long length = 0;
            for (int i = 0; i < lengthBytes; i++) {
                length = length << 8 | sample[at + i] & 0xff;
            }
            at += lengthBytes;
            int end = (int) Math.min(sample.length, at + length);
            units.add(Arrays.copyOfRange(sample, at, end));
            at = end;
        }
        return units;
    }

    /** Zeros before a start code and behind the last unit belong to none. */
    public static List<byte[]> behindStartCodes(byte[] sample) {
        List<byte[]> units = new ArrayList<>();
        int start = -1;
        for (int i = 0; i + 2 < sample.length; i++) {
            if (sample[i] == 0 && sample[i + 1] == 0 && sample[i + 2] == 1) {
                if (start >= 0) {
                    units.add(trimmed(sample, start, i));
                }
                start = i + 3;
                i += 2;
            }
        }
        if (start >= 0) {
            units.add(trimmed(sample, start, sample.length));
        }
        return units;
    }

    /** Whether a sample's units stand behind start codes. */
    public static boolean hasStartCodes(byte[] sample) {
        return sample.length > 4 && sample[0] == 0 && sample[1] == 0 && (sample[2] == 1 || sample[2] == 0 && sample[3] == 1);
    }

    private static byte[] trimmed(byte[] sample, int from, int to) {
        int end = to;
        while (end > from && sample[end - 1] == 0) {
            end--;
        }
        return Arrays.copyOfRange(sample, from, end);
    }
}
