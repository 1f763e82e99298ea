package dev.vat.media.filter;

import static org.bytedeco.ffmpeg.global.avfilter.AV_BUFFERSRC_FLAG_KEEP_REF;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersink_get_frame;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersrc_add_frame_flags;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_alloc;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_config;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_free;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_get_filter;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_parse2;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avfilter.AVFilterInOut;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/**
 * A chain of the library's filters for pictures of one kind, written as text: one picture in, one picture out. Belongs to
 * one thread.
 */
final class Graph implements AutoCloseable {

    private static final Words WORDS = Words.of(Graph.class);

    /** What a graph is built for; a picture that differs needs another graph. */
    record Kind(int width, int height, int format, int colorspace, int range, int alphaMode, int primaries, int transfer) {
        static Kind of(AVFrame f) {
            return new Kind(f.width(), f.height(), f.format(), f.colorspace(), f.color_range(), f.alpha_mode(),
                    f.color_primaries(), f.color_trc());
        }
    }

    private final AVFilterGraph graph;
    private final AVFilterContext source;
    private final AVFilterContext sink;
    private final String chain;
    private long pushed;

    Graph(AVFrame example, String chain) {
        this.chain = chain;
        graph = avfilter_graph_alloc();
        graph.nb_threads(1);
        String text = "buffer@in=video_size=" + example.width() + "x" + example.height() + ":pix_fmt="
                + Av.formatName(example.format()) + ":time_base=1/25:pixel_aspect=1/1:colorspace=" + example.colorspace()
                + ":range=" + example.color_range() + ":alpha_mode=" + example.alpha_mode() + "," + chain
                + ",buffersink@out";
        try {
            Av.check(avfilter_graph_parse2(graph, text, new AVFilterInOut(null), new AVFilterInOut(null)), chain);
            Av.check(avfilter_graph_config(graph, null), chain);
            source = filter("buffer@in");
            sink = filter("buffersink@out");
        } catch (MediaException e) {
            close();
            throw e;
        }
    }

    private AVFilterContext filter(String name) {
        AVFilterContext found = avfilter_graph_get_filter(graph, name);
        if (found == null || found.isNull()) {
            throw new MediaException(WORDS.say("noFilterIn", name, chain), 0);
        }
        return found;
    }

    Picture apply(Picture picture) {
        Picture out = offer(picture);
        if (out == null) {
            throw new MediaException(chain + ": " + Av.text(Av.EAGAIN), Av.EAGAIN);
        }
        return out;
    }

    /** Null if the chain wants more pictures before it gives one. */
    Picture offer(Picture picture) {
        AVFrame in = picture.frame();
        long pts = in.pts();
        in.pts(pushed++);
        int result = av_buffersrc_add_frame_flags(source, in, AV_BUFFERSRC_FLAG_KEEP_REF);
        in.pts(pts);
        Av.check(result, chain);
        AVFrame out = av_frame_alloc();
        result = av_buffersink_get_frame(sink, out);
        if (result == Av.EAGAIN) {
            av_frame_free(out);
            return null;
        }
        if (result < 0) {
            av_frame_free(out);
            throw new MediaException(chain + ": " + Av.text(result), result);
        }
        return Picture.owning(out);
    }

    @Override
    public void close() {
        avfilter_graph_free(graph);
    }
}
