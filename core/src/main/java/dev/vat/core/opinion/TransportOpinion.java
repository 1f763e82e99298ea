package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.TransportStream;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** What a transport stream says, held against what was planned. */
final class TransportOpinion {

    private static final Words WORDS = Words.of(TransportOpinion.class);

    /** By how much sound may begin before the pictures: what its coder puts in front. In seconds. */
    private static final Rational EARLY = Rational.of(1, 10);
    /** ISO/IEC 13818-1, 2.7.2: in seconds. */
    private static final double MOST_SILENCE = .1;

    private TransportOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes bytes) throws IOException {
        TransportStream file = TransportStream.of(bytes);
        TransportStream.Track track = file.picture().orElseThrow(() -> new Malformed(WORDS.say("noPictures")));
        Opinion opinion = new Opinion("ISO/IEC 13818-1");
        opinion.verdict(WORDS.say("packets"), WORDS.say("allThere"),
                file.lost() == 0 ? WORDS.say("allThere") : WORDS.say("lost", file.lost()), file.lost() == 0);
        opinion.verdict(WORDS.say("arrival"), WORDS.say("inTime"), file.late() == 0 ? WORDS.say("inTime") : WORDS.say("late", file.late()),
                file.late() == 0);
        opinion.line(WORDS.say("codec"), planned.codec(), track.codec());
        opinion.line(WORDS.say("frames"), planned.frames(), track.units());
        Rational shown = Rational.of(track.to() - track.from(), TransportStream.TICKS).plus(planned.rate().seconds(1));
        opinion.verdict(WORDS.say("length"), planned.seconds().toFixed(4) + " s", shown.toFixed(4) + " s",
                shown.minus(planned.seconds()).abs().compareTo(Rational.of(2, TransportStream.TICKS)) <= 0);
        opinion.verdict(WORDS.say("clock"), WORDS.say("everyTenth"), WORDS.say("every", Words.decimal(file.longestSilence(), 3)),
                file.longestSilence() <= MOST_SILENCE);
        if (planned.bits() != null && planned.bits().constant()) {
            opinion.verdict(WORDS.say("constant"), WORDS.say("oneRate"),
                    file.isConstant() ? WORDS.say("oneRate") : WORDS.say("severalRates"), file.isConstant());
        }
        sound(opinion, planned, file, track);
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        if (file.first() != null) {
            lines.addAll(StreamOpinion.of(planned, file.first(), null));
        }
        return lines;
    }

    /** No edit list says what is to be dropped: sound and pictures are held together by their times alone. */
    private static void sound(Opinion opinion, Expectation planned, TransportStream file, TransportStream.Track pictures) {
        List<TransportStream.Track> sounds = file.sounds();
        opinion.line(WORDS.say("soundTracks"), (long) planned.soundTracks(), (long) sounds.size());
        if (planned.sound() == null || sounds.isEmpty()) {
            return;
        }
        opinion.line(WORDS.say("sound"), planned.sound().codec(), sounds.stream().map(TransportStream.Track::codec).distinct()
                .collect(Collectors.joining(", ")));
        for (TransportStream.Track sound : sounds) {
            Rational late = Rational.of(sound.from() - pictures.from(), TransportStream.TICKS);
            opinion.verdict(WORDS.say("soundStarts"), WORDS.say("withThePictures"), WORDS.say("after", late.toFixed(4)),
                    late.signum() <= 0 && late.abs().compareTo(EARLY) <= 0);
        }
    }
}
