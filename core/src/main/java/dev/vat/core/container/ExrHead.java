package dev.vat.core.container;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** The head of an OpenEXR file of one part in scan lines: its attributes by name (OpenEXR File Layout, version 2). */
public final class ExrHead {

    private static final Words WORDS = Words.of(ExrHead.class);

    private static final int MAGIC = 20_000_630;
    private static final int SINGLE_PART_OF_LINES = 2;
    private static final int VERSION_AND_KIND = 0x1aff;
    private static final int LONGEST = 1 << 20;
    private static final int PAIR = 8;
    private static final int HALF = 1;
    private static final String RATE = "framesPerSecond";
    private static final String LABEL = "timeCode";

    /** @param type as the format names it */
    private record Attribute(String type, byte[] value) {
        Cursor cursor() {
            return Cursor.littleEndian(value);
        }
    }

    private final Map<String, Attribute> attributes = new LinkedHashMap<>();
    /** Where the table of offsets begins. */
    private final int end;

    private ExrHead(byte[] head) throws IOException {
        Cursor c = Cursor.littleEndian(head);
        if (c.left() < 8 || c.s32() != MAGIC || (c.s32() & VERSION_AND_KIND) != SINGLE_PART_OF_LINES) {
            throw new Malformed(WORDS.say("noExr"));
        }
        for (String name = word(c); !name.isEmpty(); name = word(c)) {
            String type = word(c);
            int length = c.s32();
            if (length < 0 || length > c.left()) {
                throw new EOFException(WORDS.say("longHead", name));
            }
            attributes.put(name, new Attribute(type, c.take(length)));
        }
        end = c.at();
    }

    private static String word(Cursor c) {
        StringBuilder word = new StringBuilder();
        for (int letter = c.u8(); letter != 0; letter = c.u8()) {
            word.append((char) letter);
        }
        return word.toString();
    }

    /** @param rate by which its label counts @throws Malformed if it is no such file */
    public static StillFacts of(Bytes bytes, Rate rate) throws IOException {
        return new ExrHead(bytes.read(0, (int) Math.min(LONGEST, bytes.size()))).facts(rate);
    }

    private StillFacts facts(Rate rate) throws Malformed {
        Cursor window = required("dataWindow").cursor();
        int left = window.s32();
        int top = window.s32();
        Size size = Size.of(window.s32() - left + 1, window.s32() - top + 1);
        float aspect = required("pixelAspectRatio").cursor().f32();
        Cursor channels = required("channels").cursor();
        int bits = 0;
        int alpha = 0;
        for (String name = word(channels); !name.isEmpty(); name = word(channels)) {
            int each = channels.s32() == HALF ? 16 : 32;
            channels.skip(12);
            alpha = name.equals("A") ? each : alpha;
            bits = name.equals("A") ? bits : Math.max(bits, each);
        }
        StillFacts facts = new StillFacts(size, bits, alpha, aspect == 1 ? PixelAspect.SQUARE : PixelAspect.parse(Float.toString(aspect)));
        Rate stated = attributes.containsKey(RATE) ? rate(attributes.get(RATE).cursor()) : null;
        Timecode label = attributes.containsKey(LABEL) ? LabelDigits.parse(attributes.get(LABEL).cursor().s32(), rate) : null;
        return facts.withTime(stated, label).withCompression(required("compression").cursor().u8());
    }

    private static Rate rate(Cursor value) {
        long over = value.s32();
        return new Rate(Rational.of(over, value.u32()));
    }

    private Attribute required(String name) throws Malformed {
        Attribute found = attributes.get(name);
        if (found == null) {
            throw new Malformed(WORDS.say("lacks", name));
        }
        return found;
    }

    /**
     * A still that says when it is shown, and what made it: nothing else of it changes.
     *
     * @param still as an encoder gave it
     * @param label of the frame, or null; above 30 labels a second the format has no room for one
     * @throws Malformed if it is no such file
     */
    public static byte[] dated(byte[] still, Rate rate, Timecode label, String software) throws IOException {
        ExrHead head = new ExrHead(still);
        head.attributes.put(RATE,
                new Attribute("rational", pair((int) rate.perSecond().numerator(), (int) rate.perSecond().denominator())));
        head.attributes.put("software", new Attribute("string", software.getBytes(StandardCharsets.US_ASCII)));
        if (label != null && Timecode.leavesRoomForFlags(rate)) {
            head.attributes.put(LABEL, new Attribute("timecode", pair(LabelDigits.of(label), 0)));
        }
        byte[] written = head.written();
        int shift = written.length - head.end;
        ByteBuffer to = ByteBuffer.allocate(still.length + shift).order(ByteOrder.LITTLE_ENDIAN);
        to.put(written).put(still, head.end, still.length - head.end);
        // What stands behind is found by places counted from the file's begin, the first of them right behind the table itself.
        long first = to.getLong(written.length) + shift;
        for (int at = written.length; at < first; at += PAIR) {
            to.putLong(at, to.getLong(at) + shift);
        }
        return to.array();
    }

    private static byte[] pair(int first, int second) {
        return ByteBuffer.allocate(PAIR).order(ByteOrder.LITTLE_ENDIAN).putInt(first).putInt(second).array();
    }

    private byte[] written() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(pair(MAGIC, SINGLE_PART_OF_LINES));
        attributes.forEach((name, attribute) -> {
            out.writeBytes((name + '\0' + attribute.type + '\0').getBytes(StandardCharsets.ISO_8859_1));
            out.writeBytes(ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(attribute.value.length).array());
            out.writeBytes(attribute.value);
        });
        out.write(0);
        return out.toByteArray();
    }
}
