package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.IsoMovie;
import dev.vat.core.container.IsoTrack;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.SampleEntry;
import dev.vat.core.container.SampleTable;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** What the index of a sequence of AV1 images says (AV1 Image File Format 1.1), held against what was planned. */
final class AvifOpinion {

    private static final Words WORDS = Words.of(AvifOpinion.class);

    static final String STANDARD = "AVIF 1.1";
    private static final String BRAND = "avis";
    private static final String CODED = "av01";
    private static final String CONFIGURATION = "av1C";

    private AvifOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes file) throws IOException {
        IsoMovie movie = IsoMovie.of(file);
        IsoTrack track = movie.first(IsoTrack.IMAGES).orElseThrow(() -> new Malformed(WORDS.say("noImages")));
        Opinion opinion = new Opinion(STANDARD);
        opinion.line(WORDS.say("brand"), BRAND, movie.brand());
        opinion.line(WORDS.say("images"), planned.frames(), track.samples().count());
        opinion.verdict(WORDS.say("spacing"), WORDS.say("even"), track.samples().isEven() ? WORDS.say("even") : WORDS.say("uneven"),
                track.samples().isEven() && track.samples().timed() == track.samples().count());
        track.rate().ifPresent(rate -> opinion.line(WORDS.say("rate"), planned.rate(), rate, (p, f) -> p.perSecond().equals(f)));
        opinion.line(WORDS.say("loops"), planned.loops(), track.loops());
        opinion.line(WORDS.say("bytes"), file.size(), movie.bytes());
        if (!(track.entry() instanceof SampleEntry.Pictures entry)) {
            opinion.verdict(WORDS.say("codec"), CODED, track.entry().format(), false);
            return opinion.lines();
        }
        opinion.line(WORDS.say("codec"), CODED, entry.format());
        opinion.line(WORDS.say("size"), planned.size(), Size.of(entry.width(), entry.height()));
        entry.box("colr").ifPresentOrElse(c -> IsoOpinion.colour(opinion, planned, c),
                () -> opinion.verdict(WORDS.say("colours"), planned.primaries(), WORDS.say("none"), planned.primaries() == null));
        List<Comparison.Line> lines = new ArrayList<>(opinion.lines());
        if (track.samples().count() > 0) {
            SampleTable.Place first = track.samples().place(0);
            lines.addAll(StreamOpinion.of(planned, file.read(first.at(), first.size()), entry.boxes().get(CONFIGURATION)));
        }
        return lines;
    }
}
