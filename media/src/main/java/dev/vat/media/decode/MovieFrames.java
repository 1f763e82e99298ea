package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_PROP_LOSSY;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_BB;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_BT;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_TB;
import static org.bytedeco.ffmpeg.global.avcodec.AV_FIELD_TT;
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
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.source.FrameTimes;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.media.decode.still.ColourHints;
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
 * Any frame of a movie file by its place, quickest in ascending order. The places are those of {@link FrameTimes}, counted from the
 * packets' own times once, when the file is opened: of a file of variable rate a frame stands at every place at which it is shown. Belongs
 * to one thread.
 */
public final class MovieFrames implements AutoCloseable {

    /** What a rate can be. */
    private static final Rational SLOWEST = Rational.of(1, 60);
    private static final Rational QUICKEST = Rational.of(300);
    /** Going forward over fewer frames than this costs less than starting at a self-contained one. */
    private static final long NEAR = 24;
    private static final int PACKET_DISCARD = 4;
    /** Where a self-contained frame lacks what stands before it, decoding starts so many seconds earlier, and at last at the start. */
    private static final int[] EARLIER = {0, 2, 10, Integer.MAX_VALUE};

    private final Demuxer demuxer;
    private final TrackDecoder decoder;
    private final ShownPart shown;
    private final long[] ticks;
    private final FrameTimes times;
    private final Deque<Picture> ready = new ArrayDeque<>();
    private int lastGiven = -1;
    private Picture last;
    private boolean ended;

    public MovieFrames(Path file) {
        this(file, 1);
    }

    /** @param threads that decode */
    public MovieFrames(Path file, int threads) {
        demuxer = new Demuxer(file);
        try {
            long[] lasts = {0};
            ticks = ticks(demuxer, lasts);
            times = FrameTimes.of(ticks, lasts[0], timeBase(), stated());
            shown = ShownPart.of(demuxer.stream().codecpar());
            decoder = new TrackDecoder(demuxer.stream(), threads);
            if (ticks.length > 0) {
                demuxer.seekStart(ticks[0]);
            }
        } catch (MediaException e) {
            demuxer.close();
            throw e;
        }
    }

    /** When each frame is shown, in the track's time base, ascending. @param last is given how long the last one is shown */
    private static long[] ticks(Demuxer demuxer, long[] last) {
        long[] found = new long[1024];
        int count = 0;
        long[] next = {AV_NOPTS_VALUE, 0, 0};
        long highest = Long.MIN_VALUE;
        while (demuxer.next(packet -> {
            boolean shown = (packet.flags() & PACKET_DISCARD) == 0;
            next[0] = !shown ? AV_NOPTS_VALUE : packet.pts() != AV_NOPTS_VALUE ? packet.pts()
                    : packet.dts() != AV_NOPTS_VALUE ? packet.dts() : next[1];
            next[1] = Math.max(next[1], next[0]) + Math.max(1, packet.duration());
            next[2] = packet.duration();
        })) {
            if (next[0] == AV_NOPTS_VALUE) {
                continue;
            }
            if (count == found.length) {
                found = Arrays.copyOf(found, 2 * count);
            }
            found[count++] = next[0];
            if (next[0] >= highest) {
                highest = next[0];
                last[0] = Math.max(0, next[2]);
            }
        }
        long[] ticks = Arrays.copyOf(found, count);
        Arrays.sort(ticks);
        return ticks;
    }

    /** What the container says, if that is a rate at all: some give ticks a second for it. */
    private Rate stated() {
        Rational stated = Av.rational(demuxer.stream().avg_frame_rate());
        stated = stated.signum() > 0 ? stated : Av.rational(demuxer.stream().r_frame_rate());
        return stated.compareTo(SLOWEST) < 0 || stated.compareTo(QUICKEST) > 0 ? null : new Rate(stated).toNanosecond();
    }

    /** Frames a second, by the frames' own times. */
    public Rate rate() {
        return times.rate();
    }

    /** Frames at that rate. */
    public long count() {
        return times.count();
    }

    /** What isn't even about the frames' times; empty if nothing is. */
    public Optional<ClipFacts.Uneven> uneven() {
        return times.uneven();
    }

    private Rational timeBase() {
        return Av.rational(demuxer.stream().time_base());
    }

    /** How long the pictures last. */
    public Rational seconds() {
        return rate().seconds(count());
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
                : ColourHints.ofCodePoints(p.color_primaries(), p.color_trc());
        return shown.format(new PictureFormat(Av.string(avcodec_get_name(p.codec_id()), "unknown"), Size.of(p.width(), p.height()),
                Depth.integer(bits), alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE,
                aspect.signum() > 0 ? new PixelAspect(aspect) : PixelAspect.SQUARE, false, List.of(),
                colour.withTime(rate(), timecode().orElse(null))));
    }

    /** What was done to pictures so that they stand as the file says, in words, or null. */
    public String note() {
        return shown.note();
    }

    /** Which of a frame's two fields comes first, {@code top} or {@code bottom}; empty where frames are whole, or nothing says it. */
    public Optional<String> fields() {
        int order = demuxer.stream().codecpar().field_order();
        return order == AV_FIELD_TT || order == AV_FIELD_TB ? Optional.of("top")
                : order == AV_FIELD_BB || order == AV_FIELD_BT ? Optional.of("bottom") : Optional.empty();
    }

    /** @throws MediaException if there is no such frame, or it can't be decoded */
    public Picture frame(long index) {
        if (index < 0 || index >= count()) {
            throw new MediaException("The file has no frame " + index, 0);
        }
        int frame = times.at((int) index);
        if (frame != lastGiven || last == null) {
            keep(decoded(frame), frame);
        }
        return last.share();
    }

    private void keep(Picture picture, int frame) {
        if (last != null) {
            last.close();
        }
        last = picture;
        lastGiven = frame;
    }

    private Picture decoded(int frame) {
        if (frame > lastGiven && frame <= lastGiven + NEAR) {
            return shown.of(next(frame).orElseThrow(() -> new MediaException("Frame " + frame + " can't be decoded", 0)));
        }
        MediaException why = new MediaException("Frame " + frame + " can't be decoded", 0);
        for (int seconds : EARLIER) {
            long from = seconds == Integer.MAX_VALUE ? ticks[0] : Math.max(ticks[0], ticks[frame] - inTicks(seconds));
            try {
                seek(from);
                Optional<Picture> found = next(frame);
                if (found.isPresent()) {
                    return shown.of(found.get());
                }
            } catch (MediaException e) {
                // What leans on frames before the place that was gone to can't be decoded from there.
                why = e;
            }
            if (from == ticks[0]) {
                break;
            }
        }
        throw why;
    }

    private long inTicks(int seconds) {
        return Rational.of(seconds).dividedBy(timeBase()).round();
    }

    /** Decodes on until a frame comes; empty if a later one comes first, or none. */
    private Optional<Picture> next(int frame) {
        while (true) {
            Picture next = next();
            if (next == null) {
                return Optional.empty();
            }
            long at = next.frame().best_effort_timestamp();
            if (at == AV_NOPTS_VALUE || at >= ticks[frame] && at < after(frame)) {
                return Optional.of(next);
            }
            next.close();
            if (at >= ticks[frame]) {
                return Optional.empty();
            }
        }
    }

    /** When another frame is shown after this one. */
    private long after(int frame) {
        int later = frame + 1;
        while (later < ticks.length && ticks[later] == ticks[frame]) {
            later++;
        }
        return later < ticks.length ? ticks[later] : Long.MAX_VALUE;
    }

    private void seek(long tick) {
        ready.forEach(Picture::close);
        ready.clear();
        decoder.reset();
        ended = false;
        if (tick == ticks[0]) {
            demuxer.seekStart(tick);
        } else {
            demuxer.seek(tick);
        }
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
        if (last != null) {
            last.close();
        }
        shown.close();
        decoder.close();
        demuxer.close();
    }
}
