package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.LinkedHashMap;

/**
 * A transport stream after ISO/IEC 13818-1 (ITU-T H.222.0) with one program: packets of 188 bytes, the tables that say what is in them, and
 * the times of what is in them, in ticks of 90 kHz.
 *
 * @param tracks in the order in which the table of the program names them
 * @param lost packets that others of their kind miss before them
 * @param late units that haven't come in whole when they are to be decoded
 * @param clocks places where the program's clock is told
 * @param first the first picture, as it is coded; null for none
 */
public record TransportStream(List<Track> tracks, long lost, long late, List<Clock> clocks, byte[] first) {

    private static final Words WORDS = Words.of(TransportStream.class);

    /** Ticks a second of presentation times. */
    public static final long TICKS = 90_000;
    /** Ticks a second of the program's clock. */
    public static final long CLOCK_TICKS = 27_000_000;

    private static final int PACKET = 188;
    private static final int SYNC = 0x47;
    private static final int AT_ONCE = 4096;
    private static final int NULL_PACKETS = 0x1fff;
    /** Where the table of a program says which packets tell its clock. */
    private static final int CLOCKS_PID_BYTES = 2;
    private static final long PRESENTATION_WRAPS = 1L << 33;

    /** By stream_type, table 2-34. */
    private static final Map<Integer, String> CODECS = Map.of(1, "mpeg1video", 2, "mpeg2video", 3, "mp2", 4, "mp2", 0x0f, "aac", 0x11,
            "aac",
            0x1b, "h264", 0x24, "hevc", 0x81, "ac3");

    /** @param at byte of the file in whose packet it stands @param ticks of 27 MHz */
    public record Clock(long at, long ticks) {}

    /**
     * One elementary stream.
     *
     * @param codec by the library's name, or the number of its kind
     * @param units PES packets: of pictures one each
     * @param from earliest time at which one is shown or heard, in ticks
     * @param to the latest
     */
    public record Track(int pid, String codec, long units, long from, long to) {
        public boolean isPicture() {
            return TransportStream.isPicture(codec);
        }
    }

    private static boolean isPicture(String codec) {
        return codec.endsWith("video") || codec.equals("h264") || codec.equals("hevc");
    }

    /** @throws Malformed if it isn't built as the standard has it */
    public static TransportStream of(Bytes file) throws IOException {
        if (file.size() == 0 || file.size() % PACKET != 0) {
            throw new Malformed(WORDS.say("noWholePackets", file.size()));
        }
        Reading reading = new Reading();
        for (long at = 0; at < file.size(); at += (long) AT_ONCE * PACKET) {
            byte[] block = file.read(at, (int) Math.min((long) AT_ONCE * PACKET, file.size() - at));
            for (int in = 0; in < block.length; in += PACKET) {
                reading.packet(block, in, at + in);
            }
        }
        return reading.found();
    }

    public Optional<Track> picture() {
        return tracks.stream().filter(Track::isPicture).findFirst();
    }

    public List<Track> sounds() {
        return tracks.stream().filter(t -> !t.isPicture()).toList();
    }

    /** Whether bytes come in at one rate from the first told clock to the last, to a packet. */
    public boolean isConstant() {
        if (clocks.size() < 3) {
            return true;
        }
        Clock start = clocks.getFirst();
        Clock end = clocks.getLast();
        double ticksEach = (double) (end.ticks - start.ticks) / (end.at - start.at);
        return clocks.stream().allMatch(c -> Math.abs(c.ticks - start.ticks - (c.at - start.at) * ticksEach) <= 2 * PACKET * ticksEach);
    }

    /** Longest time without a word of the clock, in seconds; the standard allows a tenth (2.7.2). */
    public double longestSilence() {
        long longest = 0;
        for (int i = 1; i < clocks.size(); i++) {
            longest = Math.max(longest, clocks.get(i).ticks - clocks.get(i - 1).ticks);
        }
        return (double) longest / CLOCK_TICKS;
    }

    /** What has been seen of one elementary stream. */
    private static final class Seen {
        private final String codec;
        private long units;
        /** When the unit that is coming in is decoded, in ticks; below 0 before the first. */
        private long due = -1;
        private long from = Long.MAX_VALUE;
        private long to = Long.MIN_VALUE;

        Seen(String codec) {
            this.codec = codec;
        }
    }

    /** Packet after packet. */
    private static final class Reading {
        private final SequencedMap<Integer, Seen> tracks = new LinkedHashMap<>();
        private final int[] counters = new int[NULL_PACKETS];
        private final List<Clock> clocks = new ArrayList<>();
        private final ByteArrayOutputStream picture = new ByteArrayOutputStream();
        private int program = -1;
        private long lost;
        private long late;

        Reading() {
            Arrays.fill(counters, -1);
        }

        void packet(byte[] b, int at, long place) throws Malformed {
            if ((b[at] & 0xff) != SYNC) {
                throw new Malformed(WORDS.say("noSync", place));
            }
            int pid = (b[at + 1] & 0x1f) << 8 | b[at + 2] & 0xff;
            if (pid == NULL_PACKETS) {
                return;
            }
            boolean starts = (b[at + 1] & 0x40) != 0;
            boolean payload = (b[at + 3] & 0x10) != 0;
            int from = at + 4;
            if ((b[at + 3] & 0x20) != 0) {
                int length = b[from] & 0xff;
                if (length >= 7 && (b[from + 1] & 0x10) != 0) {
                    clocks.add(new Clock(place, clock(b, from + 2)));
                }
                from += 1 + length;
            }
            if (!payload || from >= at + PACKET) {
                return;
            }
            int counter = b[at + 3] & 0xf;
            lost += counters[pid] >= 0 && counter != (counters[pid] + 1 & 0xf) ? 1 : 0;
            counters[pid] = counter;
            payload(pid, starts, b, from, at + PACKET);
        }

        /** 2.4.3.5: 33 bits of 90 kHz, and 9 more between them. */
        private static long clock(byte[] b, int at) {
            long base = (b[at] & 0xffL) << 25 | (b[at + 1] & 0xffL) << 17 | (b[at + 2] & 0xffL) << 9 | (b[at + 3] & 0xffL) << 1
                    | (b[at + 4] & 0x80) >> 7;
            return base * 300 + ((b[at + 4] & 1) << 8 | b[at + 5] & 0xff);
        }

        private void payload(int pid, boolean starts, byte[] b, int from, int end) throws Malformed {
            if (pid == 0 && starts && program < 0) {
                Cursor c = table(b, from, end);
                // After the table's head each program has its number and where its own table stands; 0 is the network's.
                while (c.left() >= 8) {
                    int number = c.u16();
                    int where = c.u16() & 0x1fff;
                    program = number != 0 && program < 0 ? where : program;
                }
            } else if (pid == program && starts && tracks.isEmpty()) {
                program(table(b, from, end));
            } else if (tracks.containsKey(pid)) {
                unit(tracks.get(pid), starts, b, from, end);
            }
        }

        /** What is behind the head of a section (2.4.4.3). */
        private static Cursor table(byte[] b, int from, int end) throws Malformed {
            int start = from + 1 + (b[from] & 0xff);
            if (start + 8 > end) {
                throw new Malformed(WORDS.say("noTable"));
            }
            int length = (b[start + 1] & 0xf) << 8 | b[start + 2] & 0xff;
            if (start + 3 + length > end) {
                throw new Malformed(WORDS.say("noTable"));
            }
            return Cursor.of(Arrays.copyOfRange(b, start + 8, start + 3 + length));
        }

        private void program(Cursor c) {
            c.skip(CLOCKS_PID_BYTES);
            c.skip(Math.min(c.u16() & 0xfff, c.left()));
            while (c.left() >= 9) {
                int kind = c.u8();
                int pid = c.u16() & 0x1fff;
                Cursor said = c.slice(Math.min(c.u16() & 0xfff, c.left()));
                tracks.put(pid, new Seen(codec(kind, said)));
            }
        }

        /** Private data say by descriptors what they are (ETSI EN 300 468, annex D). */
        private static String codec(int kind, Cursor descriptors) {
            while (kind == 6 && descriptors.left() >= 2) {
                int tag = descriptors.u8();
                descriptors.skip(Math.min(descriptors.u8(), descriptors.left()));
                if (tag == 0x6a) {
                    return "ac3";
                }
            }
            return CODECS.getOrDefault(kind, Integer.toString(kind));
        }

        private void unit(Seen track, boolean starts, byte[] b, int from, int end) {
            int data = from;
            if (track.due >= 0 && !clocks.isEmpty() && !starts && isPast(track.due)) {
                late++;
                track.due = -1;
            }
            if (starts) {
                track.units++;
                int flags = b[from + 7] & 0xff;
                data = from + 9 + (b[from + 8] & 0xff);
                if ((flags & 0x80) != 0) {
                    long time = time(b, from + 9);
                    // Times begin again from 0 after a day and two hours.
                    time += track.to > PRESENTATION_WRAPS / 2 && time < PRESENTATION_WRAPS / 4 ? PRESENTATION_WRAPS : 0;
                    // Where pictures are decoded in another order than they are shown, the time for that stands behind the other.
                    track.due = (flags & 0x40) == 0 ? time : time(b, from + 14);
                    track.from = Math.min(track.from, time);
                    track.to = Math.max(track.to, time);
                }
            }
            if (isPicture(track.codec) && track.units == 1 && data < end) {
                picture.write(b, data, end - data);
            }
        }

        /** 2.4.3.6: 33 bits between markers. */
        private static long time(byte[] b, int at) {
            return (b[at] & 0x0eL) << 29 | (b[at + 1] & 0xffL) << 22 | (b[at + 2] & 0xfeL) << 14 | (b[at + 3] & 0xffL) << 7
                    | (b[at + 4] & 0xfeL) >> 1;
        }

        /** Whether the clock, as it was told last, is past a time; not where one of both has begun again from 0. */
        private boolean isPast(long due) {
            long ahead = clocks.getLast().ticks / (CLOCK_TICKS / TICKS) - due;
            return ahead > 0 && ahead < PRESENTATION_WRAPS / 2;
        }

        TransportStream found() throws Malformed {
            if (tracks.isEmpty()) {
                throw new Malformed(WORDS.say("noProgram"));
            }
            return new TransportStream(
                    tracks.entrySet().stream().map(e -> new Track(e.getKey(), e.getValue().codec, e.getValue().units, e.getValue().from,
                            e.getValue().to)).toList(),
                    lost, late, List.copyOf(clocks), picture.size() == 0 ? null : picture.toByteArray());
        }
    }
}
