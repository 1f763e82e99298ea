package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avfilter.av_buffersink_get_frame;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersrc_add_frame;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_alloc;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_config;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_free;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_get_filter;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_parse2;
import static org.bytedeco.ffmpeg.global.avutil.AV_CHANNEL_ORDER_UNSPEC;
import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_default;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_get_buffer;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.proof.Loudness;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avfilter.AVFilterInOut;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.BytePointer;

/** Measures how loud sound is, by the library's own meter after EBU R 128. Belongs to one thread. */
public final class LoudnessMeter extends OutputStream {

    private static final Words WORDS = Words.of(LoudnessMeter.class);

    /** Below this nothing counts: what the meter says where it heard nothing else. */
    private static final double GATE = -70;
    private static final int BLOCK = 4800;

    private final int channels;
    private final AVFilterGraph graph = avfilter_graph_alloc();
    private final byte[] single;
    private int singles;
    private final AVFilterContext source;
    private final AVFilterContext sink;
    private final long from;
    private final long to;
    private long passed;
    private long samples;
    private double integrated = GATE;
    private double range;
    private double peak;
    private double momentary = GATE;
    private double shortTerm = GATE;

    private LoudnessMeter(int channels, long from, long to) {
        this.channels = channels;
        this.single = new byte[channels * SoundMix.SAMPLE_BYTES];
        this.from = from;
        this.to = to;
        graph.nb_threads(1);
        String text = "abuffer@in=sample_rate=" + SoundCodec.RATE + ":sample_fmt=flt:channel_layout=" + layout(channels) + ":time_base=1/"
                + SoundCodec.RATE
                + ",ebur128=peak=true:metadata=1:framelog=quiet,abuffersink@out";
        try {
            Av.check(avfilter_graph_parse2(graph, text, new AVFilterInOut(null), new AVFilterInOut(null)), WORDS.say("loudness"));
            Av.check(avfilter_graph_config(graph, null), WORDS.say("loudness"));
        } catch (MediaException e) {
            avfilter_graph_free(graph);
            throw e;
        }
        source = avfilter_graph_get_filter(graph, "abuffer@in");
        sink = avfilter_graph_get_filter(graph, "abuffersink@out");
    }

    /** That of their number: what is placed where counts for how loud it is. */
    private static String layout(int channels) {
        try (AVChannelLayout layout = new AVChannelLayout()) {
            av_channel_layout_default(layout, channels);
            return layout.order() == AV_CHANNEL_ORDER_UNSPEC ? channels + "c" : ChannelNames.of(layout);
        }
    }

    /** Of all of a file's first sound track. @throws MediaException if the file has no sound, or it can't be decoded */
    public static Loudness of(Path file, int channels) throws IOException {
        return of(file, channels, 0, Long.MAX_VALUE);
    }

    /** Of some of it. @param from first sample, at 48 kHz @param to the sample after the last */
    public static Loudness of(Path file, int channels, long from, long to) throws IOException {
        try (ResampledSound sound = new ResampledSound(file, channels, AV_SAMPLE_FMT_FLT);
                LoudnessMeter meter = new LoudnessMeter(channels, from, to);
                BufferedOutputStream blocks = new BufferedOutputStream(meter, BLOCK * channels * 4)) {
            sound.copyTo(blocks, () -> false);
            blocks.flush();
            meter.end();
            return meter.found();
        }
    }

    /**
     * Of some of a file whose channels are shared out among several tracks: of all of them, as they were together.
     *
     * @param tracks which channels each has
     * @param channels of the reel
     */
    public static Loudness of(Path file, List<ChannelMap> tracks, int channels, long from, long to) throws IOException {
        try (TrackedSound sound = new TrackedSound(file, tracks, channels);
                LoudnessMeter meter = new LoudnessMeter(Math.max(1, sound.channels()), from, to)) {
            sound.copyTo(meter);
            meter.end();
            return meter.found();
        }
    }

    /** Of some of a {@link SoundMix}. @param from first sample @param to the sample after the last */
    public static Loudness ofMix(Path mix, int channels, long from, long to) throws IOException {
        return ofMix(mix, channels, new BitSet(), from, to);
    }

    /** @param left channels, from 0, that are taken for silent */
    public static Loudness ofMix(Path mix, int channels, BitSet left, long from, long to) throws IOException {
        try (InputStream samples = Files.newInputStream(mix); LoudnessMeter meter = new LoudnessMeter(channels, from, to)) {
            byte[] block = new byte[BLOCK * channels * SoundMix.SAMPLE_BYTES];
            for (int read = samples.readNBytes(block, 0, block.length); read > 0; read = samples.readNBytes(block, 0, block.length)) {
                silence(block, read, channels, left);
                meter.write(block, 0, read);
            }
            meter.end();
            return meter.found();
        }
    }

    private static void silence(byte[] block, int bytes, int channels, BitSet left) {
        for (int sample = 0; !left.isEmpty() && sample < bytes / SoundMix.SAMPLE_BYTES; sample++) {
            if (left.get(sample % channels)) {
                Arrays.fill(block, sample * SoundMix.SAMPLE_BYTES, (sample + 1) * SoundMix.SAMPLE_BYTES, (byte) 0);
            }
        }
    }

    /** Single bytes are taken together until a sample of every channel is whole. */
    @Override
    public void write(int b) {
        single[singles++] = (byte) b;
        if (singles == single.length) {
            singles = 0;
            write(single, 0, single.length);
        }
    }

    @Override
    public void write(byte[] bytes, int start, int length) {
        int frame = channels * 4;
        int all = length / frame;
        int skipped = Math.clamp(from - passed, 0, all);
        int count = Math.clamp(to - passed, 0, all) - skipped;
        passed += all;
        if (count <= 0) {
            return;
        }
        AVFrame block = av_frame_alloc();
        try {
            block.nb_samples(count).format(AV_SAMPLE_FMT_FLT).sample_rate(SoundCodec.RATE);
            av_channel_layout_default(block.ch_layout(), channels);
            Av.check(av_frame_get_buffer(block, 0), WORDS.say("noMemoryForSound"));
            new BytePointer(block.data(0)).capacity((long) count * frame).put(bytes, start + skipped * frame, count * frame);
            block.pts(samples);
            samples += count;
            Av.check(av_buffersrc_add_frame(source, block), WORDS.say("loudness"));
        } finally {
            av_frame_free(block);
        }
        drain();
    }

    private void end() {
        Av.check(av_buffersrc_add_frame(source, null), WORDS.say("loudness"));
        drain();
    }

    private void drain() {
        AVFrame out = av_frame_alloc();
        try {
            while (av_buffersink_get_frame(sink, out) >= 0) {
                integrated = value(out, "lavfi.r128.I", integrated);
                momentary = Math.max(momentary, value(out, "lavfi.r128.M", GATE));
                shortTerm = Math.max(shortTerm, value(out, "lavfi.r128.S", GATE));
                range = value(out, "lavfi.r128.LRA", range);
                for (int channel = 0; channel < channels; channel++) {
                    peak = Math.max(peak, value(out, "lavfi.r128.true_peaks_ch" + channel, 0));
                }
                av_frame_unref(out);
            }
        } finally {
            av_frame_free(out);
        }
    }

    private static double value(AVFrame frame, String key, double otherwise) {
        AVDictionaryEntry entry = av_dict_get(frame.metadata(), key, null, 0);
        double value = entry == null || entry.isNull() ? Double.NaN
                : Double.parseDouble(Av.string(entry.value(), "nan").replace("-inf", "NaN").replace("nan", "NaN"));
        return Double.isNaN(value) ? otherwise : value;
    }

    private Loudness found() {
        return new Loudness(integrated <= GATE ? null : integrated, range, peak <= 0 ? null : 20 * Math.log10(peak),
                momentary <= GATE ? null : momentary, shortTerm <= GATE ? null : shortTerm);
    }

    @Override
    public void close() {
        avfilter_graph_free(graph);
    }
}
