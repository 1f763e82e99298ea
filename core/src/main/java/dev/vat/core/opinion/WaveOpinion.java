package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.Malformed;
import dev.vat.core.container.WaveFile;
import dev.vat.core.product.VatVersion;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.Loudness;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.List;

/** What a WAV file says of its sound, held against what was planned. */
final class WaveOpinion {

    static final String STANDARD = "EBU Tech 3285";
    private static final Words WORDS = Words.of(WaveOpinion.class);
    private static final int BITS = 24;

    private WaveOpinion() {}

    static List<Comparison.Line> of(Expectation planned, Bytes bytes) throws IOException {
        WaveFile file = WaveFile.of(bytes);
        WaveFile.Broadcast said = file.broadcast();
        if (said == null) {
            throw new Malformed(WORDS.say("noBroadcast"));
        }
        Opinion opinion = new Opinion(STANDARD);
        opinion.verdict(WORDS.say("samples"), WORDS.say("whole"), file.tag() == WaveFile.PCM ? WORDS.say("whole") : WORDS.say("others"),
                file.tag() == WaveFile.PCM);
        opinion.line(WORDS.say("bits"), BITS, file.bits());
        opinion.line(WORDS.say("channels"), planned.sound().channels(), file.channels());
        opinion.line(WORDS.say("rate"), planned.sound().rate(), file.rate());
        opinion.line(WORDS.say("length"), planned.sound().seconds().times(planned.sound().rate()), file.moments());
        opinion.verdict(WORDS.say("end"), WORDS.say("allThere"), file.there() ? WORDS.say("allThere") : WORDS.say("notWhole"),
                file.there());
        opinion.line(WORDS.say("timeReference"), planned.timeReference() == null ? 0L : planned.timeReference(), said.timeReference());
        opinion.line(WORDS.say("version"), 2, said.version());
        opinion.line(WORDS.say("maker"), VatVersion.NAME, said.originator());
        opinion.verdict(WORDS.say("umid"), WORDS.say("numbered"), said.umid().isNumbered() ? WORDS.say("numbered") : WORDS.say("none"),
                said.umid().isNumbered());
        return opinion.lines();
    }

    /** What its head says of how loud it is, against what is heard. */
    static List<Comparison.Line> loudness(Bytes bytes, Loudness heard) throws IOException {
        WaveFile.Broadcast said = WaveFile.of(bytes).broadcast();
        WaveFile.Loud wanted = WaveFile.Loud.of(heard);
        Opinion opinion = new Opinion(STANDARD);
        opinion.verdict(WORDS.say("loudness"), wanted, said == null || said.loud() == null ? WORDS.say("none") : said.loud(),
                said != null && wanted.equals(said.loud()));
        return opinion.lines();
    }
}
