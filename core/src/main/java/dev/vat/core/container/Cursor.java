package dev.vat.core.container;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Goes through bytes that are in memory, whole numbers from the high byte down unless said otherwise. */
public final class Cursor {

    private final ByteBuffer bytes;

    private Cursor(ByteBuffer bytes) {
        this.bytes = bytes;
    }

    public static Cursor of(byte[] bytes) {
        return new Cursor(ByteBuffer.wrap(bytes));
    }

    public static Cursor littleEndian(byte[] bytes) {
        return new Cursor(ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN));
    }

    public int at() {
        return bytes.position();
    }

    public int left() {
        return bytes.remaining();
    }

    /** @param place from 0 */
    public Cursor seek(int place) {
        bytes.position(place);
        return this;
    }

    public Cursor skip(int count) {
        bytes.position(bytes.position() + count);
        return this;
    }

    public int u8() {
        return bytes.get() & 0xff;
    }

    public int u16() {
        return bytes.getShort() & 0xffff;
    }

    public long u32() {
        return bytes.getInt() & 0xffffffffL;
    }

    public int s32() {
        return bytes.getInt();
    }

    public long s64() {
        return bytes.getLong();
    }

    public float f32() {
        return bytes.getFloat();
    }

    /** A whole number of up to eight bytes. */
    public long unsigned(int count) {
        long value = 0;
        for (int i = 0; i < count; i++) {
            value = value << 8 | u8();
        }
        return value;
    }

    /** Four letters. */
    public String fourcc() {
        return text(4);
    }

    /** Letters of a byte each, up to the first that is 0. */
    public String text(int count) {
        byte[] letters = take(count);
        int end = 0;
        while (end < count && letters[end] != 0) {
            end++;
        }
        return new String(letters, 0, end, StandardCharsets.ISO_8859_1);
    }

    public byte[] take(int count) {
        byte[] taken = new byte[count];
        bytes.get(taken);
        return taken;
    }

    /** The next bytes by themselves; this one goes on behind them. */
    public Cursor slice(int count) {
        ByteBuffer part = bytes.slice(bytes.position(), count).order(bytes.order());
        skip(count);
        return new Cursor(part);
    }
}
