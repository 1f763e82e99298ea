package dev.vat.media.read;

import static org.bytedeco.ffmpeg.global.avutil.AV_CHANNEL_ORDER_UNSPEC;
import static org.bytedeco.ffmpeg.global.avutil.av_channel_layout_describe;

import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameNumbers;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.lib.MediaException;
import dev.vat.media.sound.SoundReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.bytedeco.ffmpeg.avutil.AVChannelLayout;
import org.bytedeco.javacpp.BytePointer;

/** Looks into a movie or sound file: its pictures counted one by one, its sound decoded and measured. */
public final class ClipProbe {

    private static final Words WORDS = Words.of(ClipProbe.class);

    private ClipProbe() {}

    /** @throws MediaException if the file can't be opened, or holds neither picture nor sound */
    public static ClipFacts probe(Path file) {
        List<ClipFacts.Track> sounds = new ArrayList<>();
        String container;
        boolean picture;
        try (SoundReader reader = new SoundReader(file)) {
            container = reader.container();
            picture = reader.hasPicture();
            sounds.addAll(reader.measure());
        }
        if (!picture) {
            if (sounds.isEmpty()) {
                throw new MediaException(WORDS.say("holdsNeitherPictureNorSound", file.getFileName()), 0);
            }
            Rational seconds = sounds.stream().map(ClipFacts.Track::seconds).max(Comparator.naturalOrder()).orElseThrow();
            return new ClipFacts(container, 0, null, null, null, null, seconds, sounds, 0, false, FrameNumbers.FROM_ZERO, null);
        }
        try (MovieFrames frames = new MovieFrames(file)) {
            return new ClipFacts(container, Math.toIntExact(frames.count()), frames.rate(), frames.uneven().orElse(null),
                    frames.timecode().orElse(null), frames.format(), frames.seconds(), sounds, frames.isLossy() ? 1 : 0, false,
                    frames.numbers(), frames.fields().orElse(null));
        }
    }
}
