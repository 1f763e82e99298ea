package dev.vat.core.bitstream;

import java.io.ByteArrayOutputStream;

/** Goes through bytes bit by bit, the highest first. Behind the end everything is 0: what was cut off shows in the values. */
final class Bits {

    private final byte[] bytes;
    private long at;

    Bits(byte[] bytes) {
        this.bytes = bytes;
    }

    /** A NAL unit's payload without the bytes that keep it from looking like a start code: ITU-T H.264, 7.4.1. */
    static Bits ofPayload(byte[] unit, int header) {
        ByteArrayOutputStream plain = new ByteArrayOutputStream(unit.length);
        int zeros = 0;
        for (int i = header; i < unit.length; i++) {
            if (zeros >= 2 && unit[i] == 3) {
                zeros = 0;
                continue;
            }
            plain.write(unit[i]);
            zeros = unit[i] == 0 ? zeros + 1 : 0;
        }
        return new Bits(plain.toByteArray());
    }

    boolean flag() {
        return u(1) == 1;
    }

    /** @param count up to 32 */
    long u(int count) {
        long value = 0;
        for (int i = 0; i < count; i++, at++) {
            int index = (int) (at >> 3);
            int bit = index < bytes.length ? bytes[index] >> 7 - (at & 7) & 1 : 0;
            value = value << 1 | bit;
        }
        return value;
    }

    int i(int count) {
        return (int) u(count);
    }

    Bits skip(long count) {
        at += count;
        return this;
    }

    boolean isOver() {
        return at >= 8L * bytes.length;
    }

    /** An unsigned Exp-Golomb code: ITU-T H.264, 9.1. */
    int ue() {
        int zeros = 0;
        while (!isOver() && !flag()) {
            zeros++;
        }
        return zeros > 31 ? Integer.MAX_VALUE : (int) ((1L << zeros) - 1 + u(zeros));
    }

    /** A signed one. */
    int se() {
        int code = ue();
        return (code & 1) == 1 ? (code + 1) / 2 : -(code / 2);
    }
}
