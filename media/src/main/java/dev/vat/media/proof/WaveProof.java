package dev.vat.media.proof;

import dev.vat.core.delivery.Container;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.proof.Loudness;
import dev.vat.core.time.Rational;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.sound.LoudnessMeter;
import dev.vat.media.sound.SoundPackets;
import dev.vat.media.sound.SoundReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Opens a finished WAV file anew, decodes all of its sound and writes down what it finds. */
public final class WaveProof {

    private static final Words WORDS = Words.of(WaveProof.class);
    private static final String WAV = "wav";
    private static final String TIME_REFERENCE = "time_reference";

    private WaveProof() {}

    /** @throws MediaException if the file can't be opened, or holds no sound */
    public static MovieProof.Result prove(Path file, Expectation planned) throws IOException {
        Expectation.SoundTrack track;
        try (SoundReader reader = new SoundReader(file)) {
            track = reader.measure().stream().findFirst()
                    .map(t -> new Expectation.SoundTrack(t.codec(), t.channels(), t.rate(), Rational.of(t.samples(), t.rate())))
                    .orElseThrow(() -> new MediaException(WORDS.say("noSound", file.getFileName()), 0));
        }
        FileFacts facts;
        try (SoundPackets head = new SoundPackets(file)) {
            facts = FileFacts.ofSound(head.format().equals(WAV) ? Container.WAV.title() : head.format(), track, Files.size(file),
                    label(planned, head.metadata(TIME_REFERENCE).map(Long::valueOf).orElse(0L)));
        }
        SoundPrint print = SoundPrint.of(file);
        return new MovieProof.Result(facts, new int[0], List.of(), loudness(file, planned), print.seconds(), print.tracks(), null);
    }

    /** How loud the programme in it is. */
    public static Loudness loudness(Path file, Expectation planned) throws IOException {
        Expectation.Level level = planned.level();
        return LoudnessMeter.of(file, planned.sound().channels(), level == null ? 0 : level.from(),
                level == null ? Long.MAX_VALUE : level.to());
    }

    /** The label of the picture that begins with the first sample; null where the file begins at midnight and nothing else was planned. */
    private static String label(Expectation planned, long samples) {
        if (planned.timecode() == null && samples == 0) {
            return null;
        }
        long frame = planned.rate().perSecond().times(Rational.of(samples, planned.sound().rate())).round();
        boolean drops = planned.timecode() != null && planned.timecode().contains(";");
        return (drops ? Timecode.ofDropFrame(frame, planned.rate()) : Timecode.of(frame, planned.rate())).toString();
    }
}
