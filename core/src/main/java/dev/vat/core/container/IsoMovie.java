package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * An ISO base media file (ISO/IEC 14496-12) or a QuickTime movie by its own index.
 *
 * @param brand major brand; {@code qt  } for QuickTime
 * @param indexInFront whether the index stands before the samples
 * @param timescale ticks a second of the movie's own clock
 * @param bytes that all its parts say they have; the file's own size where nothing is cut off or left over
 */
public record IsoMovie(String brand, boolean indexInFront, long timescale, List<IsoTrack> tracks, long bytes) {

    private static final Words WORDS = Words.of(IsoMovie.class);

    private static final int HEAD = 8;
    private static final int LONG_HEAD = 16;
    private static final long MOST_INDEX = 1L << 29;

    /** @throws Malformed if its index isn't there or isn't as the format wants it */
    public static IsoMovie of(Bytes file) throws IOException {
        Top top = Top.of(file);
        Cursor m = top.index.child("mvhd").orElseThrow(() -> new Malformed(WORDS.say("noHead"))).cursor();
        boolean wide = m.u8() == 1;
        m.skip(3 + (wide ? 16 : 8));
        long timescale = m.u32();
        List<IsoTrack> tracks = new ArrayList<>();
        for (IsoBox box : top.index.children()) {
            if (box.type().equals("trak")) {
                tracks.add(IsoTrack.of(box));
            }
        }
        return new IsoMovie(top.brand, top.index.at() < top.samples, timescale, List.copyOf(tracks), top.bytes);
    }

    /** The index of a file, with its tracks. */
    static IsoBox index(Bytes file) throws IOException {
        return Top.of(file).index;
    }

    /** What stands in the file itself. @param samples where the first of them lie, or -1 */
    private record Top(String brand, IsoBox index, long samples, long bytes) {

        static Top of(Bytes file) throws IOException {
            String brand = "";
            IsoBox index = null;
            long samples = -1;
            long at = 0;
            while (at + HEAD <= file.size()) {
                Cursor head = Cursor.of(file.read(at, (int) Math.min(LONG_HEAD, file.size() - at)));
                long said = head.u32();
                String type = head.fourcc();
                int before = said == 1 ? LONG_HEAD : HEAD;
                long size = said == 1 ? head.s64() : said == 0 ? file.size() - at : said;
                if (size < before || at + size > file.size()) {
                    throw new Malformed(WORDS.say("endsBehind", type, at));
                }
                if (type.equals("ftyp")) {
                    brand = Cursor.of(file.read(at + before, 4)).fourcc();
                } else if (type.equals("mdat") && samples < 0) {
                    samples = at;
                } else if (type.equals("moov")) {
                    if (size > MOST_INDEX) {
                        throw new Malformed(WORDS.say("hugeIndex", size));
                    }
                    index = new IsoBox(type, file.read(at + before, (int) (size - before)), at + before);
                }
                at += size;
            }
            if (index == null) {
                throw new Malformed(WORDS.say("noIndex"));
            }
            return new Top(brand, index, samples, at);
        }
    }

    /** Tracks of a kind, in their order. */
    public Stream<IsoTrack> all(String handler) {
        return tracks.stream().filter(t -> t.handler().equals(handler));
    }

    public Optional<IsoTrack> first(String handler) {
        return tracks.stream().filter(t -> t.handler().equals(handler)).findFirst();
    }

    public long count(String handler) {
        return tracks.stream().filter(t -> t.handler().equals(handler)).count();
    }
}
