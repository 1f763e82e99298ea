package dev.vat.media.decode;

import dev.vat.core.time.Rational;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;

/**
 * What the edit list of a movie's picture track says that the media library passes over (ISO/IEC 14496-12, {@code elst}): edits that
 * dwell on one picture, which it plays on.
 */
final class EditList {

    private static final int LARGEST_INDEX = 256 << 20;
    private static final int BOX = 8;
    private static final int FULL_BOX = 4;

    private final ByteBuffer index;
    private long timescale;
    private long dwelt;

    private EditList(ByteBuffer index) {
        this.index = index;
    }

    /** How long a file dwells on single pictures; empty where it doesn't, or is no file of boxes. */
    static Optional<Rational> dwells(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            Optional<ByteBuffer> index = index(channel);
            if (index.isEmpty()) {
                return Optional.empty();
            }
            EditList list = new EditList(index.get());
            list.movie(0, index.get().limit());
            return list.dwelt > 0 && list.timescale > 0 ? Optional.of(Rational.of(list.dwelt, list.timescale)) : Optional.empty();
        } catch (IOException | IndexOutOfBoundsException _) {
            // Whoever reads the movie says what is wrong with it.
            return Optional.empty();
        }
    }

    private static Optional<ByteBuffer> index(FileChannel channel) throws IOException {
        long at = 0;
        while (at + BOX <= channel.size()) {
            ByteBuffer head = ByteBuffer.allocate(2 * BOX);
            channel.read(head, at);
            long size = head.getInt(0) & 0xffffffffL;
            int header = size == 1 ? 2 * BOX : BOX;
            size = size == 1 ? head.getLong(BOX) : size;
            String type = type(head, 0);
            if (size > channel.size() - at) {
                return Optional.empty();
            }
            if (type.equals("moov") && size > header && size < LARGEST_INDEX) {
                ByteBuffer content = ByteBuffer.allocate((int) (size - header));
                channel.read(content, at + header);
                return Optional.of(content.flip());
            }
            if (size < BOX || at == 0 && !type.equals("ftyp") && !type.equals("mdat") && !type.equals("wide") && !type.equals("free")) {
                return Optional.empty();
            }
            at += size;
        }
        return Optional.empty();
    }

    private static String type(ByteBuffer data, int at) {
        return new String(data.array(), at + FULL_BOX, 4, StandardCharsets.ISO_8859_1);
    }

    private void movie(int from, int to) {
        for (int at = from; at + BOX <= to && size(at) >= BOX; at += size(at)) {
            switch (type(index, at)) {
                case "mvhd" -> timescale = index.getInt(at + BOX + (index.get(at + BOX) == 1 ? 20 : 12)) & 0xffffffffL;
                case "trak" -> track(at + BOX, at + size(at));
                default -> {}
            }
        }
    }

    private int size(int at) {
        return index.getInt(at);
    }

    private void track(int from, int to) {
        long own = 0;
        boolean pictures = false;
        for (int at = from; at + BOX <= to && size(at) >= BOX; at += size(at)) {
            switch (type(index, at)) {
                case "edts" -> own = edits(at + 2 * BOX);
                case "mdia" -> pictures = handles(at + BOX, at + size(at)).equals("vide");
                default -> {}
            }
        }
        dwelt += pictures ? own : 0;
    }

    /** What a track holds, by the four letters of its handler. */
    private String handles(int from, int to) {
        for (int at = from; at + BOX <= to && size(at) >= BOX; at += size(at)) {
            if (type(index, at).equals("hdlr")) {
                return type(index, at + BOX + FULL_BOX);
            }
        }
        return "";
    }

    /** @param at the content of the list */
    private long edits(int at) {
        boolean wide = index.get(at) == 1;
        int count = index.getInt(at + FULL_BOX);
        int length = wide ? 20 : 12;
        long sum = 0;
        for (int i = 0, entry = at + 2 * FULL_BOX; i < count && entry + length <= index.limit(); i++, entry += length) {
            long duration = wide ? index.getLong(entry) : index.getInt(entry) & 0xffffffffL;
            long start = wide ? index.getLong(entry + 8) : index.getInt(entry + 4);
            int rate = index.getInt(entry + length - 4);
            sum += start >= 0 && rate == 0 ? duration : 0;
        }
        return sum;
    }
}
