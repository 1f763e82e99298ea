package dev.vat.media.sound;

import dev.vat.core.delivery.SoundCodec;
import dev.vat.core.sound.ChannelMap;
import java.nio.file.Path;
import java.util.List;

/**
 * Sound that is woven between the pictures of a file.
 *
 * @param mix the file of a {@link SoundMix}
 * @param channels of the mix
 * @param placed whether these have places in front of a listener
 * @param tracks which of them each track of the file has; empty where one has them all
 * @param samples how much of it is taken, at 48 kHz
 */
public record WovenSound(Path mix, int channels, boolean placed, SoundCodec codec, long samples,
        List<ChannelMap> tracks) {

    public WovenSound {
        tracks = List.copyOf(tracks);
    }

    /** All channels in one track. */
    public WovenSound(Path mix, int channels, boolean placed, SoundCodec codec, long samples) {
        this(mix, channels, placed, codec, samples, List.of());
    }

    /** How many tracks it makes. */
    public int count() {
        return Math.max(1, tracks.size());
    }
}
