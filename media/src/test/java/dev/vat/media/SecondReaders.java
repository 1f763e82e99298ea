package dev.vat.media;

import dev.vat.core.opinion.SecondOpinion;
import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Expectation;
import dev.vat.media.lib.FileBytes;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** What Vat's own readers of containers and coded pictures find otherwise than it was planned. */
final class SecondReaders {

    private SecondReaders() {}

    static List<Comparison.Line> disagreements(MadeFile made) throws IOException {
        return disagreements(made.expected(), made.file());
    }

    static List<Comparison.Line> disagreements(Expectation planned, Path file) throws IOException {
        try (FileBytes bytes = FileBytes.of(file)) {
            return SecondOpinion.of(planned, bytes).stream().filter(l -> !l.agrees()).toList();
        }
    }
}
