package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An AVI file: RIFF with an {@code hdrl} list, and further RIFF parts where it is larger than a gigabyte (OpenDML 1.02).
 *
 * @param frames that its main head says
 * @param pictures chunks of pictures that lie in it, in all parts
 * @param first the first of them
 */
public record AviFile(long frames, List<Stream> streams, long pictures, SampleTable.Place first) {

    private static final Words WORDS = Words.of(AviFile.class);

    private static final int HEAD = 8;
    private static final int LIST = 12;
    private static final long MOST_HEAD = 1 << 24;

    /**
     * A stream.
     *
     * @param type {@code vids} or {@code auds}
     * @param handler four letters of the coding, as the stream's head has them
     * @param rate and {@code scale}: units a second are rate / scale
     * @param length units that it has
     * @param format BITMAPINFOHEADER or WAVEFORMATEX, as it lies there
     */
    public record Stream(String type, String handler, long rate, long scale, long length, byte[] format) {

        /** Of pictures: four letters of the coding, as the format has them. */
        public String compression() {
            return Cursor.littleEndian(format).seek(16).fourcc();
        }

        public int width() {
            return Cursor.littleEndian(format).seek(4).s32();
        }

        /** Below 0 where rows run from the top down in uncompressed pictures. */
        public int height() {
            return Cursor.littleEndian(format).seek(8).s32();
        }

        public int bits() {
            return Cursor.littleEndian(format).seek(14).u16();
        }

        /** Of sound. */
        public int channels() {
            return Cursor.littleEndian(format).seek(2).u16();
        }
    }

    /** @throws Malformed if it isn't built so */
    public static AviFile of(Bytes file) throws IOException {
        long at = 0;
        long frames = 0;
        List<Stream> streams = new ArrayList<>();
        long[] pictures = {0};
        SampleTable.Place[] first = {null};
        while (at + LIST <= file.size()) {
            Cursor c = Cursor.littleEndian(file.read(at, LIST));
            String riff = c.fourcc();
            long size = c.u32();
            String kind = c.fourcc();
            if (!riff.equals("RIFF") || !kind.equals("AVI ") && !kind.equals("AVIX")) {
                throw new Malformed(WORDS.say("noPart", at));
            }
            long end = Math.min(file.size(), at + HEAD + size);
            for (long in = at + LIST; in + HEAD <= end;) {
                Cursor chunk = Cursor.littleEndian(file.read(in, (int) Math.min(LIST, end - in)));
                String type = chunk.fourcc();
                long length = chunk.u32();
                String list = type.equals("LIST") ? chunk.fourcc() : "";
                if (in + HEAD + length > file.size()) {
                    throw new Malformed(WORDS.say("endsBehind", type, in));
                }
                if (list.equals("hdrl") && length < MOST_HEAD) {
                    frames = head(Cursor.littleEndian(file.read(in + LIST, (int) length - 4)), streams);
                } else if (list.equals("movi")) {
                    count(file, in + LIST, in + HEAD + length, pictures, first);
                }
                in += HEAD + length + (length & 1);
            }
            at = at + HEAD + size + (size & 1);
        }
        return new AviFile(frames, List.copyOf(streams), pictures[0], first[0]);
    }

    private static long head(Cursor c, List<Stream> streams) {
        long frames = 0;
        while (c.left() >= HEAD) {
            String type = c.fourcc();
            int length = (int) Math.min(c.u32(), c.left());
            Cursor chunk = c.slice(length);
            if (type.equals("avih") && length >= 20) {
                frames = chunk.skip(16).u32();
            } else if (type.equals("LIST") && chunk.fourcc().equals("strl")) {
                streams.add(stream(chunk));
            }
            c.skip(Math.min(length & 1, c.left()));
        }
        return frames;
    }

    private static Stream stream(Cursor c) {
        String type = "";
        String handler = "";
        long scale = 1;
        long rate = 0;
        long length = 0;
        byte[] format = new byte[0];
        while (c.left() >= HEAD) {
            String chunk = c.fourcc();
            int size = (int) Math.min(c.u32(), c.left());
            Cursor in = c.slice(size);
            if (chunk.equals("strh") && size >= 36) {
                type = in.fourcc();
                handler = in.fourcc();
                in.skip(12);
                scale = in.u32();
                rate = in.u32();
                in.skip(4);
                length = in.u32();
            } else if (chunk.equals("strf")) {
                format = in.take(size);
            }
            c.skip(Math.min(size & 1, c.left()));
        }
        return new Stream(type, handler, rate, scale, length, format);
    }

    private static void count(Bytes file, long from, long to, long[] pictures, SampleTable.Place[] first) throws IOException {
        for (long at = from; at + HEAD <= to;) {
            Cursor c = Cursor.littleEndian(file.read(at, HEAD));
            String type = c.fourcc();
            long size = c.u32();
            if (type.equals("LIST")) {
                at += LIST;
                continue;
            }
            if (type.endsWith("dc") || type.endsWith("db")) {
                pictures[0]++;
                if (first[0] == null) {
                    first[0] = new SampleTable.Place(at + HEAD, (int) size);
                }
            }
            at += HEAD + size + (size & 1);
        }
    }

    public Optional<Stream> first(String type) {
        return streams.stream().filter(s -> s.type.equals(type)).findFirst();
    }
}
