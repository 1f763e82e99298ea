package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avutil.AV_NOPTS_VALUE;

import dev.vat.media.lib.Av;
import java.util.Arrays;
import java.util.stream.LongStream;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/**
 * When the frames of a picture track are shown, in its time base, by its packets. Those that the file says aren't shown are left out.
 *
 * @param all ascending
 * @param keys of them those that stand by themselves, ascending
 * @param last how long the last one is shown, 0 if its packet doesn't say it
 */
record Ticks(long[] all, long[] keys, long last) {

    private static final int DISCARD = 4;

    /** Collects packets in the order of the file. */
    private static final class Collector {
        private final LongStream.Builder all = LongStream.builder();
        private final LongStream.Builder keys = LongStream.builder();
        private long next;
        private long latest = Long.MIN_VALUE;
        private long lasts;

        void take(AVPacket packet) {
            if ((packet.flags() & DISCARD) != 0) {
                return;
            }
            // Without times of their own frames follow each other.
            long tick = packet.pts() != AV_NOPTS_VALUE ? packet.pts() : packet.dts() != AV_NOPTS_VALUE ? packet.dts() : next;
            next = Math.max(next, tick) + Math.max(1, packet.duration());
            all.add(tick);
            if ((packet.flags() & Av.PACKET_KEY) != 0) {
                keys.add(tick);
            }
            if (tick >= latest) {
                latest = tick;
                lasts = Math.max(0, packet.duration());
            }
        }
    }

    /** Where the group begins that lies so many before the one that holds a time. */
    long groupBefore(long tick, int groups) {
        int found = Arrays.binarySearch(keys, tick);
        int own = (found >= 0 ? found : -found - 2) - groups;
        return own < 0 ? all[0] : keys[own];
    }

    /** When another frame is shown after this one. */
    long after(int frame) {
        int later = frame + 1;
        while (later < all.length && all[later] == all[frame]) {
            later++;
        }
        return later < all.length ? all[later] : Long.MAX_VALUE;
    }

    /** Goes through the whole file. */
    static Ticks of(Demuxer demuxer) {
        Collector collector = new Collector();
        while (demuxer.next(collector::take)) {
            // each packet is taken
        }
        return new Ticks(collector.all.build().sorted().toArray(), collector.keys.build().sorted().toArray(), collector.lasts);
    }
}
