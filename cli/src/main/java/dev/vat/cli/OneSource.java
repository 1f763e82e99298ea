package dev.vat.cli;

import dev.vat.core.source.Location;
import dev.vat.engine.source.SourceFinder;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;

/** The frames or the movie that a path stands for, where there is no choice to be made. */
final class OneSource {

    private OneSource() {}

    static Location in(Path path) throws IOException {
        Path absolute = path.toAbsolutePath().normalize();
        SourceFinder.Found all = SourceFinder.find(absolute);
        List<Location> found = all.locations().stream().filter(l -> !l.isSound()).toList();
        if (found.size() != 1) {
            throw new CommandFailure(found.isEmpty() ? ExitCode.FAILED : ExitCode.WRONG_USE,
                    found.isEmpty() ? all.nothing("No frames and no movie in " + absolute)
                            : found.size() + " sources, where one was expected, in " + absolute);
        }
        return found.getFirst();
    }
}
