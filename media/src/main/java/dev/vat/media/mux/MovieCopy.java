package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_HEVC;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_H264;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.repack.CutPlaces;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVRational;

/**
 * Copies the packets of movie files into a new one, which is then read again: nothing is decoded or encoded, and every packet is the one
 * it was, unless tags inside of them were to change.
 */
public final class MovieCopy {

    private static final Words WORDS = Words.of(MovieCopy.class);

    /** A stretch of a file. @param frames in the order of showing, from 0; null for all */
    public record Piece(Path file, FrameRange frames) {}

    /** Tags of colours as code points of ITU-T H.273. */
    public record Colour(int primaries, int transfer, int matrix, boolean full) {}

    /**
     * What is to come of it.
     *
     * @param pixelAspect to be stated, or null for what was
     * @param colour to be stated, or null for what was
     * @param sound whose first track goes along in place of the files' own; null for those
     * @param silent whether no sound goes along
     */
    public record Target(Path file, Container container, PixelAspect pixelAspect, Colour colour, Path sound, boolean silent) {}

    /** @param frames pictures in the new file @param notes what somebody should know of it, in words */
    public record Result(long frames, List<String> notes) {}

    private static final int CORRUPT = 2;

    private final List<Piece> pieces;
    private final Target target;
    private final List<String> notes = new ArrayList<>();
    private final PacketPrint given = new PacketPrint();
    private OutputTracks out;
    private PacketTags tagger;
    /** Null where there is none. */
    private AddedSound added;

    private MovieCopy(List<Piece> pieces, Target target) {
        this.pieces = pieces;
        this.target = target;
    }

    /** Frames a second that a file states. */
    public static Rate rate(Path file) {
        try (MovieFrames frames = new MovieFrames(file)) {
            return frames.rate();
        }
    }

    /**
     * That pictures of two files have one size: others have no seam that could be judged.
     *
     * @throws MediaException in words, where they haven't
     */
    public static void requireSameSize(Path first, Path other) {
        try (Demuxer one = new Demuxer(first); Demuxer two = new Demuxer(other)) {
            Repacking.requireSameSize(one, two, other);
        }
    }

    /**
     * Writes a file, which must not exist under a final name: it is whole only when this returns.
     *
     * @throws MediaException in words, if a file can't be read, the container can't hold it, or the pieces don't go together
     */
    public static Result copy(List<Piece> pieces, Target target) {
        MovieCopy copy = new MovieCopy(List.copyOf(pieces), target);
        try {
            return copy.run();
        } finally {
            copy.close();
        }
    }

    private Result run() {
        Rational offset = Rational.ZERO;
        try (Demuxer head = new Demuxer(pieces.getFirst().file)) {
            for (Piece piece : pieces) {
                offset = offset.plus(piece(piece, head, offset));
            }
        }
        weave(offset);
        if (added != null && added.isWaiting()) {
            notes.add(WORDS.say("theSoundGoesOnAfterTheLast"));
        }
        out.finish();
        requireSame();
        mend();
        return new Result(given.count(), notes);
    }

    private void mend() {
        try {
            InPlace.mend(target.file, target.container, Origin.ofContent(given));
        } catch (IOException e) {
            throw new MediaException(e.getMessage(), 0);
        }
    }

    /** @return how long the piece is, in seconds */
    private Rational piece(Piece piece, Demuxer first, Rational offset) {
        List<CutPlaces.Coded> coded;
        Rational base;
        Rational mean;
        try (Demuxer demuxer = new Demuxer(piece.file)) {
            Repacking.requireAlike(first, demuxer, piece.file, target.sound == null && !target.silent);
            coded = Cutting.coded(demuxer);
            base = Av.rational(demuxer.stream().time_base());
            Rational perSecond = Av.rational(demuxer.stream().avg_frame_rate());
            mean = perSecond.signum() > 0 ? perSecond.inverse() : base;
        }
        if (coded.isEmpty()) {
            throw new MediaException(WORDS.say("holdsNoFrame", piece.file.getFileName()), 0);
        }
        int[] shown = CutPlaces.order(coded);
        FrameRange frames = piece.frames == null ? FrameRange.of(0, coded.size() - 1) : piece.frames;
        Cutting.requireCuttable(CutPlaces.of(coded), frames, piece.file);
        boolean[] kept = new boolean[coded.size()];
        for (long frame = frames.first(); frame <= frames.last(); frame++) {
            kept[shown[(int) frame]] = true;
        }
        long from = coded.get(shown[(int) frames.first()]).time();
        boolean whole = frames.last() == coded.size() - 1;
        Rational end = whole ? base.times(coded.get(shown[(int) frames.last()]).time()).plus(mean)
                : base.times(coded.get(shown[(int) frames.last() + 1]).time());
        Rational length = end.minus(base.times(from));
        packets(piece.file, kept, base.times(from), end, offset, frames);
        return length;
    }

    /** @param from and {@code end}: in seconds of the file */
    private void packets(Path file, boolean[] kept, Rational from, Rational end, Rational offset, FrameRange frames) {
        AVPacket packet = av_packet_alloc();
        try (Demuxer demuxer = new Demuxer(file)) {
            AVFormatContext in = demuxer.context();
            if (out == null) {
                start(demuxer, frames);
            }
            List<AVStream> sounds = demuxer.sounds();
            int index = 0;
            while (true) {
                int result = av_read_frame(in, packet);
                if (result == Av.EOF) {
                    break;
                }
                Av.check(result, WORDS.say("reading", file.getFileName()));
                try {
                    AVStream stream = in.streams(packet.stream_index());
                    if (packet.stream_index() == demuxer.stream().index()) {
                        if (kept[index]) {
                            requireWhole(packet, file);
                            given.add(packet);
                            long time = Cutting.time(packet, index);
                            packet.pts(time);
                            shift(packet, stream.time_base(), from, offset);
                            Rational at = Av.rational(stream.time_base()).times(packet.pts());
                            picture(packet, stream.time_base());
                            weave(at);
                        }
                        index++;
                    } else if (!target.silent && target.sound == null && stream.codecpar().codec_type() == AVMEDIA_TYPE_AUDIO) {
                        Rational at = Av.rational(stream.time_base()).times(Cutting.time(packet, 0));
                        if (at.compareTo(from) >= 0 && at.compareTo(end) < 0) {
                            shift(packet, stream.time_base(), from, offset);
                            // Each file may have its tracks at other places: which sound it is counts.
                            out.sound(packet, stream.time_base(), number(sounds, stream));
                        }
                    }
                } finally {
                    av_packet_unref(packet);
                }
            }
        } finally {
            av_packet_free(packet);
        }
    }

    private static int number(List<AVStream> sounds, AVStream stream) {
        int number = 0;
        while (sounds.get(number).index() != stream.index()) {
            number++;
        }
        return number;
    }

    private static void requireWhole(AVPacket packet, Path file) {
        if ((packet.flags() & CORRUPT) != 0) {
            throw new MediaException(WORDS.say("endsWithinAFrameRecover", file.getFileName()), 0);
        }
    }

    private static void shift(AVPacket packet, AVRational base, Rational from, Rational offset) {
        long by = offset.minus(from).dividedBy(Av.rational(base)).round();
        packet.pts(packet.pts() == AV_NOPTS_VALUE ? AV_NOPTS_VALUE : packet.pts() + by);
        packet.dts(packet.dts() == AV_NOPTS_VALUE ? AV_NOPTS_VALUE : packet.dts() + by);
    }

    private void picture(AVPacket packet, AVRational base) {
        if (tagger == null) {
            out.picture(packet, base);
            return;
        }
        tagger.change(packet, changed -> out.picture(changed, base));
    }

    private void start(Demuxer demuxer, FrameRange frames) {
        AVStream stream = demuxer.stream();
        Repacking.requireLegal(target.container, demuxer, target.sound == null && !target.silent);
        tagger = tags(stream);
        out = new OutputTracks(target.file, target.container);
        AVStream made = out.picture(stream, tagger == null ? stream.codecpar() : tagger.track());
        if (target.pixelAspect != null) {
            made.sample_aspect_ratio(Av.fraction(target.pixelAspect.ratio()));
            made.codecpar().sample_aspect_ratio(Av.fraction(target.pixelAspect.ratio()));
        }
        if (target.colour != null) {
            made.codecpar().color_primaries(target.colour.primaries).color_trc(target.colour.transfer).color_space(target.colour.matrix)
                    .color_range(target.colour.full ? 2 : 1);
        }
        if (target.sound == null && !target.silent) {
            demuxer.sounds().forEach(out::sound);
        } else if (target.sound != null) {
            out.soundOf(target.sound);
            added = new AddedSound(target.sound);
            if (added.isEmpty()) {
                notes.add(WORDS.say("thereIsNoSoundIn", target.sound.getFileName()));
            }
        }
        if (target.container.carriesTimecode()) {
            demuxer.metadata("timecode").ifPresent(label -> out.timecode(label, stream, frames.first()));
        }
        out.start();
    }

    /** Notes where they are stated. @throws MediaException where neither packets nor the container have a place for them */
    private PacketTags tags(AVStream stream) {
        if (target.pixelAspect == null && target.colour == null) {
            return null;
        }
        PacketTags tags = PacketTags.of(stream, target);
        if (target.pixelAspect != null && !target.container.statesPixelAspect()
                || target.colour != null && !target.container.statesColour() && tags == null) {
            throw new MediaException(WORDS.say("hasNoPlaceForTakeMOVOrMKV", target.container.title(),
                    (target.pixelAspect != null ? WORDS.say("theShapeOfPixels") : WORDS.say("tagsOfColours"))), 0);
        }
        notes.add(tags == null
                ? WORDS.say("theTagsStandInTheContainer", Repacking.name(stream.codecpar()))
                : WORDS.say("tagsWereChangedInsideThe"));
        return tags;
    }

    private void weave(Rational until) {
        if (added != null) {
            added.weave(until, out);
        }
    }

    /** Every packet of the new file is the one that was given; where tags inside of them changed, there are as many. */
    private void requireSame() {
        PacketPrint found = PacketPrint.of(target.file);
        if (tagger == null && !isRemarked() ? !found.isAs(given) : found.count() != given.count()) {
            throw new MediaException(WORDS.say("wasReadAgainAndHoldsOther", target.file.getFileName()), 0);
        }
    }

    /** Whether pictures are marked otherwise in their new container: streams that are sent have start codes, files have lengths. */
    private boolean isRemarked() {
        try (Demuxer first = new Demuxer(pieces.getFirst().file)) {
            int codec = first.stream().codecpar().codec_id();
            boolean marked = codec == AV_CODEC_ID_H264 || codec == AV_CODEC_ID_HEVC;
            return marked && target.container == Container.TS != first.isSent();
        }
    }

    private void close() {
        if (out != null) {
            out.close();
        }
        if (tagger != null) {
            tagger.close();
        }
        if (added != null) {
            added.close();
        }
    }
}
