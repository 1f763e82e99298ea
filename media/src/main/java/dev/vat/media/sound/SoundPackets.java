package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avformat.av_find_best_stream;
import static org.bytedeco.ffmpeg.global.avformat.av_read_frame;
import static org.bytedeco.ffmpeg.global.avformat.avformat_close_input;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.Optional;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** The packets of a file's first sound track, or of all of them, as they are. Belongs to one thread. */
public final class SoundPackets implements AutoCloseable {

    private static final Words WORDS = Words.of(SoundPackets.class);

    private final AVFormatContext context = new AVFormatContext(null);
    private final AVStream stream;
    private final boolean all;

    public SoundPackets(Path file) {
        this(file, false);
    }

    /** @param all whether packets of all sound tracks are handed on, and not of the first one alone */
    public SoundPackets(Path file, boolean all) {
        this.all = all;
        try {
            SoundFile.open(context, file);
            stream = context.streams(Av.check(av_find_best_stream(context, AVMEDIA_TYPE_AUDIO, -1, -1, (AVCodec) null, 0),
                    WORDS.say("holdsNoSound", file.getFileName())));
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    public AVStream stream() {
        return stream;
    }

    /** What the library calls the kind of file. */
    public String format() {
        return Av.string(context.iformat().name(), "unknown");
    }

    /** What the file says of itself under a name of the library's. */
    public Optional<String> metadata(String name) {
        AVDictionaryEntry entry = av_dict_get(context.metadata(), name, null, 0);
        return entry == null || entry.isNull() ? Optional.empty() : Optional.of(Av.string(entry.value(), ""));
    }

    public AVRational timeBase() {
        return stream.time_base();
    }

    /** Reads the next one, which the caller lets go of; false at the end. */
    public boolean next(AVPacket packet) {
        while (true) {
            int result = av_read_frame(context, packet);
            if (result == Av.EOF) {
                return false;
            }
            Av.check(result, WORDS.say("reading"));
            if (all ? isSound(packet.stream_index()) : packet.stream_index() == stream.index()) {
                return true;
            }
            av_packet_unref(packet);
        }
    }

    private boolean isSound(int index) {
        return context.streams(index).codecpar().codec_type() == AVMEDIA_TYPE_AUDIO;
    }

    /** The clock of the track that a packet belongs to. */
    public AVRational timeBase(AVPacket packet) {
        return context.streams(packet.stream_index()).time_base();
    }

    @Override
    public void close() {
        avformat_close_input(context);
    }
}
