package dev.vat.core.opinion;

import dev.vat.core.container.Bytes;
import dev.vat.core.container.GifFile;
import dev.vat.core.container.MovingFacts;
import dev.vat.core.container.PngFile;
import dev.vat.core.container.WebpFile;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.util.List;

/** What a file of stills that move says, held against what was planned. */
final class MovingOpinion {

    private static final Words WORDS = Words.of(MovingOpinion.class);

    private MovingOpinion() {}

    static String standard(Expectation planned) {
        return switch (planned.container()) {
            case GIF -> "GIF 89a";
            case APNG -> "W3C PNG";
            default -> "RFC 9649";
        };
    }

    static List<Comparison.Line> of(Expectation planned, Bytes file) throws IOException {
        MovingFacts found = switch (planned.container()) {
            case GIF -> GifFile.of(file);
            case APNG -> PngFile.of(file).moving();
            default -> WebpFile.of(file);
        };
        Opinion opinion = new Opinion(standard(planned));
        opinion.line(WORDS.say("pictures"), planned.frames(), found.frames());
        opinion.line(WORDS.say("size"), planned.size(), found.size());
        // Each format counts in ticks of its own; where a rate isn't a whole number of them, a file is up to one off.
        opinion.line(WORDS.say("length"), planned.seconds(), found.seconds(),
                (wanted, stated) -> wanted.minus(stated).abs().compareTo(found.tick()) <= 0);
        opinion.line(WORDS.say("loops"), planned.loops(), found.loops());
        return opinion.lines();
    }
}
