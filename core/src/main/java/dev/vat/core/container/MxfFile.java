package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * An MXF file after SMPTE ST 377-1: its partitions, the sets of its metadata, and where its pictures lie.
 *
 * @param sets of the header partition, then of those that follow, in the order in which they stand
 * @param pictures elements of pictures in a generic container (ST 379) @param first of them
 * @param sounds elements of sound in a generic container
 */
public record MxfFile(List<Partition> partitions, List<MxfSet> sets, long pictures, SampleTable.Place first, long sounds) {

    private static final Words WORDS = Words.of(MxfFile.class);

    private static final int KEY = 16;
    private static final byte[] PARTITION = {0x06, 0x0e, 0x2b, 0x34, 0x02, 0x05, 0x01, 0x01, 0x0d, 0x01, 0x02, 0x01, 0x01};
    private static final byte[] SET = {0x06, 0x0e, 0x2b, 0x34, 0x02, 0x53, 0x01, 0x01, 0x0d, 0x01, 0x01, 0x01, 0x01, 0x01};
    private static final byte[] ELEMENT = {0x06, 0x0e, 0x2b, 0x34, 0x01, 0x02, 0x01};
    private static final byte[] GENERIC = {0x0d, 0x01, 0x03, 0x01};
    private static final int ELEMENT_TYPE = 12;
    private static final int PICTURES = 0x15;
    private static final int PICTURES_OF_FRAMES = 0x05;
    private static final int SOUNDS = 0x16;
    private static final int SOUNDS_OF_FRAMES = 0x06;
    /** A set that claims more is none. */
    private static final long MOST_SET = 1 << 20;

    /**
     * @param kind 2 header, 3 body, 4 footer
     * @param status 1 open and incomplete, 2 closed and incomplete, 3 open and complete, 4 closed and complete
     * @param pattern label of its operational pattern, 16 bytes in hexadecimal
     */
    public record Partition(int kind, int status, String pattern) {}

    /** @throws Malformed if it isn't built as the standard has it */
    public static MxfFile of(Bytes file) throws IOException {
        List<Partition> partitions = new ArrayList<>();
        List<MxfSet> sets = new ArrayList<>();
        long pictures = 0;
        long sounds = 0;
        SampleTable.Place first = null;
        long at = 0;
        while (at + KEY + 1 <= file.size()) {
            byte[] head = file.read(at, (int) Math.min(KEY + 9L, file.size() - at));
            Cursor c = Cursor.of(head).seek(KEY);
            long length = berLength(c, at);
            long value = at + c.at();
            if (length < 0 || value + length > file.size()) {
                throw new Malformed(WORDS.say("endsBehind", at));
            }
            if (begins(head, PARTITION) && head[13] >= 2 && head[13] <= 4) {
                partitions.add(partition(head, file.read(value, (int) Math.min(length, 96))));
            } else if (begins(head, SET) && length <= MOST_SET) {
                sets.add(MxfSet.of(head[14] & 0xff, file.read(value, (int) length), value));
            } else if (begins(head, ELEMENT) && Arrays.equals(GENERIC, Arrays.copyOfRange(head, 8, 12))) {
                int type = head[ELEMENT_TYPE];
                if (type == PICTURES || type == PICTURES_OF_FRAMES) {
                    first = first == null ? new SampleTable.Place(value, (int) Math.min(length, Integer.MAX_VALUE)) : first;
                    pictures++;
                } else if (type == SOUNDS || type == SOUNDS_OF_FRAMES) {
                    sounds++;
                }
            }
            at = value + length;
        }
        if (partitions.isEmpty()) {
            throw new Malformed(WORDS.say("noPartition"));
        }
        return new MxfFile(List.copyOf(partitions), List.copyOf(sets), pictures, first, sounds);
    }

    /** A length after ISO/IEC 8825-1. */
    private static long berLength(Cursor c, long at) throws Malformed {
        int first = c.u8();
        if (first < 0x80) {
            return first;
        }
        int count = first & 0x7f;
        if (count > 8 || count > c.left()) {
            throw new Malformed(WORDS.say("noLength", at));
        }
        return c.unsigned(count);
    }

    private static Partition partition(byte[] key, byte[] pack) {
        return new Partition(key[13], key[14], MxfSet.hex(Arrays.copyOfRange(pack, 64, Math.min(80, pack.length))));
    }

    private static boolean begins(byte[] key, byte[] with) {
        return Arrays.equals(with, Arrays.copyOf(key, with.length));
    }

    public Optional<MxfSet> first(int kind) {
        return sets.stream().filter(s -> s.kind() == kind).findFirst();
    }

    public List<MxfSet> all(int kind) {
        return sets.stream().filter(s -> s.kind() == kind).toList();
    }
}
