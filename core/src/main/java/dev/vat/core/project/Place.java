package dev.vat.core.project;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.nio.file.Path;
import java.util.Objects;

/**
 * A folder or file as a project remembers it: relative to the project file and absolute. The relative one is tried
 * first, so that a project moved together with its frames still finds them.
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Place(String relative, String absolute) {

    public static Place of(Path path) {
        return new Place(null, path.toAbsolutePath().normalize().toString());
    }

    public Path path() {
        return Path.of(absolute);
    }

    /** The same place as it is to be saved in a project that lies in {@code home}. */
    public Place relativeTo(Path home) {
        Path target = path();
        if (home == null || !Objects.equals(home.getRoot(), target.getRoot())) {
            return new Place(null, absolute);
        }
        return new Place(home.relativize(target).toString(), absolute);
    }

    /** The path that {@link #relative} means for a project in {@code home}, or null if there is none. */
    public Path relativeIn(Path home) {
        return relative == null || home == null ? null : home.resolve(relative).normalize();
    }
}
