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
import dev.vat.core.picture.FieldOrder;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Standing;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.source.FrameTimes;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
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
import java.util.stream.Stream;
import org.bytedeco.ffmpeg.avcodec.AVCodecDescriptor;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/**
 * Any frame of a movie file by its place, quickest in ascending order. The places are those of {@link FrameTimes}, counted from the
 * packets' own times once, when the file is opened: of a file of variable rate a frame stands at every place at which it is shown. Belongs
 * to one thread.
 */
public final class MovieFrames implements AutoCloseable {

    private static final Words WORDS = Words.of(MovieFrames.class);

    /** What a rate can be. */
    private static final Rational SLOWEST = Rational.of(1, 60);
    private static final Rational QUICKEST = Rational.of(300);
    /** Going forward over fewer frames than this costs less than starting at a self-contained one. */
    private static final long NEAR = 24;
    /** Files without an index are gone to by guess, which may miss the start of a group: then one before it is gone to. */
    private static final int MOST_GROUPS = 2;

    private final Demuxer demuxer;
    private final TrackDecoder decoder;
    private final ShownPart shown;
    private final String note;
    private final Ticks ticks;
    private final FrameTimes times;
    private final Deque<Picture> ready = new ArrayDeque<>();
    private int lastGiven = -1;
    private Picture last;
    private boolean ended;
    /** Where decoding began: the self-contained frame's time, or none while it is still to come. */
    private long begun = AV_NOPTS_VALUE;

    public MovieFrames(Path file) {
        this(file, 1);
    }

    /** @param standing whether frames that are stored turned are set upright; null for yes */
    public MovieFrames(Path file, Standing standing) {
        this(file, 1, standing);
    }

    /** @param threads that decode */
    public MovieFrames(Path file, int threads) {
        this(file, threads, Standing.UPRIGHT);
    }

    private MovieFrames(Path file, int threads, Standing standing) {
        demuxer = new Demuxer(file);
        try {
            ticks = Ticks.of(demuxer);
            times = FrameTimes.of(ticks.all(), ticks.last(), timeBase(), stated());
            shown = ShownPart.of(demuxer.stream().codecpar(), standing);
            note = Stream.of(Optional.ofNullable(shown.note()), EditList.dwells(file).map(MovieFrames::dwell)).flatMap(Optional::stream)
                    .reduce((a, b) -> a + "; " + b).orElse(null);
            decoder = new TrackDecoder(demuxer.stream(), threads);
            if (ticks.all().length > 0) {
                demuxer.seekStart(ticks.all()[0]);
            }
        } catch (MediaException e) {
            demuxer.close();
            throw e;
        }
    }

    private static String dwell(Rational seconds) {
        return WORDS.say("anEditInTheFileHoldsAPicture", seconds.toDecimal(3));
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

    /** What was done to pictures so that they stand as the file says, and what of it isn't followed, in words; or null. */
    public String note() {
        return note;
    }

    /** Which of a frame's two fields comes first; empty where frames are whole, or nothing says it. */
    public Optional<FieldOrder> fields() {
        int order = demuxer.stream().codecpar().field_order();
        return order == AV_FIELD_TT || order == AV_FIELD_TB ? Optional.of(FieldOrder.TOP)
                : order == AV_FIELD_BB || order == AV_FIELD_BT ? Optional.of(FieldOrder.BOTTOM) : Optional.empty();
    }

    /** @throws MediaException if there is no such frame, or it can't be decoded */
    public Picture frame(long index) {
        if (index < 0 || index >= count()) {
            throw new MediaException(WORDS.say("theFileHasNoFrame", index), 0);
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
        Optional<Picture> found = Optional.empty();
        if (frame > lastGiven && frame <= lastGiven + NEAR) {
            try {
                found = next(frame);
            } catch (MediaException _) {
                // After damage decoding goes on with the next group: the frame is looked for from the start of its own.
            }
        }
        for (int groups = 0; found.isEmpty() && groups <= MOST_GROUPS; groups++) {
            seek(ticks.groupBefore(ticks.all()[frame], groups));
            found = next(frame);
        }
        return shown.of(found.orElseThrow(() -> new MediaException(WORDS.say("frameCantBeDecoded", frame), 0)));
    }

    /** Decodes on until a frame comes; empty if a later one comes first, or none. */
    private Optional<Picture> next(int frame) {
        while (true) {
            Picture next = next();
            if (next == null) {
                return Optional.empty();
            }
            long at = next.frame().best_effort_timestamp();
            if (at == AV_NOPTS_VALUE || at >= ticks.all()[frame] && at < ticks.after(frame)) {
                return Optional.of(next);
            }
            next.close();
            if (at >= ticks.all()[frame]) {
                return Optional.empty();
            }
        }
    }

    private void seek(long tick) {
        ready.forEach(Picture::close);
        ready.clear();
        decoder.reset();
        ended = false;
        begun = AV_NOPTS_VALUE;
        if (tick == ticks.all()[0]) {
            demuxer.seekStart(tick);
        } else {
            demuxer.seek(tick);
        }
    }

    /**
     * Frames of an open group that are shown before its self-contained one lean on the group before: where decoding begins with that one,
     * they are passed over.
     */
    private void decode(AVPacket packet) {
        long tick = packet.pts() != AV_NOPTS_VALUE ? packet.pts() : packet.dts();
        if (begun == AV_NOPTS_VALUE) {
            if (ticks.keys().length > 0 && (packet.flags() & Av.PACKET_KEY) == 0) {
                return;
            }
            begun = tick == AV_NOPTS_VALUE ? Long.MIN_VALUE + 1 : tick;
        }
        if (tick == AV_NOPTS_VALUE || tick >= begun) {
            decoder.decode(packet, ready::add);
        }
    }

    private Picture next() {
        while (ready.isEmpty()) {
            if (ended) {
                return null;
            }
            if (!demuxer.next(this::decode)) {
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
