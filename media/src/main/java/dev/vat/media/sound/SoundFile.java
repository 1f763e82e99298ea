package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avformat.AVFMT_DURATION_FROM_BITRATE;
import static org.bytedeco.ffmpeg.global.avformat.av_find_input_format;
import static org.bytedeco.ffmpeg.global.avformat.avformat_find_stream_info;
import static org.bytedeco.ffmpeg.global.avformat.avformat_open_input;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_free;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avutil.AVDictionary;

/** Opens files for their sound, by way of a reader of our own where the library takes a kind for another. */
final class SoundFile {

    private static final Words WORDS = Words.of(SoundFile.class);

    private final WavHeader header;

    private SoundFile(WavHeader header) {
        this.header = header;
    }

    /** @throws MediaException if it can't be opened, or isn't of a kind that is read */
    static SoundFile open(AVFormatContext context, Path file) {
        WavHeader header;
        try {
            header = WavHeader.of(file).orElse(null);
            if (header == null || !header.bigEndian()) {
                Av.check(avformat_open_input(context, file.toString(), null, null), WORDS.say("opening", file.getFileName()));
            } else {
                openSamples(context, file, header);
            }
        } catch (IOException e) {
            throw new MediaException(WORDS.say("opening2", file.getFileName(), e.getMessage()), 0);
        }
        Av.check(avformat_find_stream_info(context, (AVDictionary) null), WORDS.say("reading", file.getFileName()));
        return new SoundFile(header);
    }

    private static void openSamples(AVFormatContext context, Path file, WavHeader header) throws IOException {
        AVDictionary options = Av.options(Map.of("sample_rate", Integer.toString(header.rate()), "ch_layout", header.channels() + "c"));
        String samples = "subfile,,start," + header.start() + ",end," + header.end() + ",,:" + file;
        int result = avformat_open_input(context, samples, av_find_input_format(header.samples()), options);
        av_dict_free(options);
        Av.check(result, WORDS.say("opening", file.getFileName()));
    }

    /** What the container is called. */
    String container(AVFormatContext context) {
        return header == null ? Av.string(context.iformat().name(), "unknown") : "wav";
    }

    /** How long its header says it is; empty where none says it, so that a length is guessed from bytes and bit rate. */
    Optional<Rational> stated(AVFormatContext context) {
        if (header != null) {
            return header.stated();
        }
        boolean guessed = context.duration() <= 0 || context.duration_estimation_method() == AVFMT_DURATION_FROM_BITRATE;
        return guessed ? Optional.empty() : Optional.of(Rational.of(context.duration(), 1_000_000));
    }
}
