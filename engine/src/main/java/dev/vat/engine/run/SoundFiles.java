package dev.vat.engine.run;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.LoudnessTarget;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.proof.Expectation;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.sound.ChannelMap;
import dev.vat.core.sound.SoundTracks;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** The WAV files that go beside a deliverable's pictures. */
final class SoundFiles {

    private static final Words WORDS = Words.of(SoundFiles.class);

    /** As the trade names them, in the order in which SMPTE ST 428-12 and the media library have them. */
    private static final List<String> PLACES = List.of("L", "R", "C", "LFE", "Ls", "Rs");
    private static final int SAMPLE_BYTES = 3;
    private static final int MOST_HEAD = 1024;

    private SoundFiles() {}

    /** @param picture the file that they go beside @param sound what is heard, or null */
    static List<RunFile> beside(RunFile picture, Deliverable deliverable, ResolvedReel programme, ReelSound sound) {
        if (deliverable.soundFiles() == null || sound == null) {
            return List.of();
        }
        List<RunFile> files = new ArrayList<>();
        SoundTracks wanted = deliverable.soundFiles();
        for (ChannelMap track : wanted.of(sound.channels())) {
            boolean whole = wanted.way() == SoundTracks.Way.TOGETHER || wanted.way() == SoundTracks.Way.MONO && sound.channels() == 1;
            Expectation like = picture.expected();
            Expectation expected = Expectation.ofSound(like.frames(), like.rate(), like.size(), like.pixelAspect(), sound,
                    whole ? SoundTracks.TOGETHER : new SoundTracks(SoundTracks.Way.LISTED, List.of(track)),
                    programme.start(like.rate()).orElse(null)).withLevel(level(deliverable.loudness(), programme, sound));
            long bytes = sound.samples() * track.from().size() * SAMPLE_BYTES;
            String label = label(track, sound);
            files.add(new RunFile(RunFile.soundId(picture.target(), files.size() + 1),
                    whole ? WORDS.say("sound", picture.title()) : WORDS.say("soundOf", picture.title(), label), picture.codec(),
                    stem(picture) + (whole ? "" : "_" + label) + "." + expected.container().extension(), picture.treatment(), null, 1, 1,
                    Map.of(), List.of(), expected, Set.of(), new RoughForecast(bytes, bytes + MOST_HEAD)));
        }
        return files;
    }

    /** How loud the programme is to be. @param wish null for as it is, which gives null */
    static Expectation.Level level(LoudnessTarget wish, ResolvedReel programme, ReelSound sound) {
        if (wish == null) {
            return null;
        }
        Rate rate = programme.rate().orElseThrow();
        return new Expectation.Level(wish.integrated(), wish.integrated(), wish.mostPeak(),
                ReelSound.samples(rate, programme.plan().programmeStart()), ReelSound.samples(rate, programme.plan().programmeEnd()),
                sound.channels());
    }

    private static String stem(RunFile picture) {
        String ending = picture.isFolder() ? "" : "." + picture.expected().container().extension();
        return picture.fileName().endsWith(ending) ? picture.fileName().substring(0, picture.fileName().length() - ending.length())
                : picture.fileName();
    }

    /** {@code L}, or numbers where channels have no place: {@code 1}, {@code 1-2}. */
    private static String label(ChannelMap track, ReelSound sound) {
        boolean placed = sound.isPlaced() && (sound.channels() == 2 || sound.layout().startsWith("5.1"));
        return track.from().stream().map(c -> c == 0 ? WORDS.say("silence") : placed ? PLACES.get(c - 1) : c.toString())
                .collect(Collectors.joining("-"));
    }
}
