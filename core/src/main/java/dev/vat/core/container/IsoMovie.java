package dev.vat.core.container;

import dev.vat.core.words.Words;
import dev.vat.core.time.Rational;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An ISO base media file (ISO/IEC 14496-12) or a QuickTime movie by its own index.
 *
 * @param brand major brand; {@code qt  } for QuickTime
 * @param indexInFront whether the index stands before the samples
 * @param fragmented whether samples are told of in fragments
 * @param timescale ticks a second of the movie's own clock
 * @param duration how long it says that it lasts
 * @param bytes that all its parts say they have; the file's own size where nothing is cut off or left over
 */
public record IsoMovie(String brand, boolean indexInFront, boolean fragmented, long timescale, Rational duration, List<IsoTrack> tracks,
        long bytes) {

    private static final Words WORDS = Words.of(IsoMovie.class);

    private static final int HEAD = 8;
    private static final int LONG_HEAD = 16;
    private static final long MOST_INDEX = 1L << 29;

    /** @throws Malformed if its index isn't there or isn't as the format wants it */
    public static IsoMovie of(Bytes file) throws IOException {
        String brand = "";
        IsoBox index = null;
        long indexAt = -1;
        long samplesAt = -1;
        boolean fragments = false;
        long at = 0;
        while (at + HEAD <= file.size()) {
            Cursor head = Cursor.of(file.read(at, (int) Math.min(LONG_HEAD, file.size() - at)));
            long size = head.u32();
            String type = head.fourcc();
            int long64 = size == 1 ? LONG_HEAD : HEAD;
            if (size == 1) {
                size = head.s64();
            } else if (size == 0) {
                size = file.size() - at;
            }
            if (size < long64 || at + size > file.size()) {
                throw new Malformed(WORDS.say("endsBehind", type, at));
            }
            switch (type) {
                case "ftyp" -> brand = Cursor.of(file.read(at + long64, 4)).fourcc();
                case "moov" -> {
                    if (size > MOST_INDEX) {
                        throw new Malformed(WORDS.say("hugeIndex", size));
                    }
                    indexAt = at;
                    index = new IsoBox(type, file.read(at + long64, (int) (size - long64)));
                }
                case "mdat" -> samplesAt = samplesAt < 0 ? at : samplesAt;
                case "moof" -> fragments = true;
                default -> {
                    // Room, and what others keep for themselves.
                }
            }
            at += size;
        }
        if (index == null) {
            throw new Malformed(WORDS.say("noIndex"));
        }
        Cursor m = index.child("mvhd").orElseThrow(() -> new Malformed(WORDS.say("noHead"))).cursor();
        boolean wide = m.u8() == 1;
        m.skip(3 + (wide ? 16 : 8));
        long timescale = m.u32();
        long duration = wide ? m.s64() : m.u32();
        List<IsoTrack> tracks = new ArrayList<>();
        for (IsoBox box : index.children()) {
            if (box.type().equals("trak")) {
                tracks.add(IsoTrack.of(box));
            }
        }
        return new IsoMovie(brand, indexAt < samplesAt, fragments || index.child("mvex").isPresent(), timescale,
                Rational.of(duration, Math.max(1, timescale)), List.copyOf(tracks), at);
    }

    public Optional<IsoTrack> first(String handler) {
        return tracks.stream().filter(t -> t.handler().equals(handler)).findFirst();
    }

    public long count(String handler) {
        return tracks.stream().filter(t -> t.handler().equals(handler)).count();
    }
}
