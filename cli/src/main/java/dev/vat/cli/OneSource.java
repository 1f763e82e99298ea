package dev.vat.cli;

import dev.vat.core.source.Location;
import dev.vat.core.words.Words;
import dev.vat.engine.source.SourceFinder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** The frames or the movie that a path stands for, where there is no choice to be made. */
final class OneSource {

    private static final Words WORDS = Words.of(OneSource.class);

    private OneSource() {}

    static Location in(Path path) throws IOException {
        Path absolute = path.toAbsolutePath().normalize();
        SourceFinder.Found all = SourceFinder.find(absolute);
        List<Location> found = all.locations().stream().filter(l -> !l.isSound()).toList();
        if (found.size() != 1) {
            throw new CommandFailure(found.isEmpty() ? ExitCode.FAILED : ExitCode.WRONG_USE,
                    found.isEmpty() ? all.nothing(WORDS.say("noFramesAndNoMovieIn", absolute))
                            : WORDS.say("sourcesWhereOneWasExpected", found.size(), absolute));
        }
        return found.getFirst();
    }
}
