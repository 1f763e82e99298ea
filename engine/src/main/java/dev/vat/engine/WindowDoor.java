package dev.vat.engine;

import java.nio.file.Path;
import java.util.List;

/** How the command line opens the window without knowing it; found by {@link java.util.ServiceLoader}. */
public interface WindowDoor {

    /** Opens the window, with a project or frames in it if any are given; returns when it is closed. */
    int open(List<Path> paths);

    /** Opens the window with the demo in it, ready to make; returns when it is closed. */
    int demo(Path folder);

    /**
     * The real window without a display: goes through the fast path by itself and writes a picture of each main view.
     *
     * @param shots where the pictures go
     * @param make whether the demo's files are made, or pictures only
     */
    int demoOffscreen(Path folder, Path shots, boolean make);

    /** Whether there is a display to open a window on. */
    boolean hasDisplay();
}
