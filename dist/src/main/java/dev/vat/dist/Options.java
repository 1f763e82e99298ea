package dev.vat.dist;

import java.io.IOException;
import java.util.List;
import java.util.Locale;

/** How the JVM is started, which the launcher of the sources reads as well: a window that stays, and commands that are over soon. */
enum Options {
    WINDOW, COMMAND;

    /** The file that they stand in, one a line. */
    String file() {
        return name().toLowerCase(Locale.ROOT) + ".options";
    }

    List<String> list() throws IOException {
        return Resources.text(file()).lines().toList();
    }
}
