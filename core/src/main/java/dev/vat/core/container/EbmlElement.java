package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An element of EBML, RFC 8794, in memory.
 *
 * @param id with its length marker, as the specification writes it: {@code 0x1A45DFA3}
 */
public record EbmlElement(long id, byte[] content) {

    private static final Words WORDS = Words.of(EbmlElement.class);

    /** Where one stands in a file. @param size of its content, or -1 where that isn't known before its end */
    record Place(long id, long content, long size) {}

    /** The head of an element. @throws Malformed if there is none */
    static Place at(Bytes file, long at) throws IOException {
        Cursor c = Cursor.of(file.read(at, (int) Math.min(12, file.size() - at)));
        int first = c.u8();
        int idBytes = Integer.numberOfLeadingZeros(first << 24) + 1;
        if (first == 0 || idBytes > 4) {
            throw new Malformed(WORDS.say("noElement", at));
        }
        long id = (long) first << 8 * (idBytes - 1) | c.unsigned(idBytes - 1);
        int sizeFirst = c.u8();
        int sizeBytes = Integer.numberOfLeadingZeros(sizeFirst << 24) + 1;
        if (sizeFirst == 0) {
            throw new Malformed(WORDS.say("noElement", at));
        }
        long low = c.unsigned(sizeBytes - 1);
        long size = (long) (sizeFirst & 0xff >> sizeBytes) << 8 * (sizeBytes - 1) | low;
        boolean unknown = size == (1L << 7 * sizeBytes) - 1;
        return new Place(id, at + idBytes + sizeBytes, unknown ? -1 : size);
    }

    public List<EbmlElement> children() throws Malformed {
        List<EbmlElement> all = new ArrayList<>();
        int at = 0;
        while (at < content.length) {
            int idBytes = Integer.numberOfLeadingZeros((content[at] & 0xff) << 24) + 1;
            Cursor c = Cursor.of(content).seek(at);
            if (idBytes > 4 || c.left() < idBytes + 1) {
                throw new Malformed(WORDS.say("noElement", at));
            }
            long id = c.unsigned(idBytes);
            int sizeFirst = c.u8();
            int sizeBytes = Integer.numberOfLeadingZeros(sizeFirst << 24) + 1;
            long size = (long) (sizeFirst & 0xff >> sizeBytes) << 8 * (sizeBytes - 1) | c.unsigned(Math.min(7, sizeBytes - 1));
            if (size > c.left()) {
                throw new Malformed(WORDS.say("endsBehind", Long.toHexString(id)));
            }
            all.add(new EbmlElement(id, c.take((int) size)));
            at = c.at();
        }
        return all;
    }

    public Optional<EbmlElement> child(long wanted) throws Malformed {
        return children().stream().filter(e -> e.id == wanted).findFirst();
    }

    /** A whole number of as many bytes as there are. */
    public long number() {
        return Cursor.of(content).unsigned(Math.min(8, content.length));
    }

    public double decimal() {
        Cursor c = Cursor.of(content);
        return content.length == 4 ? c.f32() : content.length == 8 ? Double.longBitsToDouble(c.s64()) : 0;
    }

    public String text() {
        int end = content.length;
        while (end > 0 && content[end - 1] == 0) {
            end--;
        }
        return new String(content, 0, end, StandardCharsets.UTF_8);
    }
}
