package dev.vat.media.measure;

import static org.bytedeco.ffmpeg.global.avfilter.AV_BUFFERSRC_FLAG_KEEP_REF;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersink_get_frame;
import static org.bytedeco.ffmpeg.global.avfilter.av_buffersrc_add_frame_flags;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_alloc;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_config;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_free;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_get_filter;
import static org.bytedeco.ffmpeg.global.avfilter.avfilter_graph_parse2;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_get;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import org.bytedeco.ffmpeg.avfilter.AVFilterContext;
import org.bytedeco.ffmpeg.avfilter.AVFilterGraph;
import org.bytedeco.ffmpeg.avfilter.AVFilterInOut;
import org.bytedeco.ffmpeg.avutil.AVDictionaryEntry;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/**
 * Compares pictures, above all decoded ones with what their encoder was given, by the library's PSNR and SSIM: of luma, or of all three
 * where there are R, G, B. Belongs to one thread.
 */
public final class Likeness implements AutoCloseable {

    private static final Words WORDS = Words.of(Likeness.class);

    /** Of whole numbers. */
    private static final int MOST_BITS = 16;

    /** @param psnr in dB, positive infinity if not a bit differs @param ssim from 0 to 1 */
    public record Value(double psnr, double ssim) {}

    private final boolean weighed;
    private AVFilterGraph graph;
    private AVFilterContext decodedIn;
    private AVFilterContext givenIn;
    private AVFilterContext sink;
    private boolean rgb;
    private long pairs;

    /** @param weighed whether colours count by their alpha: where it is hard-edged, those under transparent places are gone */
    public Likeness(boolean weighed) {
        this.weighed = weighed;
    }

    /** @param given of the same size */
    public Value compare(Picture decoded, Picture given) {
        if (graph == null) {
            build(decoded, given);
        }
        push(decodedIn, decoded);
        push(givenIn, given);
        pairs++;
        AVFrame out = av_frame_alloc();
        try {
            Av.check(av_buffersink_get_frame(sink, out), WORDS.say("comparingAPicture"));
            return new Value(value(out, rgb ? "lavfi.psnr.psnr_avg" : "lavfi.psnr.psnr.y"),
                    value(out, rgb ? "lavfi.ssim.All" : "lavfi.ssim.Y"));
        } finally {
            av_frame_free(out);
        }
    }

    private void push(AVFilterContext input, Picture picture) {
        long pts = picture.frame().pts();
        picture.frame().pts(pairs);
        int result = av_buffersrc_add_frame_flags(input, picture.frame(), AV_BUFFERSRC_FLAG_KEEP_REF);
        picture.frame().pts(pts);
        Av.check(result, WORDS.say("comparingAPicture"));
    }

    private static double value(AVFrame frame, String key) {
        AVDictionaryEntry entry = av_dict_get(frame.metadata(), key, null, 0);
        if (entry == null || entry.isNull()) {
            throw new MediaException(WORDS.say("theLibraryGaveNo", key), 0);
        }
        String text = Av.string(entry.value(), "");
        return text.contains("inf") ? Double.POSITIVE_INFINITY : Double.parseDouble(text);
    }

    private void build(Picture decoded, Picture given) {
        // Decoders may give back more bits than were coded: both legs go to the deeper one, without alpha.
        rgb = decoded.isRgb();
        String tags = "setparams=range=" + (given.frame().color_range() == AVCOL_RANGE_JPEG ? "pc" : "tv") + ":colorspace="
                + (rgb ? "gbr" : "bt709")
                + ":color_primaries=bt709:color_trc=bt709";
        // Floats are compared up to white; what is above it is only held to be there by the frame's fingerprint.
        String whole = FloatSamples.isFloat(decoded)
                ? "," + tags + ":alpha_mode=premultiplied,zscale=matrixin=gbr:matrix=gbr:rangein=full:range=full" : "";
        String seen = weighed ? ",format=gbrap,setparams=alpha_mode=straight,premultiply=inplace=1" : "";
        String same = whole + seen + "," + tags + ",format=" + planar(decoded) + "," + tags;
        String text = source("decoded", decoded) + same + "[a];" + source("given", given) + same
                + ",split[b][c];[a][b]psnr[d];[d][c]ssim,buffersink@out";
        graph = avfilter_graph_alloc();
        graph.nb_threads(1);
        Av.check(avfilter_graph_parse2(graph, text, new AVFilterInOut(null), new AVFilterInOut(null)), text);
        Av.check(avfilter_graph_config(graph, null), text);
        decodedIn = avfilter_graph_get_filter(graph, "buffer@decoded");
        givenIn = avfilter_graph_get_filter(graph, "buffer@given");
        sink = avfilter_graph_get_filter(graph, "buffersink@out");
    }

    /** Planes without alpha, of the decoded depth: the only ones that can be compared. */
    private static String planar(Picture picture) {
        if (picture.isRgb()) {
            return "gbrp" + (picture.bits() > 8 ? Math.min(MOST_BITS, picture.bits()) + "le" : "");
        }
        return picture.formatName().equals("uyvy422") ? "yuv422p" : picture.formatName().replace("yuva", "yuv");
    }

    private static String source(String name, Picture picture) {
        AVFrame f = picture.frame();
        return "buffer@" + name + "=video_size=" + f.width() + "x" + f.height() + ":pix_fmt=" + picture.formatName()
                + ":time_base=1/25:pixel_aspect=1/1:colorspace=" + f.colorspace() + ":range=" + f.color_range()
                + ":alpha_mode=" + f.alpha_mode();
    }

    @Override
    public void close() {
        if (graph != null) {
            avfilter_graph_free(graph);
            graph = null;
        }
    }
}
