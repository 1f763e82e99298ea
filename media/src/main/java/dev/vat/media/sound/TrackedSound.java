package dev.vat.media.sound;

import static org.bytedeco.ffmpeg.global.avutil.AV_SAMPLE_FMT_FLT;

import dev.vat.core.sound.ChannelMap;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * The channels of a reel, taken together again out of the tracks of a file among which they were shared out: single precision, interleaved,
 * little-endian, 48 kHz. A channel that no track has is silent. Belongs to one thread.
 */
final class TrackedSound implements AutoCloseable {

    /** One track on its way, as far as it is decoded and not yet handed on. */
    private static final class Track {
        private final ResampledSound sound;
        private final ByteArrayOutputStream decoded = new ByteArrayOutputStream();
        private ByteBuffer waiting = ByteBuffer.allocate(0);
        private boolean ended;

        Track(ResampledSound sound) {
            this.sound = sound;
        }

        int frame() {
            return sound.channels() * SoundMix.SAMPLE_BYTES;
        }

        void fill() throws IOException {
            while (!ended && waiting.remaining() < frame()) {
                decoded.reset();
                ended = !sound.more(decoded);
                if (decoded.size() > 0) {
                    waiting = ByteBuffer.wrap(decoded.toByteArray()).order(ByteOrder.LITTLE_ENDIAN);
                }
            }
        }

        int moments() {
            return waiting.remaining() / frame();
        }
    }

    /** Where a channel of the reel stands. @param track or null where no track has it @param position among its channels */
    private record Seat(Track track, int position) {}

    private final List<Track> tracks = new ArrayList<>();
    private final List<Seat> seats = new ArrayList<>();

    /** @param shared which channels each of the file's tracks has @param channels of the reel; more where a track names a higher one */
    TrackedSound(Path file, List<ChannelMap> shared, int channels) {
        int all = Math.max(channels, shared.stream().flatMap(t -> t.from().stream()).mapToInt(Integer::intValue).max().orElse(0));
        try {
            for (int i = 0; i < shared.size(); i++) {
                tracks.add(new Track(new ResampledSound(file, i)));
            }
        } catch (RuntimeException e) {
            close();
            throw e;
        }
        for (int channel = 1; channel <= all; channel++) {
            seats.add(seat(channel, shared));
        }
    }

    private Seat seat(int channel, List<ChannelMap> shared) {
        for (int i = 0; i < shared.size(); i++) {
            int position = shared.get(i).from().indexOf(channel);
            if (position >= 0) {
                return new Seat(tracks.get(i), position);
            }
        }
        return new Seat(null, 0);
    }

    /** How many are interleaved. */
    int channels() {
        return seats.size();
    }

    /** Writes all of it: as long as the longest track. */
    void copyTo(OutputStream out) throws IOException {
        while (true) {
            for (Track track : tracks) {
                track.fill();
            }
            int moments = tracks.stream().filter(t -> t.moments() > 0).mapToInt(Track::moments).min().orElse(0);
            if (moments == 0) {
                return;
            }
            ByteBuffer block = ByteBuffer.allocate(moments * channels() * SoundMix.SAMPLE_BYTES).order(ByteOrder.LITTLE_ENDIAN);
            for (int i = 0; i < moments; i++) {
                for (Seat seat : seats) {
                    block.putFloat(seat.track == null || seat.track.moments() == 0 ? 0
                            : seat.track.waiting.getFloat(seat.track.waiting.position() + seat.position * SoundMix.SAMPLE_BYTES));
                }
                for (Track track : tracks) {
                    if (track.moments() > 0) {
                        track.waiting.position(track.waiting.position() + track.frame());
                    }
                }
            }
            out.write(block.array());
        }
    }

    @Override
    public void close() {
        tracks.forEach(t -> t.sound.close());
    }
}
