package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_free;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avformat.AVFMT_TS_DISCONT;
import static org.bytedeco.ffmpeg.global.avformat.AVSEEK_FLAG_BACKWARD;
import static org.bytedeco.ffmpeg.global.avformat.AVSEEK_FLAG_BYTE;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avformat.av_seek_frame;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avformat.avformat_find_stream_info;
import static org.bytedeco.ffmpeg.global.avformat.avformat_open_input;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;

/** Reads the packets of a movie file's picture track. Belongs to one thread. */
public final class Demuxer implements AutoCloseable {

    private static final Words WORDS = Words.of(Demuxer.class);

    public interface PacketSink {
        void take(AVPacket packet);
    }

    private final AVFormatContext context = new AVFormatContext(null);
    private final AVPacket packet = av_packet_alloc();
    private final AVStream stream;

    public Demuxer(Path file) {
        try {
            Av.check(avformat_open_input(context, file.toString(), null, null), WORDS.say("opening", file.getFileName()));
            Av.check(avformat_find_stream_info(context, (AVDictionary) null), WORDS.say("reading", file.getFileName()));
            int index = Av.check(av_find_best_stream(context, AVMEDIA_TYPE_VIDEO, -1, -1, (AVCodec) null, 0),
                    WORDS.say("holdsNoPictureTrack", file.getFileName()));
            stream = context.streams(index);
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    public AVFormatContext context() {
        return context;
    }

    public AVStream stream() {
        return stream;
    }

    /** A text field of the picture track or the whole file. */
    public Optional<String> metadata(String key) {
        for (AVDictionary dictionary : new AVDictionary[] {stream.metadata(), context.metadata()}) {
            AVDictionaryEntry entry = dictionary == null ? null : av_dict_get(dictionary, key, null, 0);
            if (entry != null && !entry.isNull()) {
                return Optional.of(Av.string(entry.value(), ""));
            }
        }
        for (int i = 0; i < context.nb_streams(); i++) {
            AVDictionaryEntry entry = av_dict_get(context.streams(i).metadata(), key, null, 0);
            if (entry != null && !entry.isNull()) {
                return Optional.of(Av.string(entry.value(), ""));
            }
        }
        return Optional.empty();
    }

    /** How long the picture lasts as the container says it, or the whole file where it doesn't say it of tracks. */
    public Rational seconds() {
        return stream.duration() > 0 ? Av.rational(stream.time_base()).times(stream.duration())
                : Rational.of(Math.max(0, context.duration()), 1_000_000);
    }

    /** Whether it is a stream as it is sent, with start codes before what belongs together. */
    public boolean isSent() {
        return (context.iformat().flags() & AVFMT_TS_DISCONT) != 0;
    }

    public int soundTracks() {
        return sounds().size();
    }

    /** Its sound tracks, in their order. */
    public List<AVStream> sounds() {
        List<AVStream> sounds = new ArrayList<>();
        for (int i = 0; i < context.nb_streams(); i++) {
            if (context.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_AUDIO) {
                sounds.add(context.streams(i));
            }
        }
        return sounds;
    }

    /** Hands on the next packet of the picture track; false at the end of the file. */
    public boolean next(PacketSink sink) {
        while (true) {
            int result = av_read_frame(context, packet);
            if (result == Av.EOF) {
                return false;
            }
            Av.check(result, WORDS.say("reading2"));
            try {
                if (packet.stream_index() == stream.index()) {
                    sink.take(packet);
                    return true;
                }
            } finally {
                av_packet_unref(packet);
            }
        }
    }

    /** Goes to the last self-contained frame at or before a time, given in the track's own time base. */
    void seek(long time) {
        Av.check(av_seek_frame(context, stream.index(), time, AVSEEK_FLAG_BACKWARD), WORDS.say("seeking"));
    }

    /**
     * Goes to the start of the file. Streams without an index are gone through by bytes: looked up by time, their first group is missed
     * where its coding times lie before the time that is asked for.
     */
    void seekStart(long first) {
        if (isSent()) {
            Av.check(av_seek_frame(context, -1, 0, AVSEEK_FLAG_BYTE), WORDS.say("seeking"));
        } else {
            seek(first);
        }
    }

    @Override
    public void close() {
        avformat_close_input(context);
        av_packet_free(packet);
    }
}
