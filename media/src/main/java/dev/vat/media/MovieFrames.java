package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avutil.av_rescale_q;

import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** Any frame of a finished file, quickest in ascending order. Belongs to one thread. */
public final class MovieFrames implements AutoCloseable {

    /** Going forward over fewer frames than this costs less than starting at a self-contained one. */
    private static final long NEAR = 24;

    private final Demuxer demuxer;
    private final TrackDecoder decoder;
    private final AVRational frameTime;
    private final Rate rate;
    private final Deque<Picture> ready = new ArrayDeque<>();
    private long lastGiven = -1;
    private boolean ended;

    public MovieFrames(Path file) {
        demuxer = new Demuxer(file);
        try {
            decoder = new TrackDecoder(demuxer.stream().codecpar(), demuxer.stream().time_base(), 1);
        } catch (MediaException e) {
            demuxer.close();
            throw e;
        }
        Rational perSecond = Av.rational(demuxer.stream().avg_frame_rate());
        rate = new Rate(perSecond);
        frameTime = Av.fraction(perSecond.inverse());
    }

    public Rate rate() {
        return rate;
    }

    /** Frames as the container counts them. */
    public long count() {
        return demuxer.stream().nb_frames();
    }

    /** @throws MediaException if there is no such frame, or it can't be decoded */
    public Picture frame(long index) {
        if (index <= lastGiven || index > lastGiven + NEAR) {
            seek(index);
        }
        while (true) {
            Picture next = next();
            if (next == null) {
                throw new MediaException("The file has no frame " + index, 0);
            }
            long at = av_rescale_q(next.frame().best_effort_timestamp(), demuxer.stream().time_base(), frameTime);
            if (at >= index) {
                lastGiven = at;
                return next;
            }
            next.close();
        }
    }

    private void seek(long index) {
        ready.forEach(Picture::close);
        ready.clear();
        decoder.reset();
        ended = false;
        demuxer.seek(av_rescale_q(index, frameTime, demuxer.stream().time_base()));
    }

    private Picture next() {
        while (ready.isEmpty()) {
            if (ended) {
                return null;
            }
            if (!demuxer.next(packet -> decoder.decode(packet, ready::add))) {
                ended = true;
                decoder.flush(ready::add);
            }
        }
        return ready.poll();
    }

    @Override
    public void close() {
        ready.forEach(Picture::close);
        ready.clear();
        decoder.close();
        demuxer.close();
    }
}
