package dev.vat.media.decode.still;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/**
 * Whether the scans of a JPEG, as far as they begin, bring every coefficient of every component down to its last bit. A
 * progressive file sends a rough picture first and refines it in later scans: cut between two of them, what is there still
 * decodes without an error (ITU-T T.81, G.1).
 */
final class ScanCoverage {

    private static final int COEFFICIENTS = 64;
    private static final int UNSENT = 255;

    private ScanCoverage() {}

    /** @param end where the data ends; nothing is read beyond it */
    static boolean isComplete(byte[] data, int end) {
        Map<Integer, int[]> lowestBits = new HashMap<>();
        int at = 2;
        while (at + 4 <= end) {
            if ((data[at] & 0xff) != 0xff || (data[at + 1] & 0xff) == 0xff) {
                at++;
                continue;
            }
            int marker = data[at + 1] & 0xff;
            int length = (data[at + 2] & 0xff) << 8 | data[at + 3] & 0xff;
            int next = at + 2 + length;
            if (next > end) {
                // a segment that isn't whole: what it would have brought is missing
                return marker != 0xda && isDone(lowestBits);
            }
            if (isFrame(marker)) {
                for (int c = 0; c < (data[at + 9] & 0xff); c++) {
                    int[] bits = new int[COEFFICIENTS];
                    Arrays.fill(bits, UNSENT);
                    lowestBits.put(data[at + 10 + 3 * c] & 0xff, bits);
                }
            } else if (marker == 0xda) {
                scan(data, at + 4, lowestBits);
                next = endOfScan(data, next, end);
            }
            at = next;
        }
        return isDone(lowestBits);
    }

    private static boolean isFrame(int marker) {
        return marker >= 0xc0 && marker <= 0xcf && marker != 0xc4 && marker != 0xc8 && marker != 0xcc;
    }

    private static void scan(byte[] data, int at, Map<Integer, int[]> lowestBits) {
        int components = data[at] & 0xff;
        int spectral = at + 1 + 2 * components;
        int first = data[spectral] & 63;
        int last = data[spectral + 1] & 63;
        int lowestBit = data[spectral + 2] & 15;
        for (int c = 0; c < components; c++) {
            int[] bits = lowestBits.get(data[at + 1 + 2 * c] & 0xff);
            if (bits != null) {
                Arrays.fill(bits, first, Math.max(first, last) + 1, lowestBit);
            }
        }
    }

    /** The marker after a scan's coded data, or the end; stuffed bytes and restart marks belong to the data. */
    private static int endOfScan(byte[] data, int from, int end) {
        for (int i = from; i + 1 < end; i++) {
            int follower = data[i + 1] & 0xff;
            if ((data[i] & 0xff) == 0xff && follower != 0 && follower != 0xff && (follower < 0xd0 || follower > 0xd7)) {
                return i;
            }
        }
        return end;
    }

    private static boolean isDone(Map<Integer, int[]> lowestBits) {
        return !lowestBits.isEmpty() && lowestBits.values().stream().allMatch(bits -> Arrays.stream(bits).allMatch(b -> b == 0));
    }
}
