package dev.vat.core.container;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;

/**
 * Labels of frames as eight decimals of four bits each: hours, minutes, seconds, frames. SMPTE ST 12-1 has the flag of drop-frame counting
 * in the frames' tens, where labels up to 30 a second leave room for it.
 */
final class LabelDigits {

    private static final int DROP = 0x40;

    private LabelDigits() {}

    static int of(Timecode label) {
        String digits = label.toString().replaceAll("[:;]", "");
        int value = Integer.parseUnsignedInt(digits, 16);
        return label.dropFrame() && Timecode.leavesRoomForFlags(label.rate()) ? value | DROP : value;
    }

    /** @throws IllegalArgumentException if the rate has no such label */
    static Timecode parse(int value, Rate rate) {
        boolean drop = Timecode.leavesRoomForFlags(rate) && (value & DROP) != 0;
        String digits = "%08x".formatted(drop ? value & ~DROP : value);
        return Timecode.parse(digits.substring(0, 2) + ":" + digits.substring(2, 4) + ":" + digits.substring(4, 6) + (drop ? ";" : ":")
                + digits.substring(6), rate);
    }
}
