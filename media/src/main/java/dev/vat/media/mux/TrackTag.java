package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_CFHD;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_DVVIDEO;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_H264;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_HEVC;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PNG;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PRORES;
import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_UTVIDEO;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.core.delivery.Container;
import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVStream;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/** What a container calls the pictures that are copied into it, by four letters, and whether it says that they have alpha. */
final class TrackTag {

    /** H.265 whose parameters stand in front of the file and never change, which Apple's players ask for. */
    private static final int HVC1 = letters("hvc1");
    private static final int DV50 = letters("dv50");
    private static final int AVC_CONFIGURATION = 1;
    private static final int HIGH_422 = 122;
    private static final int AVC_INTRA_WIDTH = 1920;
    private static final int PROGRESSIVE = 1;
    /** Bits of a pixel, whatever depth its samples have: how QuickTime says that there is alpha. */
    private static final int COLOUR_AND_ALPHA = 32;

    private TrackTag() {}

    private static int letters(String four) {
        return four.charAt(0) | four.charAt(1) << 8 | four.charAt(2) << 16 | four.charAt(3) << 24;
    }

    /**
     * Names a track that is copied.
     *
     * @param made its parameters in the new file @param original the track it is copied of
     * @param from the container that it stood in, whose tags may mean nothing in another; null where that isn't known
     */
    static void set(AVCodecParameters made, AVStream original, Container container, Container from) {
        int codec = made.codec_id();
        if (codec == AV_CODEC_ID_HEVC && container.mayHaveIndexInFront()) {
            made.codec_tag(HVC1);
        } else if (container == Container.MOV && isAvcIntra(original.codecpar())) {
            made.codec_tag(avcIntra(original));
        } else if (container == Container.AVI && codec == AV_CODEC_ID_DVVIDEO && Av.formatName(made.format()).startsWith("yuv422")) {
            made.codec_tag(DV50);
        } else if (!isKept(codec, container, from)) {
            made.codec_tag(0);
        }
        announceAlpha(made, container);
    }

    /** MOV and MP4 share their tags, and ProRes profiles and Ut Video's kinds are told apart by nothing else. */
    private static boolean isKept(int codec, Container container, Container from) {
        return container == from || from != null && container.mayHaveIndexInFront() && from.mayHaveIndexInFront()
                || codec == AV_CODEC_ID_PRORES || codec == AV_CODEC_ID_UTVIDEO;
    }

    /** Class 100 of SMPTE RP 2027: frames that say their own parameters, behind start codes. */
    private static boolean isAvcIntra(AVCodecParameters track) {
        return track.codec_id() == AV_CODEC_ID_H264 && track.width() == AVC_INTRA_WIDTH && (track.profile() & 0xff) == HIGH_422
                && (track.extradata_size() == 0 || track.extradata().get(0) != AVC_CONFIGURATION);
    }

    /** QuickTime tells its rates and scans apart. */
    private static int avcIntra(AVStream stream) {
        Rational rate = Av.rational(stream.avg_frame_rate());
        boolean of25 = rate.equals(Rational.of(25)) || rate.equals(Rational.of(50));
        boolean woven = stream.codecpar().field_order() > PROGRESSIVE;
        return letters(woven ? of25 ? "ai15" : "ai16" : of25 ? "ai12" : "ai13");
    }

    /** MOV says in its sample description whether pictures have alpha; the library knows that of some codings only. */
    private static void announceAlpha(AVCodecParameters track, Container container) {
        AVPixFmtDescriptor samples = av_pix_fmt_desc_get(track.format());
        boolean untold = track.codec_id() == AV_CODEC_ID_PNG || track.codec_id() == AV_CODEC_ID_CFHD;
        if (container == Container.MOV && untold && samples != null && (samples.flags() & AV_PIX_FMT_FLAG_ALPHA) != 0) {
            track.bits_per_coded_sample(COLOUR_AND_ALPHA);
        }
    }
}
