package dev.vat.bench;

import static org.bytedeco.ffmpeg.global.avcodec.*;
import static org.bytedeco.ffmpeg.global.avfilter.*;
import static org.bytedeco.ffmpeg.global.avformat.*;
import static org.bytedeco.ffmpeg.global.avutil.*;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.run.RunSource;
import dev.vat.core.run.RunSpan;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.bytedeco.ffmpeg.avcodec.AVCodec;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avfilter.AVFilterInOut;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVIOContext;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/**
 * What the engine is measured against: the same library, decoders, conversions, encoder settings, threads and part
 * boundaries, and nothing else. Decode, convert, encode, mux; no checks, no journal, no fingerprints, no care for errors
 * beyond stopping. Written straight against the library, sharing no code with the media module.
 */
final class BareLoop {

    private static final int QUEUE = 3;
    private static final AVFrame END = new AVFrame();

    private final RunPlan plan;
    private final Path out;
    private final int decodeThreads;

    BareLoop(RunPlan plan, Path out) {
        this.plan = plan;
        this.out = out;
        this.decodeThreads = Math.clamp(Runtime.getRuntime().availableProcessors(), 1, 4);
    }

    static int check(int result) {
        if (result < 0) {
            throw new IllegalStateException("the library answered " + result);
        }
        return result;
    }

    /** Decodes every frame once and gives it to one encoder per file of the plan. */
    void run() throws Exception {
        List<BlockingQueue<AVFrame>> queues = new ArrayList<>();
        List<Future<?>> lanes = new ArrayList<>();
        try (ExecutorService pool = Executors.newFixedThreadPool(plan.files().size());
                ExecutorService decoders = Executors.newFixedThreadPool(decodeThreads)) {
            for (RunFile file : plan.files()) {
                BlockingQueue<AVFrame> queue = new ArrayBlockingQueue<>(QUEUE);
                queues.add(queue);
                lanes.add(pool.submit(() -> {
                    lane(file, queue);
                    return null;
                }));
            }
            ThreadLocal<Decoder> own = ThreadLocal.withInitial(Decoder::new);
            Deque<Future<AVFrame>> ahead = new ArrayDeque<>();
            long asked = 0;
            for (long i = 0; i < plan.frames(); i++) {
                for (; ahead.size() < 2 * decodeThreads && asked < plan.frames(); asked++) {
                    Path path = fileOf(asked);
                    ahead.add(decoders.submit((Callable<AVFrame>) () -> own.get().decode(Files.readAllBytes(path))));
                }
                AVFrame frame = ahead.remove().get();
                for (int lane = 0; lane < queues.size(); lane++) {
                    while (!queues.get(lane).offer(av_frame_clone(frame), 1, TimeUnit.SECONDS)) {
                        if (lanes.get(lane).isDone()) {
                            // It has failed: this says why, and nothing else of the process is waited for.
                            pool.shutdownNow();
                            lanes.get(lane).get();
                        }
                    }
                }
                av_frame_free(frame);
            }
            for (BlockingQueue<AVFrame> queue : queues) {
                queue.put(END);
            }
            for (Future<?> lane : lanes) {
                lane.get();
            }
        }
    }

    private Path fileOf(long reelFrame) {
        RunSpan span = plan.spans().getFirst();
        RunSource source = plan.sources().get(span.source());
        return Path.of(source.folder()).resolve(source.pattern().fileName(span.first() + reelFrame * span.step()));
    }

    /** One single-threaded PNG decoder with the filter that makes planar RGB of its frames. */
    private static final class Decoder {
        private final AVCodecContext context;
        private final AVPacket packet = av_packet_alloc();
        private Chain planar;

        Decoder() {
            AVCodec codec = avcodec_find_decoder(AV_CODEC_ID_PNG);
            context = avcodec_alloc_context3(codec);
            context.thread_count(1);
            AVDictionary options = new AVDictionary(null);
            av_dict_set(options, "err_detect", "crccheck+bitstream+buffer+explode", 0);
            check(avcodec_open2(context, codec, options));
        }

        AVFrame decode(byte[] data) {
            check(av_new_packet(packet, data.length));
            packet.data().put(data, 0, data.length);
            packet.flags(1);
            check(avcodec_send_packet(context, packet));
            av_packet_unref(packet);
            AVFrame frame = av_frame_alloc();
            check(avcodec_receive_frame(context, frame));
            if (planar == null) {
                planar = new Chain(frame, "setparams=range=pc:colorspace=gbr,format=gbrp16le,"
                        + "setparams=range=pc:colorspace=gbr:color_primaries=bt709:color_trc=bt709");
            }
            AVFrame result = planar.apply(frame);
            av_frame_free(frame);
            return result;
        }
    }

    private static final class Chain {
        private final AVFilterContext source;
        private final AVFilterContext sink;
        private long pushed;

        Chain(AVFrame f, String chain) {
            AVFilterGraph graph = avfilter_graph_alloc();
            graph.nb_threads(1);
            String text = "buffer@in=video_size=" + f.width() + "x" + f.height() + ":pix_fmt=" + av_get_pix_fmt_name(f.format()).getString()
                    + ":time_base=1/25:pixel_aspect=1/1:colorspace=" + f.colorspace() + ":range=" + f.color_range() + ":alpha_mode="
                    + f.alpha_mode() + "," + chain + ",buffersink@out";
            check(avfilter_graph_parse2(graph, text, new AVFilterInOut(null), new AVFilterInOut(null)));
            check(avfilter_graph_config(graph, null));
            source = avfilter_graph_get_filter(graph, "buffer@in");
            sink = avfilter_graph_get_filter(graph, "buffersink@out");
        }

        AVFrame apply(AVFrame frame) {
            frame.pts(pushed++);
            check(av_buffersrc_add_frame_flags(source, frame, AV_BUFFERSRC_FLAG_KEEP_REF));
            AVFrame result = av_frame_alloc();
            check(av_buffersink_get_frame(sink, result));
            return result;
        }
    }

    private void lane(RunFile file, BlockingQueue<AVFrame> queue) throws IOException, InterruptedException {
        Chain conversion = null;
        String format = (file.expected().alphaBits() > 0 ? "yuva" : "yuv") + file.expected().chroma().label().replace(":", "") + "p"
                + (file.expected().codedBits() > 8 ? file.expected().codedBits() + "le" : "");
        for (RunPart part : file.parts()) {
            Path path = out.resolve(file.target() + "-" + part.index() + ".mov");
            Output output = new Output(file, format, path);
            for (long i = 0; i < part.count(); i++) {
                AVFrame frame = queue.take();
                if (conversion == null) {
                    conversion = new Chain(frame,
                            "zscale=matrixin=gbr:rangein=full:matrix=709:range=limited:dither=error_diffusion,format=" + format
                                    + ",setparams=range=tv:colorspace=bt709:color_primaries=bt709:color_trc=bt709");
                }
                AVFrame converted = conversion.apply(frame);
                av_frame_free(frame);
                output.encode(converted);
                av_frame_free(converted);
            }
            output.close();
        }
        while (queue.take() != END) {
            throw new IllegalStateException("more frames than parts");
        }
    }

    /** One encoder and muxer. */
    private final class Output {
        private final AVCodecContext encoder;
        private final AVFormatContext muxer = new AVFormatContext(null);
        private final AVStream stream;
        private final AVPacket packet = av_packet_alloc();
        private long frames;

        Output(RunFile file, String format, Path path) {
            AVCodec codec = avcodec_find_encoder_by_name(file.expected().codec().equals("h264") ? "libx264" : "prores_ks");
            encoder = avcodec_alloc_context3(codec);
            encoder.width(plan.size().width()).height(plan.size().height()).pix_fmt(av_get_pix_fmt(format))
                    .time_base(av_make_q(1, 25)).framerate(av_make_q(25, 1)).sample_aspect_ratio(av_make_q(1, 1))
                    .color_range(AVCOL_RANGE_MPEG).colorspace(AVCOL_SPC_BT709).color_primaries(AVCOL_PRI_BT709).color_trc(AVCOL_TRC_BT709)
                    .chroma_sample_location(AVCHROMA_LOC_LEFT).thread_count(file.threads());
            if (format.startsWith("yuva")) {
                encoder.alpha_mode(AVALPHA_MODE_STRAIGHT);
            }
            AVDictionary options = new AVDictionary(null);
            for (Map.Entry<String, String> option : file.options().entrySet()) {
                av_dict_set(options, option.getKey(),
                        option.getKey().equals("flags") ? option.getValue() + "+global_header" : option.getValue(), 0);
            }
            if (!file.options().containsKey("flags")) {
                encoder.flags(encoder.flags() | AV_CODEC_FLAG_GLOBAL_HEADER);
            }
            check(avcodec_open2(encoder, codec, options));
            check(avformat_alloc_output_context2(muxer, null, "mov", path.toString()));
            stream = avformat_new_stream(muxer, null);
            stream.time_base(av_make_q(1, 25));
            check(avcodec_parameters_from_context(stream.codecpar(), encoder));
            AVIOContext io = new AVIOContext(null);
            check(avio_open(io, path.toString(), AVIO_FLAG_WRITE));
            muxer.pb(io);
            check(avformat_write_header(muxer, new AVDictionary(null)));
        }

        void encode(AVFrame frame) {
            if (frame != null) {
                frame.pts(frames++);
                frame.pict_type(AV_PICTURE_TYPE_NONE);
                frame.flags(frame.flags() & ~2);
            }
            check(avcodec_send_frame(encoder, frame));
            while (avcodec_receive_packet(encoder, packet) == 0) {
                packet.duration(1);
                av_packet_rescale_ts(packet, encoder.time_base(), stream.time_base());
                check(av_interleaved_write_frame(muxer, packet));
            }
        }

        void close() {
            encode(null);
            check(av_write_trailer(muxer));
            check(avio_closep(muxer.pb()));
            avformat_free_context(muxer);
            avcodec_free_context(encoder);
        }
    }
}
