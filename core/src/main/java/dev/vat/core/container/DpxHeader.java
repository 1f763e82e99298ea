package dev.vat.core.container;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;

/**
 * The whole header of a DPX still, 2,048 bytes: SMPTE ST 268-1. Fields of which nothing is known are marked undefined, as it says: all bits
 * set for numbers, nothing for words.
 */
public final class DpxHeader {

    public static final int BYTES = 2048;

    /** {@code SDPX}, in the order of all its numbers. */
    private static final int MAGIC = 0x53445058;
    private static final int IMAGE_OFFSET = 4;
    private static final int FILE_SIZE = 16;
    private static final int GENERIC_BYTES = 1664;
    private static final int FILE_NAME = 36;
    private static final int CREATOR = 160;
    private static final int KEY = 660;
    private static final int WIDTH = 772;
    private static final int ELEMENT = 780;
    private static final int ELEMENT_BYTES = 72;
    private static final int ELEMENTS = 8;
    private static final int ORIENTATION = 1408;
    private static final int FILM = 1664;
    private static final int FILM_POSITION = 1712;
    private static final int SEQUENCE_LENGTH = 1716;
    private static final int FILM_RATE = 1724;
    private static final int FRAME_ID = 1732;
    private static final int LABEL = 1920;
    private static final int USER_BITS = 1924;
    private static final int TELEVISION_RATE = 1940;
    private static final int BLACK_LEVEL = 1952;
    private static final int WHITE_LEVEL = 1964;
    private static final int UNDEFINED = -1;

    /**
     * What a still says of itself besides its picture.
     *
     * @param creator who made it
     * @param label of the frame, or null
     * @param position of the frame in its sequence, from 0
     * @param count frames of the sequence
     */
    public record Facts(String fileName, String creator, Rate rate, Timecode label, long position, long count, PixelAspect pixelAspect) {}

    private DpxHeader() {}

    /**
     * A still with its whole header: its picture, and what the header says of that, stay.
     *
     * @param still as an encoder gave it
     * @throws IllegalArgumentException if it is no DPX
     */
    public static byte[] whole(byte[] still, Facts facts) {
        ByteBuffer from = ordered(still).orElseThrow(() -> new IllegalArgumentException("no DPX"));
        int picture = from.getInt(IMAGE_OFFSET);
        int shift = BYTES - picture;
        ByteBuffer to = ByteBuffer.allocate(still.length + shift).order(from.order());
        to.put(0, still, 0, Math.min(GENERIC_BYTES, picture)).put(BYTES, still, picture, still.length - picture);
        to.putInt(IMAGE_OFFSET, BYTES).putInt(FILE_SIZE, still.length + shift);
        to.putInt(24, GENERIC_BYTES).putInt(28, BYTES - GENERIC_BYTES).putInt(32, 0);
        text(to, FILE_NAME, 100, facts.fileName);
        text(to, CREATOR, 100, facts.creator);
        to.putInt(KEY, UNDEFINED);
        elements(to, shift);
        orientation(to, facts);
        undefined(to, FILM, BYTES);
        text(to, FILM, 48, "");
        to.putInt(FILM_POSITION, (int) facts.position).putInt(SEQUENCE_LENGTH, (int) facts.count).putInt(FILM_POSITION + 8, 1);
        to.putFloat(FILM_RATE, (float) facts.rate.perSecond().toDouble());
        text(to, FRAME_ID, 188, "");
        to.putInt(LABEL, facts.label == null ? UNDEFINED : LabelDigits.of(facts.label)).putInt(USER_BITS,
                facts.label == null ? UNDEFINED : 0);
        to.put(USER_BITS + 4, (byte) 0);
        to.putFloat(TELEVISION_RATE, (float) facts.rate.perSecond().toDouble());
        int bits = to.get(ELEMENT + 23) & 0xff;
        to.putFloat(BLACK_LEVEL, 0).putFloat(WHITE_LEVEL, (1L << bits) - 1);
        text(to, 1972, BYTES - 1972, "");
        return to.array();
    }

    private static Optional<ByteBuffer> ordered(byte[] still) {
        ByteBuffer bytes = ByteBuffer.wrap(still);
        if (bytes.getInt(0) != MAGIC) {
            bytes.order(ByteOrder.LITTLE_ENDIAN);
        }
        return bytes.getInt(0) == MAGIC ? Optional.of(bytes) : Optional.empty();
    }

    private static void elements(ByteBuffer to, int shift) {
        int used = to.getShort(770);
        for (int e = 0; e < ELEMENTS; e++) {
            int at = ELEMENT + e * ELEMENT_BYTES;
            if (e >= used) {
                undefined(to, at, at + 40);
                text(to, at + 40, 32, "");
                continue;
            }
            int bits = to.get(at + 23) & 0xff;
            // Full range: the lowest and the highest code.
            to.putInt(at + 4, 0).putInt(at + 8, UNDEFINED).putInt(at + 12, (int) ((1L << bits) - 1)).putInt(at + 16, UNDEFINED);
            to.putInt(at + 28, to.getInt(at + 28) + shift).putInt(at + 32, 0).putInt(at + 36, 0);
        }
    }

    private static void orientation(ByteBuffer to, Facts facts) {
        undefined(to, ORIENTATION, ORIENTATION + 24);
        to.putInt(ORIENTATION, 0).putInt(ORIENTATION + 4, 0);
        text(to, ORIENTATION + 24, 188, "");
        undefined(to, ORIENTATION + 212, ORIENTATION + 220);
        Rational aspect = facts.pixelAspect.ratio();
        to.putInt(ORIENTATION + 220, (int) aspect.numerator()).putInt(ORIENTATION + 224, (int) aspect.denominator());
        text(to, ORIENTATION + 228, 28, "");
    }

    private static void undefined(ByteBuffer to, int from, int end) {
        Arrays.fill(to.array(), from, end, (byte) UNDEFINED);
    }

    /** Cut to its room, which ends in a 0. */
    private static void text(ByteBuffer to, int at, int room, String text) {
        byte[] letters = text.getBytes(StandardCharsets.US_ASCII);
        Arrays.fill(to.array(), at, at + room, (byte) 0);
        System.arraycopy(letters, 0, to.array(), at, Math.min(room - 1, letters.length));
    }

    /** What a whole header says of the picture. */
    public static Optional<StillFacts> picture(byte[] head) {
        return ordered(head).filter(_ -> head.length >= BYTES)
                .map(b -> new StillFacts(Size.of(b.getInt(WIDTH), b.getInt(WIDTH + 4)), b.get(ELEMENT + 23) & 0xff, 0, null));
    }

    /** What of {@link Facts} a still states. @return empty where its header isn't whole */
    public static Optional<Facts> of(byte[] head, Rate expected) {
        ByteBuffer from = head.length < BYTES ? null : ordered(head).orElse(null);
        if (from == null || from.getInt(IMAGE_OFFSET) < BYTES) {
            return Optional.empty();
        }
        int label = from.getInt(LABEL);
        Timecode stated = label == UNDEFINED ? null : LabelDigits.parse(label, expected);
        float rate = from.getFloat(TELEVISION_RATE);
        boolean same = Float.floatToIntBits(rate) == Float.floatToIntBits((float) expected.perSecond().toDouble());
        int across = from.getInt(ORIENTATION + 220);
        int down = from.getInt(ORIENTATION + 224);
        return Optional.of(new Facts(Cursor.of(head).seek(FILE_NAME).text(100), Cursor.of(head).seek(CREATOR).text(100),
                same ? expected : new Rate(Rational.parse(Float.toString(rate))), stated, from.getInt(FILM_POSITION),
                from.getInt(SEQUENCE_LENGTH), across > 0 && down > 0 ? PixelAspect.of(across, down) : PixelAspect.SQUARE));
    }
}
