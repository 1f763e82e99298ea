package dev.vat.media.sound;

import dev.vat.core.delivery.SoundCodec;
import java.nio.file.Path;

/**
 * Sound that is woven between the pictures of a file.
 *
 * @param mix the file of a {@link SoundMix}
 * @param placed whether its channels have places in front of a listener
 * @param samples how much of it is taken, at 48 kHz
 */
public record WovenSound(Path mix, int channels, boolean placed, SoundCodec codec, long samples) {}
