package dev.vat.desktop.window;

import dev.vat.core.words.Words;
import dev.vat.desktop.shell.DesktopShell;
import java.util.OptionalDouble;
import java.util.function.BooleanSupplier;

/** What the desktop around the window is told of runs, and when: how far one is, and that it ended while nobody looked. */
final class RunNews {

    private static final Words WORDS = Words.of(RunNews.class);

    private final DesktopShell shell;
    private boolean making;

    RunNews(DesktopShell shell) {
        this.shell = shell;
    }

    /**
     * @param share of the run that goes on, 0 to 1; empty for none
     * @param free whether nothing goes on or is about to
     * @param looked whether the window has the focus
     * @param allMade whether everything was made and proven; asked when something ended
     * @return whether something has ended since the last call
     */
    boolean update(OptionalDouble share, boolean free, boolean looked, BooleanSupplier allMade, String project) {
        share.ifPresentOrElse(shell::progress, shell::ended);
        boolean ended = free && making;
        making = !free;
        if (ended && !looked) {
            shell.say(allMade.getAsBoolean() ? WORDS.say("allMadeAndProven") : WORDS.say("notAllMade"), project);
        }
        return ended;
    }
}
