package dev.vat.media;

import dev.vat.core.opinion.SecondOpinion;
import dev.vat.core.proof.Comparison;
import dev.vat.media.proof.FileBytes;
import java.io.IOException;
import java.util.List;

/** What Vat's own readers of containers and coded pictures find otherwise than it was planned. */
final class SecondReaders {

    private SecondReaders() {}

    static List<Comparison.Line> disagreements(MadeFile made) throws IOException {
        try (FileBytes bytes = FileBytes.of(made.file())) {
            return SecondOpinion.of(made.expected(), bytes).stream().filter(l -> !l.agrees()).toList();
        }
    }
}
