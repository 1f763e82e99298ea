package dev.vat.cli;

import dev.vat.core.words.Words;
import dev.vat.engine.history.HistoryNotes;
import dev.vat.engine.history.HistoryStore;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "history", mixinStandardHelpOptions = true)
final class HistoryCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(HistoryCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", arity = "0..*", paramLabel = "WORD")
    private List<String> words = List.of();

    @Option(names = "--json")
    private boolean json;

    HistoryCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        Map<String, String> notes = HistoryNotes.beside(places.history()).all();
        List<HistoryStore.Entry> found = HistoryStore.at(places.history()).entries().reversed().stream()
                .filter(e -> e.matches(String.join(" ", words), notes.getOrDefault(e.sha256(), ""))).toList();
        for (HistoryStore.Entry entry : found) {
            boolean there = Files.exists(Path.of(entry.path()));
            output.event("delivered", "made", entry.made(), "path", entry.path(), "there", there, "target", entry.target(), "project",
                    entry.project(), "reel", entry.reel(),
                    "frames", entry.frames(), "proven", entry.proven(), "sha256", entry.sha256());
            String note = notes.getOrDefault(entry.sha256(), "");
            output.answer(
                    entry.day() + "  " + entry.path() + (there ? "" : WORDS.say("notThereAnyMore")) + (note.isEmpty() ? "" : "  " + note));
        }
        if (found.isEmpty()) {
            output.say(
                    words.isEmpty() ? WORDS.say("nothingWasDeliveredOnThis") : WORDS.say("nothingThatWasDelivered"));
        }
        return ExitCode.PROVEN.code();
    }
}
