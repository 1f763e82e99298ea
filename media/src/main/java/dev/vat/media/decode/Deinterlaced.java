package dev.vat.media.decode;

import dev.vat.core.picture.FieldOrder;
import dev.vat.media.filter.Filtering;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.util.TreeMap;

/**
 * Frames of an interlaced movie with one moment each, that of the field that comes first. The frames before and after are looked at too.
 * Belongs to one thread.
 */
public final class Deinterlaced implements AutoCloseable {

    private final MovieFrames movie;
    private final String chain;
    private final TreeMap<Long, Picture> near = new TreeMap<>();

    /** @param movie stays whoever's it is */
    public Deinterlaced(MovieFrames movie) {
        this.movie = movie;
        this.chain = "bwdif=mode=send_frame:deint=all:parity=" + (movie.fields().orElse(FieldOrder.TOP) == FieldOrder.TOP ? "tff" : "bff");
    }

    /** @throws MediaException if there is no such frame, or it can't be decoded */
    public Picture frame(long index) {
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
                throw new MediaException("Frame " + index + " can't be deinterlaced", 0);
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
