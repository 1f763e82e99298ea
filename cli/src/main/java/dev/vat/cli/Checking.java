package dev.vat.cli;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.engine.viewer.Viewer;
import java.util.concurrent.CompletionException;

/** Has a viewer process look into a sequence, with a word on standard error about how far it is. */
final class Checking {

    private static final Words WORDS = Words.of(Checking.class);

    private static final long SAY_EVERY_NANOS = 1_000_000_000L;

    private Checking() {}

    /** Nothing is there yet that could be gone on with. */
    private static void stopped(Output output) {
        output.error(ExitCode.STOPPED, WORDS.say("stopped"));
        Runtime.getRuntime().exit(ExitCode.STOPPED.code());
    }

    static FrameTable check(Viewer viewer, Sequence sequence, boolean headersOnly, PictureChoice choice, Output output) {
        var last = new Object() {
            long said = System.nanoTime();
        };
        var found = viewer.check(sequence, headersOnly, choice, progress -> {
            if (System.nanoTime() - last.said > SAY_EVERY_NANOS) {
                last.said = System.nanoTime();
                output.say(WORDS.say("checkedOf", sequence.name(), progress.checked(), sequence.count()));
            }
        });
        // The other process is at work by now: hearing signals costs more than many a command has to do.
        try (Interrupts _ = new Interrupts(() -> stopped(output))) {
            return found.join();
        } catch (CompletionException e) {
            throw new CommandFailure(ExitCode.FAILED, e.getCause().getMessage());
        }
    }
}
