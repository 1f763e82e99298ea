package dev.vat.core.opinion;

import dev.vat.core.bitstream.DvStream;
import dev.vat.core.bitstream.StreamFacts;
import dev.vat.core.container.AviFile;
import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What an AVI file says, held against what was planned. */
final class AviOpinion {

    private static final Words WORDS = Words.of(AviOpinion.class);

    private static final Set<String> DV25 = Set.of("dvsd", "DVSD", "dvc ", "dvcp");
    private static final Set<String> DV50 = Set.of("dv50", "DV50", "dv5n", "dv5p");

    private AviOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes bytes) throws IOException {
        AviFile file = AviFile.of(bytes);
        AviFile.Stream track = file.first("vids").orElseThrow(() -> new Malformed(WORDS.say("noPictures")));
        Opinion opinion = new Opinion("OpenDML 1.02");
        opinion.line(WORDS.say("frames"), planned.frames(), track.length());
        opinion.line(WORDS.say("pictures"), planned.frames(), file.pictures());
        if (track.scale() > 0) {
            opinion.line(WORDS.say("rate"), planned.rate(), Rational.of(track.rate(), track.scale()), (p, f) -> p.perSecond().equals(f));
        }
        opinion.line(WORDS.say("size"), planned.size(), Size.of(track.width(), Math.abs(track.height())));
        byte[] first = file.first() == null ? new byte[0] : bytes.read(file.first().at(), file.first().size());
        Optional<StreamFacts> dv = planned.codec().equals("dvvideo") ? DvStream.of(first) : Optional.empty();
        dv.ifPresent(found -> opinion.verdict(WORDS.say("tag"), found.profile(), track.compression(),
                (found.profile().equals("DV50") ? DV50 : DV25).contains(track.compression())));
        long sounds = file.streams().stream().filter(s -> s.type().equals("auds")).count();
        opinion.line(WORDS.say("soundTracks"), (long) planned.soundTracks(), sounds);
        if (planned.sound() != null) {
            file.first("auds").ifPresent(s -> opinion.line(WORDS.say("channels"), planned.sound().channels(), s.channels()));
        }
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        lines.addAll(StreamOpinion.of(planned, first, null));
        return lines;
    }
}
