package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_CAP_DELAY;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_FLAG_GLOBAL_HEADER;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_encoder_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_free_context;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_frame;
import static org.bytedeco.ffmpeg.global.avutil.AV_CHANNEL_ORDER_UNSPEC;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLTP;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S16;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_S32;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_get_buffer;
import static org.bytedeco.ffmpeg.global.swresample.swr_alloc_set_opts2;
import static org.bytedeco.ffmpeg.global.swresample.swr_convert;
import static org.bytedeco.ffmpeg.global.swresample.swr_free;
import static org.bytedeco.ffmpeg.global.swresample.swr_init;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.lib.PacketDrain;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.SequenceInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.FloatBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.swresample.SwrContext;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.PointerPointer;

/** Packs a {@link SoundMix} block by block, as far as somebody asks. Times are in samples. Belongs to one thread. */
public final class SoundEncoder implements AutoCloseable {

    private static final Words WORDS = Words.of(SoundEncoder.class);

    /** Where a codec leaves the length of its blocks open. */
    private static final int USUAL_BLOCK = 1024;

    private final DataInputStream mix;
    /** Of the mix. */
    private final int channelsIn;
    private final int channels;
    /** What goes where; null where all channels go on as they are. */
    private final ChannelMap map;
    private final boolean placed;
    private final long samplesInAll;
    private final AVCodecContext context;
    private final SwrContext converter = new SwrContext(null);
    private final PacketDrain packets = new PacketDrain();
    private final int lead;
    private final byte[] block;
    private final BytePointer samples;
    private long done;
    private boolean flushed;

    /** @param track which of its tracks, from 0 */
    public SoundEncoder(WovenSound sound, int track) throws IOException {
        SoundCodec codec = sound.codec();
        channelsIn = sound.channels();
        map = sound.tracks().isEmpty() ? null : sound.tracks().get(track);
        channels = map == null ? channelsIn : map.from().size();
        // A track that was put together is mono or a pair, or its channels have no places.
        placed = map == null ? sound.placed() : channels <= 2;
        samplesInAll = sound.samples();
        AVCodec encoder = avcodec_find_encoder_by_name(switch (codec) {
            case OPUS -> "libopus";
            case MP3 -> "libmp3lame";
            default -> codec.reportedName();
        });
        if (encoder == null || encoder.isNull()) {
            throw new MediaException(WORDS.say("thisBuildHasNoEncoderFor", codec.title()), 0);
        }
        context = avcodec_alloc_context3(encoder);
        context.sample_rate(SoundCodec.RATE).sample_fmt(switch (codec) {
            case AAC, MP3, AC3 -> AV_SAMPLE_FMT_FLTP;
            case OPUS -> AV_SAMPLE_FMT_FLT;
            case PCM_16, MP2 -> AV_SAMPLE_FMT_S16;
            case PCM_24, FLAC -> AV_SAMPLE_FMT_S32;
        }).bit_rate(codec.bitsPerSecond(channels)).time_base(Av.fraction(Rational.of(1, SoundCodec.RATE)));
        context.bits_per_raw_sample(codec == SoundCodec.FLAC ? 24 : 0);
        context.flags(context.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
        layout(context.ch_layout());
        try {
            AVDictionary options = Av.options(Map.of());
            Av.check(avcodec_open2(context, encoder, options), codec.title());
            Av.check(swr_alloc_set_opts2(converter, context.ch_layout(), context.sample_fmt(), SoundCodec.RATE, context.ch_layout(),
                    AV_SAMPLE_FMT_FLT, SoundCodec.RATE, 0, null), WORDS.say("sound"));
            Av.check(swr_init(converter), WORDS.say("sound"));
        } catch (MediaException e) {
            avcodec_free_context(context);
            swr_free(converter);
            packets.close();
            throw e;
        }
        lead = lead(context.initial_padding(), context.frame_size());
        done = -lead;
        mix = new DataInputStream(new SequenceInputStream(new ByteArrayInputStream(new byte[lead * channelsIn * 4]),
                new BufferedInputStream(Files.newInputStream(sound.mix()), 1 << 16)));
        int most = context.frame_size() > 0 ? context.frame_size() : USUAL_BLOCK;
        block = new byte[most * channelsIn * 4];
        samples = new BytePointer((long) most * channels * 4);
    }

    /**
     * Silence in front, so that what an encoder puts before the first sample fills whole packets: players rightly drop a packet that lies
     * before the beginning, but some cut one twice that begins there and is played in part.
     */
    private static int lead(int padding, int block) {
        return padding == 0 || block == 0 ? 0 : Math.floorMod(-padding, block);
    }

    private void layout(AVChannelLayout layout) {
        if (placed) {
            av_channel_layout_default(layout, channels);
        } else {
            layout.order(AV_CHANNEL_ORDER_UNSPEC).nb_channels(channels);
        }
    }

    public AVCodecContext context() {
        return context;
    }

    /** How many samples of its packets are to be dropped before the first one is heard. */
    public int padding() {
        return context.initial_padding() + lead;
    }

    /** Hands on packets until all samples before {@code sample} are packed; past the end, the last ones too. */
    public void until(long sample, Consumer<AVPacket> sink) throws IOException {
        while (!flushed && done < sample) {
            int wanted = (int) Math.min(block.length, (samplesInAll - done) * channelsIn * 4);
            int read = mix.readNBytes(block, 0, wanted);
            int count = read / (channelsIn * 4);
            if (read == block.length) {
                send(count, sink);
                continue;
            }
            flushed = true;
            Arrays.fill(block, read, block.length, (byte) 0);
            last(count, sink);
            Av.check(avcodec_send_frame(context, null), WORDS.say("packingTheLastOfTheSound"));
            packets.drain(context, WORDS.say("packingSound"), sink);
        }
    }

    /** The last samples. An encoder that holds some back, and isn't asked for them at its end, gets silence behind them. */
    private void last(int count, Consumer<AVPacket> sink) {
        boolean asked = (context.codec().capabilities() & AV_CODEC_CAP_DELAY) != 0;
        int most = block.length / (channelsIn * 4);
        for (int rest = count + (asked ? 0 : context.initial_padding()); rest > 0; rest -= most) {
            send(Math.min(rest, most), sink);
            Arrays.fill(block, (byte) 0);
        }
    }

    /** The samples of the track's own channels, out of those of a block. */
    private byte[] taken(int count) {
        if (map == null) {
            return block;
        }
        FloatBuffer in = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer();
        ByteBuffer out = ByteBuffer.allocate(count * channels * 4).order(ByteOrder.LITTLE_ENDIAN);
        float[] moment = new float[channelsIn];
        for (int i = 0; i < count; i++) {
            in.get(moment);
            for (int c = 0; c < channels; c++) {
                out.putFloat(map.sample(c, moment));
            }
        }
        return out.array();
    }

    private void send(int count, Consumer<AVPacket> sink) {
        AVFrame frame = av_frame_alloc();
        try (PointerPointer<BytePointer> from = new PointerPointer<BytePointer>(1).put(samples)) {
            frame.nb_samples(count).format(context.sample_fmt()).sample_rate(SoundCodec.RATE);
            layout(frame.ch_layout());
            Av.check(av_frame_get_buffer(frame, 0), WORDS.say("noMemoryForSound"));
            samples.position(0).put(taken(count), 0, count * channels * 4);
            Av.check(swr_convert(converter, frame.extended_data(), count, from, count), WORDS.say("sound"));
            frame.pts(done);
            done += count;
            Av.check(avcodec_send_frame(context, frame), WORDS.say("packingSound"));
        } finally {
            av_frame_free(frame);
        }
        packets.drain(context, WORDS.say("packingSound"), sink);
    }

    @Override
    public void close() {
        avcodec_free_context(context);
        swr_free(converter);
        packets.close();
        try {
            mix.close();
        } catch (IOException e) {
            throw new MediaException(WORDS.say("theSoundCantBeLetGoOf", e.getMessage()), 0);
        }
    }
}
