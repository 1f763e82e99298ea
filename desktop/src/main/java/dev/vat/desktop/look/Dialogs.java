package dev.vat.desktop.look;

import dev.vat.core.picture.Rgb;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;

/** Questions that the system's own dialogs answer; behind an interface, since there are none without a display. */
public interface Dialogs {

    /** What to do with a run that goes on when the window is closed. */
    enum Leaving {
        STOP, KEEP_WORKING
    }

    Optional<Path> folder(String title, Path from);

    List<Path> frames(String title);

    /** Files of any kind that can be brought in, several at once. */
    List<Path> files(String title);

    Optional<Path> project(String title);

    Optional<Path> saveProject(String title, String name);

    /** Where a new file is to go. @param name proposed, with its ending @param kind of file, in words */
    Optional<Path> save(String title, String name, String kind);

    /** @param kind of file, in words @param endings that its names have, without the dot */
    Optional<Path> file(String title, String kind, List<String> endings);

    Optional<Rgb> colour(String title, Rgb now);

    /** One line of text, or empty if nothing was entered. */
    Optional<String> text(String title, String proposal);

    Leaving leaving();

    /** Shows a file or folder in the system's own file manager; false where that can't be done. */
    boolean reveal(Path path);
}
