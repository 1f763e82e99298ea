package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_PROP_LOSSY;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_descriptor_get;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodecDescriptor;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/**
 * Any frame of a movie file by its place in the order of showing, quickest in ascending order. The places are counted from
 * the packets' own times once, when the file is opened, so that a file of uneven rate has its frames in order too. Belongs
 * to one thread.
 */
public final class MovieFrames implements AutoCloseable {

    /** Going forward over fewer frames than this costs less than starting at a self-contained one. */
    private static final long NEAR = 24;
    private static final int PACKET_DISCARD = 4;

    private final Demuxer demuxer;
    private final TrackDecoder decoder;
    private final long[] times;
    private final Deque<Picture> ready = new ArrayDeque<>();
    private long lastGiven = -1;
    private boolean ended;

    public MovieFrames(Path file) {
        this(file, 1);
    }

    /** @param threads that decode */
    public MovieFrames(Path file, int threads) {
        demuxer = new Demuxer(file);
        try {
            times = times(demuxer);
            decoder = new TrackDecoder(demuxer.stream(), threads);
            if (times.length > 0) {
                demuxer.seek(times[0]);
            }
        } catch (MediaException e) {
            demuxer.close();
            throw e;
        }
    }

    /** When each frame is shown, in the track's time base, ascending. */
    private static long[] times(Demuxer demuxer) {
        long[] found = new long[1024];
        int count = 0;
        long[] next = {AV_NOPTS_VALUE, 0};
        while (demuxer.next(packet -> {
            boolean shown = (packet.flags() & PACKET_DISCARD) == 0;
            next[0] = !shown ? AV_NOPTS_VALUE : packet.pts() != AV_NOPTS_VALUE ? packet.pts()
                    : packet.dts() != AV_NOPTS_VALUE ? packet.dts() : next[1];
            next[1] = Math.max(next[1], next[0]) + Math.max(1, packet.duration());
        })) {
            if (next[0] == AV_NOPTS_VALUE) {
                continue;
            }
            if (count == found.length) {
                found = Arrays.copyOf(found, 2 * count);
            }
            found[count++] = next[0];
        }
        long[] times = Arrays.copyOf(found, count);
        Arrays.sort(times);
        return times;
    }

    /** Mean frames a second: what the container states if the frames bear it out, else what they come to. */
    public Rate rate() {
        Rational stated = Av.rational(demuxer.stream().avg_frame_rate());
        if (stated.signum() > 0) {
            return new Rate(stated).toNanosecond();
        }
        Rational real = Av.rational(demuxer.stream().r_frame_rate());
        return real.signum() > 0 ? new Rate(real).toNanosecond() : Rate.FPS_25;
    }

    /** Frames, counted one by one. */
    public long count() {
        return times.length;
    }

    /** Seconds from one frame to the next, in the order of showing. */
    public Rational spacing(int from) {
        return timeBase().times(times[from + 1] - times[from]);
    }

    private Rational timeBase() {
        return Av.rational(demuxer.stream().time_base());
    }

    /** How long the pictures last, the last one as long as the mean. */
    public Rational seconds() {
        if (times.length < 2) {
            return rate().seconds(times.length);
        }
        Rational span = timeBase().times(times[times.length - 1] - times[0]);
        return span.times(times.length).dividedBy(Rational.of(times.length - 1));
    }

    /** What the frames are numbered: counted from 0, unless the file says otherwise. */
    public FrameNumbers numbers() {
        try {
            return demuxer.metadata(FrameNumbers.TAG).map(FrameNumbers::parse).orElse(FrameNumbers.FROM_ZERO);
        } catch (IllegalArgumentException _) {
            return FrameNumbers.FROM_ZERO;
        }
    }

    public Optional<String> timecode() {
        return demuxer.metadata("timecode");
    }

    /** What the frames hold, as the container states it. */
    public PictureFormat format() {
        AVCodecParameters p = demuxer.stream().codecpar();
        AVPixFmtDescriptor descriptor = p.format() < 0 ? null : av_pix_fmt_desc_get(p.format());
        int bits = descriptor == null ? 8 : descriptor.comp(0).depth();
        boolean alpha = descriptor != null && (descriptor.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0
                || TrackDecoder.hasHiddenAlpha(demuxer.stream());
        Rational aspect = Av.rational(demuxer.stream().sample_aspect_ratio());
        aspect = aspect.signum() > 0 ? aspect : Av.rational(p.sample_aspect_ratio());
        Stated colour = p.color_primaries() == 2 && p.color_trc() == 2 ? Stated.NOTHING
                : Stated.ofColour(null, p.color_primaries() == 2 ? null : p.color_primaries(), p.color_trc() == 2 ? null : p.color_trc());
        return new PictureFormat(Av.string(avcodec_get_name(p.codec_id()), "unknown"), Size.of(p.width(), p.height()),
                Depth.integer(bits), alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE,
                aspect.signum() > 0 ? new PixelAspect(aspect) : PixelAspect.SQUARE, false, List.of(),
                colour.withTime(rate(), timecode().orElse(null)));
    }

    /** @throws MediaException if there is no such frame, or it can't be decoded */
    public Picture frame(long index) {
        if (index < 0 || index >= times.length) {
            throw new MediaException("The file has no frame " + index, 0);
        }
        if (index <= lastGiven || index > lastGiven + NEAR) {
            seek(index);
        }
        while (true) {
            Picture next = next();
            if (next == null) {
                throw new MediaException("Frame " + index + " can't be decoded", 0);
            }
            long at = next.frame().best_effort_timestamp();
            if (at == AV_NOPTS_VALUE || at >= times[(int) index]) {
                lastGiven = index;
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
        demuxer.seek(times[(int) index]);
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

    /** Whether its codec packs with loss, as nearly all do that can do both. */
    public boolean isLossy() {
        AVCodecDescriptor codec = avcodec_descriptor_get(demuxer.stream().codecpar().codec_id());
        return codec != null && !codec.isNull() && (codec.props() & AV_CODEC_PROP_LOSSY) != 0;
    }

    @Override
    public void close() {
        ready.forEach(Picture::close);
        ready.clear();
        decoder.close();
        demuxer.close();
    }
}
