package dev.vat.media.mux;

import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;
import static org.bytedeco.ffmpeg.global.avutil.av_rescale_q;

import dev.vat.core.delivery.Container;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Demuxer;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avutil.AVRational;

/** The opposite of {@link Joining}: takes a joined file apart into parts that it was joined of, by copying packets. */
public final class Splitting {

    private static final Words WORDS = Words.of(Splitting.class);

    /** A stretch of the file that becomes a part. @param first its first frame, which is its first packet as well */
    public record Stretch(Path file, long first, long frames) {}

    /** No codec shows a picture later than this after its packet; times before a part's first picture are allowed. */
    private static final long MOST_DELAY = 16;

    private Splitting() {}

    /**
     * Writes some stretches of a joined file whose frames begin at 0, in one pass through it.
     *
     * @param stretches whole closed groups of pictures, in the file's order
     * @throws MediaException if the file ends before them, or a part's container can't hold what it holds
     */
    public static void split(Path joined, Container container, Rate rate, PixelAspect pixelAspect, Container partContainer,
            List<Stretch> stretches) {
        AVRational frameTime = Av.fraction(rate.perSecond().inverse());
        try (Demuxer demuxer = new Demuxer(joined)) {
            AVRational base = demuxer.stream().time_base();
            long at = 0;
            for (Stretch stretch : stretches) {
                for (; at < stretch.first; at++) {
                    need(demuxer.next(_ -> {}), joined, at);
                }
                try (Muxer muxer = new Muxer(partContainer, stretch.file, rate)) {
                    muxer.track(demuxer.stream(), pixelAspect, container).start(Map.of());
                    for (; at < stretch.first + stretch.frames; at++) {
                        long index = at - stretch.first;
                        need(demuxer.next(packet -> {
                            packet.pts(
                                    packet.pts() == AV_NOPTS_VALUE ? index : av_rescale_q(packet.pts(), base, frameTime) - stretch.first);
                            packet.dts(index - MOST_DELAY);
                            packet.duration(1);
                            muxer.write(packet);
                        }), joined, at);
                    }
                    muxer.finish();
                }
            }
        }
    }

    private static void need(boolean there, Path joined, long at) {
        if (!there) {
            throw new MediaException(WORDS.say("endsWithFrame", joined.getFileName(), at), 0);
        }
    }
}
