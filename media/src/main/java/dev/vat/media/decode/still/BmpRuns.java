package dev.vat.media.decode.still;

import dev.vat.core.words.Words;

/** The runs of a packed bitmap: pairs of a count and a colour, and escapes that begin with 0. */
final class BmpRuns {

    private static final Words WORDS = Words.of(BmpRuns.class);

    private BmpRuns() {}

    /**
     * What is wrong with them, or null: one that leaves the picture is damage, which readers fill each in its own way.
     *
     * @param nibbles whether two pixels share a byte
     */
    static String fault(byte[] data, int start, int end, int width, int height, boolean nibbles) {
        long x = 0;
        long y = 0;
        int at = start;
        while (at + 1 < end) {
            int count = data[at] & 0xff;
            int code = data[at + 1] & 0xff;
            at += 2;
            if (count == 0 && code == 1) {
                return null;
            }
            if (count == 0 && code == 0) {
                x = 0;
                y++;
                continue;
            }
            if (count == 0 && code == 2) {
                if (at + 1 >= end) {
                    break;
                }
                x += data[at] & 0xff;
                y += data[at + 1] & 0xff;
                at += 2;
            } else if (count == 0) {
                x += code;
                int bytes = nibbles ? (code + 1) / 2 : code;
                at += bytes + (bytes & 1);
            } else {
                x += count;
            }
            // Some writers pack rows with the fill at their end.
            if (x > (width + 3) / 4 * 4 || y >= height) {
                return WORDS.say("itsRunsLeaveThePictureIn", y);
            }
        }
        return WORDS.say("itsRunsEndBeforeTheirEnd");
    }
}
