package dev.vat.core.container;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Lengths in the index of an MP4 or MOV file that are to follow from its sample times: of media (mdhd), and of the timecode's track, which
 * lasts as long as the pictures. Where pictures are shown in another order than they are coded, the library says a frame more.
 */
public final class IsoLengths {

    private static final Words WORDS = Words.of(IsoLengths.class);

    private static final int HEAD = 8;

    /** Four or eight bytes to be written in place. */
    public record Patch(long at, byte[] value) {}

    /** A box with its place in the index. */
    private record Box(String type, int from, int end) {}

    private final ByteBuffer index;
    private final long place;
    private final List<Patch> patches = new ArrayList<>();

    private IsoLengths(byte[] index, long place) {
        this.index = ByteBuffer.wrap(index);
        this.place = place;
    }

    /** What is to be written so that all lengths follow from the sample times; empty where they do. */
    public static List<Patch> mended(Bytes file) throws IOException {
        for (long at = 0; at + HEAD <= file.size();) {
            Cursor c = Cursor.of(file.read(at, (int) Math.min(16, file.size() - at)));
            long size = c.u32();
            String type = c.fourcc();
            long length = size == 1 ? c.s64() : size == 0 ? file.size() - at : size;
            if (type.equals("moov")) {
                IsoLengths lengths = new IsoLengths(file.read(at + HEAD, (int) (length - HEAD)), at + HEAD);
                lengths.mend();
                return List.copyOf(lengths.patches);
            }
            if (length < HEAD) {
                break;
            }
            at += length;
        }
        throw new Malformed(WORDS.say("noIndex"));
    }

    private void mend() {
        Box pictures = null;
        Box labels = null;
        for (Box track : boxes(0, index.capacity())) {
            if (track.type.equals("trak")) {
                String handler = text(find(track, "mdia", "hdlr").from + 8);
                pictures = handler.equals("vide") && pictures == null ? track : pictures;
                labels = handler.equals("tmcd") ? track : labels;
            }
        }
        if (pictures == null) {
            return;
        }
        Box head = find(pictures, "mdia", "mdhd");
        long timescale = index.getInt(head.from + (isWide(head) ? 20 : 12)) & 0xffffffffL;
        long ticks = ticks(find(pictures, "mdia", "minf", "stbl", "stts"));
        set(head, 16, 24, ticks);
        if (labels != null) {
            Box labelsHead = find(labels, "mdia", "mdhd");
            long labelScale = index.getInt(labelsHead.from + (isWide(labelsHead) ? 20 : 12)) & 0xffffffffL;
            long length = Rational.of(ticks, timescale).times(labelScale).round();
            set(labelsHead, 16, 24, length);
            put(find(labels, "mdia", "minf", "stbl", "stts").from + 12, 4, length);
            Box shown = find(pictures, "tkhd");
            long movie = isWide(shown) ? index.getLong(shown.from + 28) : index.getInt(shown.from + 20) & 0xffffffffL;
            set(find(labels, "tkhd"), 20, 28, movie);
            Box edits = find(labels, "edts");
            if (edits != null) {
                Box list = find(labels, "edts", "elst");
                put(list.from + 8, isWide(list) ? 8 : 4, movie);
            }
        }
    }

    private boolean isWide(Box box) {
        return index.get(box.from) == 1;
    }

    /** @param narrow where it lies in a box of version 0 @param wide in one of version 1 */
    private void set(Box box, int narrow, int wide, long value) {
        put(box.from + (isWide(box) ? wide : narrow), isWide(box) ? 8 : 4, value);
    }

    private void put(int at, int bytes, long value) {
        long now = bytes == 8 ? index.getLong(at) : index.getInt(at) & 0xffffffffL;
        if (now != value) {
            ByteBuffer fresh = ByteBuffer.allocate(bytes);
            patches.add(new Patch(place + at, (bytes == 8 ? fresh.putLong(value) : fresh.putInt((int) value)).array()));
        }
    }

    private long ticks(Box stts) {
        long sum = 0;
        for (int i = 0; i < index.getInt(stts.from + 4); i++) {
            sum += (index.getInt(stts.from + 8 + 8 * i) & 0xffffffffL) * (index.getInt(stts.from + 12 + 8 * i) & 0xffffffffL);
        }
        return sum;
    }

    private String text(int at) {
        return new String(index.array(), at, 4, StandardCharsets.ISO_8859_1);
    }

    private List<Box> boxes(int from, int end) {
        List<Box> boxes = new ArrayList<>();
        for (int at = from; at + HEAD <= end;) {
            int size = index.getInt(at);
            if (size < HEAD || at + size > end) {
                break;
            }
            boxes.add(new Box(text(at + 4), at + HEAD, at + size));
            at += size;
        }
        return boxes;
    }

    /** @return null where it isn't there */
    private Box find(Box in, String... path) {
        Box box = in;
        for (String step : path) {
            Box next = null;
            for (Box each : boxes(box.from, box.end)) {
                next = next == null && each.type.equals(step) ? each : next;
            }
            if (next == null) {
                return null;
            }
            box = next;
        }
        return box;
    }
}
