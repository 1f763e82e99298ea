package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_H264;

import dev.vat.core.time.Rational;
import dev.vat.media.lib.Av;
import java.util.OptionalInt;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVStream;

/** What QuickTime calls AVC-Intra of class 100, SMPTE RP 2027: frames stand there as they were coded, behind start codes. */
final class AvcIntraTag {

    private static final int PROFILE_422 = 122;
    private static final int WIDTH = 1920;
    private static final int PROGRESSIVE = 1;

    private AvcIntraTag() {}

    /** Empty for what isn't AVC-Intra. */
    static OptionalInt of(AVStream stream) {
        AVCodecParameters track = stream.codecpar();
        boolean intra = track.codec_id() == AV_CODEC_ID_H264 && track.width() == WIDTH && (track.profile() & 0xff) == PROFILE_422
                && (track.extradata_size() == 0 || track.extradata().get(0) != 1);
        if (!intra) {
            return OptionalInt.empty();
        }
        Rational rate = Av.rational(stream.avg_frame_rate());
        boolean of25 = rate.equals(Rational.of(25)) || rate.equals(Rational.of(50));
        boolean woven = track.field_order() > PROGRESSIVE;
        char last = woven ? of25 ? '5' : '6' : of25 ? '2' : '3';
        return OptionalInt.of('a' | 'i' << 8 | '1' << 16 | last << 24);
    }
}
