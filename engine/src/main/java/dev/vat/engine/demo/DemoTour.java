package dev.vat.engine.demo;

import java.nio.file.Path;

/**
 * Goes through the demo in a window that nobody sees; found by {@link java.util.ServiceLoader} where there is one, which isn't in what is
 * shipped.
 */
public interface DemoTour {

    /**
     * Presses what a person would press and writes a picture of each main view.
     *
     * @param folder with the demo's frames
     * @param shots where the pictures go
     * @param make whether the demo's files are made, or pictures only
     * @return the exit code
     */
    int run(Path folder, Path shots, boolean make);
}
