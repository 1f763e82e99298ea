package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.core.repack.CutPlaces;
import dev.vat.core.time.FrameRange;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Where the pictures of a movie file can be cut. */
public final class Cutting {

    private static final Words WORDS = Words.of(Cutting.class);

    private Cutting() {}

    /** Where a file's pictures can be cut. @throws MediaException if it can't be read */
    public static CutPlaces places(Path file) {
        try (Demuxer demuxer = new Demuxer(file)) {
            return CutPlaces.of(coded(demuxer));
        }
    }

    static List<CutPlaces.Coded> coded(Demuxer demuxer) {
        List<CutPlaces.Coded> coded = new ArrayList<>();
        while (demuxer.next(packet -> coded.add(new CutPlaces.Coded(time(packet, coded.size()), (packet.flags() & Av.PACKET_KEY) != 0)))) {
            // each is written down above
        }
        return coded;
    }

    static long time(AVPacket packet, long index) {
        return packet.pts() != AV_NOPTS_VALUE ? packet.pts() : packet.dts() != AV_NOPTS_VALUE ? packet.dts() : index;
    }

    static void requireCuttable(CutPlaces places, FrameRange frames, Path file) {
        if (frames.last() >= places.count()) {
            throw new MediaException(WORDS.say("hasFramesNot", file.getFileName(), places.count(), (frames.last() + 1)), 0);
        }
        if (!places.canStart((int) frames.first())) {
            throw new MediaException(
                    WORDS.say("frameDoesntStandAloneSo", file.getFileName(), frames.first(), places.startAtOrBefore((int) frames.first())),
                    0);
        }
        if (!places.canEnd((int) frames.last() + 1)) {
            throw new MediaException(WORDS.say("framesUpToLeanOnLaterOnes", file.getFileName(), frames.last(),
                    (places.endAtOrAfter((int) frames.last() + 1) - 1)), 0);
        }
    }
}
