package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A box of ISO/IEC 14496-12, or an atom of QuickTime, which is built alike.
 *
 * @param type four letters
 * @param content what stands behind its size and type
 * @param at first byte of the content in the file
 */
record IsoBox(String type, byte[] content, long at) {

    private static final Words WORDS = Words.of(IsoBox.class);

    private static final int HEAD = 8;
    private static final int LONG_HEAD = 16;

    Cursor cursor() {
        return Cursor.of(content);
    }

    /** The boxes that stand in this one. @param skip bytes before the first of them @throws Malformed if one leaves this one */
    List<IsoBox> children(int skip) throws Malformed {
        return in(Cursor.of(content).skip(Math.min(skip, content.length)), at);
    }

    List<IsoBox> children() throws Malformed {
        return children(0);
    }

    Optional<IsoBox> child(String wanted) throws Malformed {
        return children().stream().filter(b -> b.type.equals(wanted)).findFirst();
    }

    /** The box at the end of a path of types. */
    Optional<IsoBox> inside(String... path) throws Malformed {
        IsoBox box = this;
        for (String step : path) {
            Optional<IsoBox> next = box.child(step);
            if (next.isEmpty()) {
                return Optional.empty();
            }
            box = next.get();
        }
        return Optional.of(box);
    }

    /** All boxes from here on. Four bytes of 0 may end a list in QuickTime. @param place of the cursor's first byte in the file */
    private static List<IsoBox> in(Cursor cursor, long place) throws Malformed {
        List<IsoBox> boxes = new ArrayList<>();
        while (cursor.left() >= HEAD) {
            int start = cursor.at();
            long size = cursor.u32();
            String type = cursor.fourcc();
            int head = HEAD;
            if (size == 1 && cursor.left() >= HEAD) {
                size = cursor.s64();
                head = LONG_HEAD;
            } else if (size == 0) {
                if (type.isEmpty()) {
                    break;
                }
                size = head + (long) cursor.left();
            }
            if (size < head || size - head > cursor.left()) {
                throw new Malformed(WORDS.say("tooLong", type, start, size, cursor.left() + head));
            }
            long content = place + cursor.at();
            boxes.add(new IsoBox(type, cursor.take((int) (size - head)), content));
        }
        return boxes;
    }
}
