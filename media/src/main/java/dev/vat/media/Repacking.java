package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avformat.av_guess_format;
import static org.bytedeco.ffmpeg.global.avformat.avformat_query_codec;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;

import dev.vat.core.delivery.Container;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVFormatContext;
import org.bytedeco.ffmpeg.avformat.AVOutputFormat;

/** What can stand in which container as it is. */
final class Repacking {

    private static final int STANDARD = 0;

    private Repacking() { }

    /** @param withSound whether its sound goes along @throws MediaException in words, where it can't */
    static void requireLegal(Container container, Demuxer demuxer, boolean withSound) {
        if (!container.carriesSound()) {
            throw new MediaException(container.title() + " holds only what is packed for it: re-wrapping goes into MP4, MOV, MKV, WebM, AVI and MXF", 0);
        }
        requireLegal(container, demuxer.stream().codecpar(), "The picture");
        if (container == Container.AVI && demuxer.stream().codecpar().video_delay() > 0) {
            throw new MediaException("AVI counts frames and has no times: pictures that are packed in another order than they are shown, as here, can't stand in it. Take MP4 or MKV", 0);
        }
        AVFormatContext in = demuxer.context();
        for (int i = 0; withSound && i < in.nb_streams(); i++) {
            if (in.streams(i).codecpar().codec_type() == AVMEDIA_TYPE_AUDIO) {
                requireLegal(container, in.streams(i).codecpar(), "The sound");
            }
        }
    }

    static void requireLegal(Container container, AVCodecParameters track, String what) {
        AVOutputFormat format = av_guess_format(Muxer.nameOf(container), null, null);
        if (avformat_query_codec(format, track.codec_id(), STANDARD) != 1) {
            String codec = Av.string(avcodec_get_name(track.codec_id()), "unknown");
            throw new MediaException(what + ", " + codec + ", can't stand in " + container.title() + " as it is" + (what.startsWith("The sound") ? ": leave it out, or give another" : ": take MKV or MOV, or encode it anew"), 0);
        }
    }
}
