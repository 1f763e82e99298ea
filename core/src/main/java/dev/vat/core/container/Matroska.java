package dev.vat.core.container;

import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/**
 * A Matroska or WebM file after RFC 9559.
 *
 * @param kind {@code matroska} or {@code webm}
 * @param ticks nanoseconds of a tick
 * @param seconds how long it says that it lasts, or 0
 * @param tags simple tags by their names
 * @param times of the pictures' blocks, in ticks, in the order in which they are shown
 * @param first the first block of pictures
 */
public record Matroska(String kind, long ticks, double seconds, List<Track> tracks, List<String> tags, List<Long> times, byte[] first) {

    private static final Words WORDS = Words.of(Matroska.class);

    private static final long EBML = 0x1A45DFA3L;
    private static final long DOC_TYPE = 0x4282;
    private static final long SEGMENT = 0x18538067L;
    private static final long INFO = 0x1549A966L;
    private static final long TRACKS = 0x1654AE6BL;
    private static final long TAGS = 0x1254C367L;
    private static final long TAG = 0x7373;
    private static final long CLUSTER = 0x1F43B675L;
    private static final long TIMESTAMP = 0xE7;
    private static final long SIMPLE_BLOCK = 0xA3;
    private static final long BLOCK_GROUP = 0xA0;
    private static final long BLOCK = 0xA1;
    private static final long MOST_HEAD = 1L << 26;

    /**
     * A track.
     *
     * @param type 1 pictures, 2 sound
     * @param codec as the registry has it: {@code V_MPEG4/ISO/AVC}
     * @param byDefault whether it is shown where nobody chooses
     * @param duration nanoseconds of a frame, or 0
     * @param settings elements of its pictures or of its sound
     * @param configuration of the decoder, or empty
     */
    public record Track(long number, long type, String codec, boolean byDefault, long duration, EbmlElement settings,
            byte[] configuration) {

        /** A number of its pictures or sound. @param otherwise what counts where it isn't there */
        public long number(long id, long otherwise) throws Malformed {
            return settings == null ? otherwise : settings.child(id).map(EbmlElement::number).orElse(otherwise);
        }
    }

    /** @throws Malformed if it isn't built as the specification has it */
    public static Matroska of(Bytes file) throws IOException {
        EbmlElement.Place head = EbmlElement.at(file, 0);
        if (head.id() != EBML) {
            throw new Malformed(WORDS.say("noHead"));
        }
        String kind = whole(file, head).child(DOC_TYPE).map(EbmlElement::text).orElse("");
        EbmlElement.Place segment = EbmlElement.at(file, head.content() + head.size());
        if (segment.id() != SEGMENT) {
            throw new Malformed(WORDS.say("noSegment"));
        }
        long end = segment.size() < 0 ? file.size() : Math.min(file.size(), segment.content() + segment.size());
        long ticks = 1_000_000;
        double duration = 0;
        List<Track> tracks = new ArrayList<>();
        List<String> tags = new ArrayList<>();
        TreeSet<Long> times = new TreeSet<>();
        byte[] first = null;
        for (long at = segment.content(); at < end;) {
            EbmlElement.Place place = EbmlElement.at(file, at);
            if (place.size() < 0 || place.content() + place.size() > end) {
                throw new Malformed(WORDS.say("endsBehind", at));
            }
            if (place.id() == INFO) {
                EbmlElement info = whole(file, place);
                ticks = info.child(0x2AD7B1).map(EbmlElement::number).orElse(ticks);
                duration = info.child(0x4489).map(EbmlElement::decimal).orElse(0.0);
            } else if (place.id() == TRACKS) {
                for (EbmlElement entry : whole(file, place).children()) {
                    if (entry.id() == 0xAE) {
                        tracks.add(track(entry));
                    }
                }
            } else if (place.id() == TAGS) {
                tags(whole(file, place), tags);
            } else if (place.id() == CLUSTER) {
                long pictures = tracks.stream().filter(t -> t.type == 1).map(Track::number).findFirst().orElse(-1L);
                byte[] seen = cluster(file, place, pictures, first == null, times);
                first = first == null ? seen : first;
            }
            at = place.content() + place.size();
        }
        return new Matroska(kind, ticks, duration * ticks / 1e9, List.copyOf(tracks), List.copyOf(tags), List.copyOf(times), first);
    }

    private static EbmlElement whole(Bytes file, EbmlElement.Place place) throws IOException {
        if (place.size() > MOST_HEAD) {
            throw new Malformed(WORDS.say("huge", place.size()));
        }
        return new EbmlElement(place.id(), file.read(place.content(), (int) place.size()));
    }

    private static Track track(EbmlElement entry) throws Malformed {
        EbmlElement settings = entry.child(0xE0).or(() -> sound(entry)).orElse(null);
        return new Track(entry.child(0xD7).map(EbmlElement::number).orElse(0L), entry.child(0x83).map(EbmlElement::number).orElse(0L),
                entry.child(0x86).map(EbmlElement::text).orElse(""), entry.child(0x88).map(EbmlElement::number).orElse(1L) == 1,
                entry.child(0x23E383).map(EbmlElement::number).orElse(0L), settings,
                entry.child(0x63A2).map(EbmlElement::content).orElse(new byte[0]));
    }

    private static Optional<EbmlElement> sound(EbmlElement entry) {
        try {
            return entry.child(0xE1);
        } catch (Malformed e) {
            throw new IllegalArgumentException(e);
        }
    }

    private static void tags(EbmlElement all, List<String> into) throws Malformed {
        for (EbmlElement tag : all.children()) {
            for (EbmlElement simple : tag.id() == TAG ? tag.children() : List.<EbmlElement>of()) {
                if (simple.id() == 0x67C8) {
                    into.add(simple.child(0x45A3).map(EbmlElement::text).orElse("") + "="
                            + simple.child(0x4487).map(EbmlElement::text).orElse(""));
                }
            }
        }
    }

    /** @return the first block of pictures, where it is asked for */
    private static byte[] cluster(Bytes file, EbmlElement.Place cluster, long pictures, boolean wanted, TreeSet<Long> times)
            throws IOException {
        long base = 0;
        byte[] first = null;
        for (long at = cluster.content(); at < cluster.content() + cluster.size();) {
            EbmlElement.Place place = EbmlElement.at(file, at);
            EbmlElement.Place block = place;
            if (place.id() == TIMESTAMP) {
                base = whole(file, place).number();
            } else if (place.id() == BLOCK_GROUP) {
                block = blockOf(file, place);
            }
            if (block.id() == SIMPLE_BLOCK || block.id() == BLOCK) {
                byte[] head = file.read(block.content(), 4);
                if ((head[0] & 0x7f) == pictures) {
                    times.add(base + (short) ((head[1] & 0xff) << 8 | head[2] & 0xff));
                    if (wanted && first == null) {
                        first = file.read(block.content() + 4, (int) block.size() - 4);
                    }
                }
            }
            at = place.content() + place.size();
        }
        return first;
    }

    /** What else stands in a group, such as how long the block lasts, may stand before it. */
    private static EbmlElement.Place blockOf(Bytes file, EbmlElement.Place group) throws IOException {
        for (long at = group.content(); at < group.content() + group.size();) {
            EbmlElement.Place place = EbmlElement.at(file, at);
            if (place.id() == BLOCK) {
                return place;
            }
            at = place.content() + place.size();
        }
        throw new Malformed(WORDS.say("noBlock", group.content()));
    }

    public Optional<Track> first(long type) {
        return tracks.stream().filter(t -> t.type == type).findFirst();
    }
}
