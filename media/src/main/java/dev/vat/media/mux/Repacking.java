package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_profile_name;
import static org.bytedeco.ffmpeg.global.avformat.av_guess_format;
import static org.bytedeco.ffmpeg.global.avformat.avformat_query_codec;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_AUDIO;

import dev.vat.core.source.CodecName;
import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avformat.AVStream;

/** What can stand in which container, and behind what, as it is. */
final class Repacking {

    private static final Words WORDS = Words.of(Repacking.class);

    private static final int STANDARD = 0;

    private Repacking() {}

    /** @param withSound whether its sound goes along @throws MediaException in words, where it can't */
    static void requireLegal(Container container, Demuxer demuxer, boolean withSound) {
        if (!container.carriesSound()) {
            throw new MediaException(WORDS.say("holdsOnlyWhatIsPackedFor", container.title()), 0);
        }
        requireLegal(container, demuxer.stream().codecpar(), WORDS.say("thePicture"));
        if (container == Container.AVI && demuxer.stream().codecpar().video_delay() > 0) {
            throw new MediaException(WORDS.say("aviCountsFramesAndHasNo"), 0);
        }
        if (withSound) {
            demuxer.sounds().forEach(s -> requireLegal(container, s.codecpar(), WORDS.say("theSound")));
        }
    }

    /**
     * That a file's tracks can go on where the first one's end.
     *
     * @param withSound whether its sound goes along
     * @throws MediaException in words, where they can't
     */
    static void requireAlike(Demuxer first, Demuxer other, Path file, boolean withSound) {
        AVCodecParameters a = first.stream().codecpar();
        AVCodecParameters b = other.stream().codecpar();
        String why = a.codec_id() != b.codec_id() ? WORDS.say("isWhereTheFirstIs", name(b), name(a))
                : !isSameSize(a, b) ? otherSize(a, b)
                        : a.format() != b.format() ? WORDS.say("hasOtherSamplesThanTheFirst") : !sameHead(a, b)
                                ? WORDS.say("wasEncodedWithOtherSettings") : null;
        if (why != null) {
            throw new MediaException(WORDS.say("theyGoTogetherOnlyByEncoding", file.getFileName(), why),
                    0);
        }
        if (withSound) {
            requireSameSound(first.sounds(), other.sounds(), file);
        }
    }

    /** @throws MediaException in words, where pictures of two files have two sizes */
    static void requireSameSize(Demuxer first, Demuxer other, Path file) {
        AVCodecParameters a = first.stream().codecpar();
        AVCodecParameters b = other.stream().codecpar();
        if (!isSameSize(a, b)) {
            throw new MediaException(WORDS.say("theyGoTogetherOnlyByEncoding", file.getFileName(), otherSize(a, b)), 0);
        }
    }

    private static boolean isSameSize(AVCodecParameters a, AVCodecParameters b) {
        return a.width() == b.width() && a.height() == b.height();
    }

    private static String otherSize(AVCodecParameters first, AVCodecParameters other) {
        return WORDS.say("isXWhereTheFirstIsX", other.width(), other.height(), first.width(), first.height());
    }

    private static void requireSameSound(List<AVStream> first, List<AVStream> other, Path file) {
        boolean same = first.size() == other.size();
        for (int i = 0; same && i < first.size(); i++) {
            AVCodecParameters a = first.get(i).codecpar();
            AVCodecParameters b = other.get(i).codecpar();
            same = a.codec_id() == b.codec_id() && a.sample_rate() == b.sample_rate()
                    && a.ch_layout().nb_channels() == b.ch_layout().nb_channels() && sameHead(a, b);
        }
        if (!same) {
            throw new MediaException(WORDS.say("hasOtherSoundThanTheFirst", file.getFileName(), sounds(other), sounds(first)), 0);
        }
    }

    private static String sounds(List<AVStream> sounds) {
        return sounds.isEmpty() ? "none" : sounds.stream()
                .map(s -> WORDS.say("hzChannels", name(s.codecpar()), s.codecpar().sample_rate(), s.codecpar().ch_layout().nb_channels()))
                .collect(Collectors.joining("; "));
    }

    private static boolean sameHead(AVCodecParameters a, AVCodecParameters b) {
        if (a.extradata_size() != b.extradata_size()) {
            return false;
        }
        for (int i = 0; i < a.extradata_size(); i++) {
            if (a.extradata().get(i) != b.extradata().get(i)) {
                return false;
            }
        }
        return true;
    }

    static String name(AVCodecParameters track) {
        return CodecName.of(Av.string(avcodec_get_name(track.codec_id()), "unknown"));
    }

    static void requireLegal(Container container, AVCodecParameters track, String what) {
        if (!isLegal(container, track)) {
            throw new MediaException(
                    WORDS.say("cantStandInAsItIs", what, name(track), container.title(),
                            track.codec_type() == AVMEDIA_TYPE_AUDIO ? WORDS.say("leaveItOutOrGiveAnother")
                                    : WORDS.say("takeMKVOrMOVOrEncodeItAnew")),
                    0);
        }
    }

    /** What the library doesn't know of a container (it knows one codec of MXF), the catalogue does. */
    private static boolean isLegal(Container container, AVCodecParameters track) {
        int known = avformat_query_codec(av_guess_format(Muxer.nameOf(container), null, null), track.codec_id(), STANDARD);
        if (known >= 0) {
            return known == 1;
        }
        String codec = Av.string(avcodec_get_name(track.codec_id()), "unknown");
        String profile = Av.string(avcodec_profile_name(track.codec_id(), track.profile()), "unknown");
        return Catalogue.codecs().stream().filter(c -> c.containers().contains(container)).filter(c -> c.reportedName().equals(codec))
                .anyMatch(c -> c.reportedProfile().equals(profile) || c.reportedProfile().equals("unknown"))
                || Stream.of(SoundCodec.values()).anyMatch(c -> c.reportedName().equals(codec) && c.containers().contains(container));
    }
}
