package dev.vat.media.decode;

import dev.vat.core.picture.FieldOrder;
import dev.vat.core.words.Words;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.util.TreeMap;

/**
 * Frames of an interlaced movie with one moment each, that of one of their fields. The frames before and after are looked at too.
 * Belongs to one thread.
 */
public final class Deinterlaced implements AutoCloseable {

    private static final Words WORDS = Words.of(Deinterlaced.class);

    private final MovieFrames movie;
    private final String first;
    private final String second;
    private final TreeMap<Long, Picture> near = new TreeMap<>();

    /** @param movie stays whoever's it is */
    public Deinterlaced(MovieFrames movie) {
        this.movie = movie;
        String parity = ":deint=all:parity=" + (movie.fields().orElse(FieldOrder.TOP) == FieldOrder.TOP ? "tff" : "bff");
        this.first = "bwdif=mode=send_frame" + parity;
        // Of the frame before and of this one two pictures come out each: the last is the one that is wanted.
        this.second = "bwdif=mode=send_field" + parity + ",select=eq(n\\,3)";
    }

    /**
     * A frame at the moment of its first field.
     *
     * @throws MediaException if there is no such frame, or it can't be decoded
     */
    public Picture first(long index) {
        return made(index, first);
    }

    /** The same at the moment of its second field. */
    public Picture second(long index) {
        return made(index, second);
    }

    private Picture made(long index, String chain) {
        long last = movie.count() - 1;
        near.headMap(index - 1).values().forEach(Picture::close);
        near.headMap(index - 1).clear();
        near.tailMap(index + 2).values().forEach(Picture::close);
        near.tailMap(index + 2).clear();
        try (Filtering filter = new Filtering(_ -> chain)) {
            put(filter, at(Math.max(0, index - 1)));
            put(filter, at(index));
            Picture made = filter.offer(at(Math.min(last, index + 1)));
            if (made == null) {
                throw new MediaException(WORDS.say("frameCantBeDeinterlaced", index), 0);
            }
            return made;
        }
    }

    /** What comes out at once is of a frame before. */
    private static void put(Filtering filter, Picture picture) {
        Picture earlier = filter.offer(picture);
        if (earlier != null) {
            earlier.close();
        }
    }

    private Picture at(long index) {
        return near.computeIfAbsent(index, movie::frame);
    }

    @Override
    public void close() {
        near.values().forEach(Picture::close);
        near.clear();
    }
}
