package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_MJPEG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PRORES;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_free;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;

import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.repack.CutPlaces;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.global.avutil;

/**
 * Gets out of a broken movie file what stands whole in it. Where its index is there, packets are read up to the first that isn't whole or
 * can't be decoded; where it is gone, frames are looked for by their own marks, as far as their codec has such.
 */
public final class Salvage {

    private static final Words WORDS = Words.of(Salvage.class);

    private static final int CORRUPT = 2;
    /** A picture's own head: {@code icpf} behind its length. */
    private static final int PRORES = 'i' << 24 | 'c' << 16 | 'p' << 8 | 'f';
    private static final int APCH = 'a' | 'p' << 8 | 'c' << 16 | 'h' << 24;
    private static final int AP4H = 'a' | 'p' << 8 | '4' << 16 | 'h' << 24;
    private static final int LARGEST = 64 << 20;
    private static final int WINDOW = 4 << 20;

    /**
     * What stands whole in a file.
     *
     * @param frames from the first one on, in the order of showing
     * @param codec by the library's name
     * @param why what ends it, or null if the file is whole
     */
    public record Found(long frames, String codec, String why) {}

    /** @param frames that were recovered @param how in words */
    public record Recovered(long frames, String how) {}

    /** A frame found by its own marks. @param at its first byte in the file */
    private record Marked(long at, int bytes) {}

    private Salvage() {}

    /** @throws MediaException if nothing can be read because its index is gone, or it is no movie */
    public static Found look(Path file) throws IOException {
        long size = Files.size(file);
        List<CutPlaces.Coded> coded = new ArrayList<>();
        String[] why = {null};
        long[] decoded = {0};
        try (Demuxer demuxer = new Demuxer(file); TrackDecoder decoder = new TrackDecoder(demuxer.stream(), 2)) {
            String codec = Av.string(avcodec_get_name(demuxer.stream().codecpar().codec_id()), "unknown");
            long stated = demuxer.stream().nb_frames();
            try {
                while (why[0] == null && demuxer.next(packet -> {
                    if ((packet.flags() & CORRUPT) != 0 || packet.pos() >= 0 && packet.pos() + packet.size() > size) {
                        why[0] = WORDS.say("theFileEndsWithinFrame", coded.size());
                        return;
                    }
                    decoder.decode(packet, picture -> {
                        picture.close();
                        decoded[0]++;
                    });
                    coded.add(new CutPlaces.Coded(packet.pts() == avutil.AV_NOPTS_VALUE ? coded.size() : packet.pts(),
                            (packet.flags() & Av.PACKET_KEY) != 0));
                })) {
                    // each is looked into above
                }
                decoder.flush(picture -> {
                    picture.close();
                    decoded[0]++;
                });
            } catch (MediaException e) {
                why[0] = WORDS.say("frameCantBeRead", coded.size(), e.getMessage());
            }
            if (why[0] == null && stated > coded.size()) {
                why[0] = WORDS.say("itsIndexNamesFramesAreThere", stated, coded.size());
            }
            if (coded.isEmpty()) {
                return new Found(0, codec, why[0] == null ? WORDS.say("itHoldsNoFrame") : why[0]);
            }
            CutPlaces places = CutPlaces.of(coded);
            return new Found(places.endAtOrBefore(Math.toIntExact(Math.min(coded.size(), decoded[0]))), codec, why[0]);
        }
    }

    /**
     * Writes what stands whole into a new file.
     *
     * @param rate frames a second, where the file doesn't say it any more
     * @throws MediaException in words, if nothing can be recovered
     */
    public static Recovered recover(Path file, Path target, Container container, Rate rate) throws IOException {
        Found found;
        try {
            found = look(file);
        } catch (MediaException e) {
            return byMarks(file, target, container, rate, e);
        }
        if (found.frames == 0) {
            throw new MediaException(WORDS.say("noFrameStandsWholeInIt", file.getFileName(), found.why), 0);
        }
        MovieCopy.Result copied = MovieCopy.copy(List.of(new MovieCopy.Piece(file, FrameRange.of(0, found.frames - 1))),
                new MovieCopy.Target(target, container, null, null, null, false));
        return new Recovered(copied.frames(), found.why == null ? WORDS.say("theFileIsWhole") : WORDS.say("upToWhere", found.why));
    }

    private static Recovered byMarks(Path file, Path target, Container container, Rate rate, MediaException why) throws IOException {
        List<Marked> frames = new ArrayList<>();
        int codec = AV_CODEC_ID_PRORES;
        try (FileChannel channel = FileChannel.open(file)) {
            proRes(channel, frames);
            if (frames.isEmpty()) {
                codec = AV_CODEC_ID_MJPEG;
                jpeg(channel, frames);
            }
            if (frames.isEmpty()) {
                throw new MediaException(WORDS.say("cantBeOpenedItsIndexIsGone", file.getFileName(), why.getMessage()), 0);
            }
            write(channel, frames, codec, target, container, rate);
        }
        long whole = look(target).frames();
        return new Recovered(whole,
                WORDS.say("byTheMarksOfItsFramesSince", rate.label()));
    }

    private static void proRes(FileChannel channel, List<Marked> frames) throws IOException {
        each(channel, 8, (bytes, i) -> bytes.getInt(i + 4) == PRORES, at -> {
            ByteBuffer head = read(channel, at, 8);
            int length = head.getInt(0);
            if (length > 28 && length < LARGEST && at + length <= channel.size()) {
                frames.add(new Marked(at, length));
                return at + length;
            }
            return at + 4;
        });
    }

    private static void jpeg(FileChannel channel, List<Marked> frames) throws IOException {
        long[] begun = {-1};
        each(channel, 3,
                (bytes, i) -> bytes.get(i) == (byte) 0xff
                        && ((bytes.get(i + 1) & 0xff) == 0xd8 && bytes.get(i + 2) == (byte) 0xff || (bytes.get(i + 1) & 0xff) == 0xd9),
                at -> {
                    boolean start = (read(channel, at + 1, 1).get(0) & 0xff) == 0xd8;
                    if (start) {
                        begun[0] = at;
                    } else if (begun[0] >= 0 && at + 2 - begun[0] < LARGEST) {
                        frames.add(new Marked(begun[0], (int) (at + 2 - begun[0])));
                        begun[0] = -1;
                    }
                    return at + 2;
                });
    }

    private interface Mark {
        boolean at(ByteBuffer bytes, int index);
    }

    private interface Taken {
        /** @return where to look on */
        long at(long place) throws IOException;
    }

    private static void each(FileChannel channel, int width, Mark mark, Taken taken) throws IOException {
        long at = 0;
        while (at < channel.size() - width) {
            ByteBuffer window = read(channel, at, (int) Math.min(WINDOW, channel.size() - at));
            int last = window.limit() - width;
            long next = -1;
            for (int i = 0; i <= last; i++) {
                if (mark.at(window, i)) {
                    next = taken.at(at + i);
                    break;
                }
            }
            at = next >= 0 ? next : at + last + 1;
        }
    }

    private static ByteBuffer read(FileChannel channel, long at, int length) throws IOException {
        ByteBuffer bytes = ByteBuffer.allocate(length);
        while (bytes.hasRemaining() && channel.read(bytes, at + bytes.position()) >= 0) {
            // reads on until all of it is there
        }
        return bytes.flip();
    }

    private static void write(FileChannel channel, List<Marked> frames, int codec, Path target, Container container, Rate rate)
            throws IOException {
        AVCodecParameters track = track(channel, frames.getFirst(), codec);
        AVPacket packet = av_packet_alloc();
        try (Muxer muxer = new Muxer(container, target, rate)) {
            muxer.track(track, PixelAspect.SQUARE).start(Map.of());
            for (int i = 0; i < frames.size(); i++) {
                Marked frame = frames.get(i);
                Av.check(av_new_packet(packet, frame.bytes), "A frame");
                packet.data().put(read(channel, frame.at, frame.bytes).array(), 0, frame.bytes);
                packet.pts(i).dts(i).duration(1).flags(Av.PACKET_KEY);
                muxer.write(packet);
                av_packet_unref(packet);
            }
            muxer.finish();
        } finally {
            av_packet_free(packet);
            avcodec_parameters_free(track);
        }
    }

    private static AVCodecParameters track(FileChannel channel, Marked first, int codec) throws IOException {
        AVCodecParameters track = avcodec_parameters_alloc();
        track.codec_type(AVMEDIA_TYPE_VIDEO).codec_id(codec);
        ByteBuffer frame = read(channel, first.at, first.bytes);
        if (codec == AV_CODEC_ID_PRORES) {
            // SMPTE RDD 36: which of the kinds of one chroma it was isn't written in a frame.
            boolean full = (frame.get(20) & 0xff) >> 6 == 3;
            track.width(frame.getShort(16) & 0xffff).height(frame.getShort(18) & 0xffff).codec_tag(full ? AP4H : APCH);
            return track;
        }
        for (int i = 2; i + 9 < frame.limit() && frame.get(i) == (byte) 0xff;) {
            int marker = frame.get(i + 1) & 0xff;
            if (marker >= 0xc0 && marker <= 0xc2) {
                return track.height(frame.getShort(i + 5) & 0xffff).width(frame.getShort(i + 7) & 0xffff);
            }
            i += 2 + (frame.getShort(i + 2) & 0xffff);
        }
        throw new MediaException(WORDS.say("theFirstJPEGPictureDoesnt"), 0);
    }
}
