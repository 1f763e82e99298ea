package dev.vat.engine;

import java.nio.file.Path;
import java.util.List;

/** How the command line opens the window without knowing it; found by {@link java.util.ServiceLoader}. */
public interface WindowLauncher {

    /** Opens the window, with a project or frames in it if any are given; returns when it is closed. */
    int open(List<Path> paths);

    /** Opens the window with the demo in it, ready to make; returns when it is closed. */
    int demo(Path folder);

    /** Whether there is a display to open a window on. */
    boolean hasDisplay();
}
