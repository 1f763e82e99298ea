package dev.vat.core.container;

import dev.vat.core.proof.Loudness;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.List;
import java.util.stream.Stream;

/**
 * A WAV file: chunks after the Multimedia Programming Interface and Data Specifications 1.0, or after EBU Tech 3306 where it holds more
 * than 32 bits can count.
 *
 * @param tag of the samples' kind: 1 for whole numbers, 3 for floating point
 * @param rate samples a second
 * @param bits of each sample
 * @param moments how many samples each channel has
 * @param there whether the file holds as many as its header says, and ends behind them where it says so
 * @param broadcast what its broadcast extension says, or null where it has none
 */
public record WaveFile(int tag, int channels, int rate, int bits, long moments, boolean there, Broadcast broadcast) {

    private static final Words WORDS = Words.of(WaveFile.class);

    public static final int PCM = 1;
    private static final int EXTENSIBLE = 0xfffe;
    private static final int HEAD = 12;
    /** The true length stands in another chunk. */
    private static final long ELSEWHERE = 0xffff_ffffL;
    /** What is read of the extension: up to its fields of loudness. */
    private static final int BROADCAST_BYTES = 422;
    /** No value, in the fields of loudness: EBU Tech 3285. */
    private static final short UNKNOWN = 0x7fff;

    /**
     * The broadcast extension of EBU Tech 3285, version 2.
     *
     * @param timeReference samples from midnight to the first one
     * @param loud how loud it is, or null in a version that has no place for it
     */
    public record Broadcast(String description, String originator, String reference, String date, String time, long timeReference,
            int version, Umid umid, Loud loud) {}

    /**
     * How loud it is, in hundredths of LUFS, LU and dBTP; each null where nothing is said.
     *
     * @param integrated of the whole
     * @param momentary the highest of 400 ms
     * @param shortTerm the highest of 3 s
     */
    public record Loud(Integer integrated, Integer range, Integer truePeak, Integer momentary, Integer shortTerm) {
        /** Before anybody measured. */
        public static final Loud UNSAID = new Loud(null, null, null, null, null);

        public static Loud of(Loudness measured) {
            return new Loud(hundredths(measured.integrated()), hundredths(measured.range()), hundredths(measured.truePeak()),
                    hundredths(measured.momentary()), hundredths(measured.shortTerm()));
        }

        private static Integer hundredths(Double value) {
            return value == null ? null : Integer.valueOf((int) Math.round(value * 100));
        }

        /** In the order of their fields; {@code 0x7fff} where nothing is known. */
        public List<Short> fields() {
            return Stream.of(integrated, range, truePeak, momentary, shortTerm).map(v -> v == null ? UNKNOWN : v.shortValue()).toList();
        }

        @Override
        public String toString() {
            return WORDS.say("loud", said(integrated), said(range), said(truePeak), said(momentary), said(shortTerm));
        }

        private static String said(Integer hundredths) {
            return hundredths == null ? WORDS.say("none") : Words.decimal(hundredths / 100., 2);
        }
    }

    /** @throws Malformed if it is no WAV file, or says nothing of its samples */
    public static WaveFile of(Bytes bytes) throws IOException {
        Cursor head = Cursor.littleEndian(bytes.read(0, HEAD));
        String kind = head.fourcc();
        long riff = head.u32();
        if (!kind.equals("RIFF") && !kind.equals("RF64") || !head.fourcc().equals("WAVE")) {
            throw new Malformed(WORDS.say("noWave"));
        }
        long data = 0;
        Cursor format = null;
        Broadcast broadcast = null;
        for (long at = HEAD; at + 8 <= bytes.size();) {
            Cursor chunk = Cursor.littleEndian(bytes.read(at, 8));
            String name = chunk.fourcc();
            long length = chunk.u32();
            switch (name) {
                case "ds64" -> {
                    Cursor sizes = Cursor.littleEndian(bytes.read(at + 8, 24));
                    riff = sizes.s64();
                    data = sizes.s64();
                }
                case "fmt " -> format = Cursor.littleEndian(bytes.read(at + 8, (int) Math.min(length, 40)));
                case "bext" -> broadcast = broadcast(Cursor.littleEndian(bytes.read(at + 8, BROADCAST_BYTES)));
                case "data" -> {
                    long held = length == ELSEWHERE ? data : length;
                    boolean whole = at + 8 + held + (held & 1) == riff + 8 && riff + 8 == bytes.size();
                    return of(format, held, whole, broadcast);
                }
                default -> {
                    // Cues, lists and what nobody knows: none of it says what samples are.
                }
            }
            at += 8 + length + (length & 1);
        }
        throw new Malformed(WORDS.say("noSamples"));
    }

    private static WaveFile of(Cursor format, long data, boolean whole, Broadcast broadcast) throws Malformed {
        if (format == null) {
            throw new Malformed(WORDS.say("noFormat"));
        }
        int tag = format.u16();
        int channels = format.u16();
        int rate = (int) format.u32();
        format.skip(4);
        int each = format.u16();
        int bits = format.u16();
        if (tag == EXTENSIBLE) {
            tag = format.skip(8).u16();
        }
        if (each < 1 || channels < 1 || rate < 1) {
            throw new Malformed(WORDS.say("noFormat"));
        }
        return new WaveFile(tag, channels, rate, bits, data / each, whole && data % each == 0, broadcast);
    }

    private static Broadcast broadcast(Cursor chunk) {
        String description = chunk.text(256);
        String originator = chunk.text(32);
        String reference = chunk.text(32);
        String date = chunk.text(10);
        String time = chunk.text(8);
        long since = chunk.s64();
        int version = chunk.u16();
        Umid umid = Umid.of(chunk.take(32));
        chunk.skip(32);
        Loud loud = version < 2 ? null : new Loud(hundredths(chunk), hundredths(chunk), hundredths(chunk), hundredths(chunk),
                hundredths(chunk));
        return new Broadcast(description, originator, reference, date, time, since, version, umid, loud);
    }

    private static Integer hundredths(Cursor chunk) {
        short value = (short) chunk.u16();
        return value == UNKNOWN ? null : Integer.valueOf(value);
    }
}
