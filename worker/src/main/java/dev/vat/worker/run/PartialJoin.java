package dev.vat.worker.run;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPart;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.media.mux.Joining;
import dev.vat.protocol.run.JournalEntry;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.run.RunState;
import dev.vat.protocol.storage.Durable;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** A picture-only file of what a run has closed so far, to be watched while the rest is made. Loads native code: for worker processes. */
final class PartialJoin {

    private static final Words WORDS = Words.of(PartialJoin.class);

    private PartialJoin() {}

    /**
     * Joins the parts from the file's first frame on that follow each other without a hole.
     *
     * @param folder where it goes, in place of an earlier one
     * @throws IOException if nothing is closed yet, or the file is no movie
     */
    static Path join(RunHome home, String target, Path folder) throws IOException {
        RunPlan plan = home.plan();
        RunState state = RunState.of(home.journal());
        RunFile file = state.files(plan).stream().filter(f -> f.target().equals(target)).findFirst()
                .orElseThrow(() -> new IOException(WORDS.say("thisRunMakesNoFileFor", target)));
        if (file.isFolder()) {
            throw new IOException(WORDS.say("numberedFramesLieInAsThey", RunHome.finished(plan, file)));
        }
        if (file.isSound()) {
            throw new IOException(WORDS.say("soundIsWrittenAtTheEnd"));
        }
        List<Joining.Part> parts = new ArrayList<>();
        long reached = 0;
        for (JournalEntry.PartClosed part : state.closed(target)) {
            if (part.first() != reached) {
                break;
            }
            parts.add(new Joining.Part(
                    PartStore.partFile(RunHome.workFolder(plan, file), file,
                            new RunPart(part.part(), part.first(), part.frames())),
                    file.codecInCatalogue().partContainer(), part.first(), part.frames()));
            reached += part.frames();
        }
        if (parts.isEmpty()) {
            throw new IOException(
                    WORDS.say("nothingOfIsClosedYetIts", file.title(), (file.parts().getFirst().end() - 1)));
        }
        Files.createDirectories(folder);
        Path joined = folder.resolve("done-so-far-" + target + "." + file.expected().container().extension());
        Durable.deleteTree(joined);
        Joining.join(parts, joined, file.expected().container(), false, file.expected().rate(), file.expected().pixelAspect(), null);
        return joined;
    }
}
