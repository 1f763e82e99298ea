package dev.vat.cli;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.preview.Preview;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Places;
import dev.vat.protocol.storage.PreviewStore;
import java.io.IOException;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "previews", mixinStandardHelpOptions = true)
final class PreviewsCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(PreviewsCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", arity = "0..1", paramLabel = "NAME")
    private String name;

    @Option(names = "--approve")
    private boolean approve;

    @Option(names = "--withdraw")
    private boolean withdraw;

    @Option(names = "--note", paramLabel = "TEXT")
    private String note;

    @Option(names = "--json")
    private boolean json;

    PreviewsCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        PreviewStore store = PreviewStore.in(places);
        List<Preview> all = store.all();
        if (name == null && (approve || withdraw || note != null) || approve && withdraw) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say(approve && withdraw ? "oneOrTheOther" : "sayWhichPreview", names(all)));
        }
        List<Preview> meant = name == null ? all : List.of(named(all));
        if (note != null) {
            store.keep(meant.getFirst().withNote(note));
        }
        if (approve || withdraw) {
            store.approve(named(store.all()), approve);
        }
        List<Preview> now = store.all();
        if (now.isEmpty()) {
            output.say(WORDS.say("nothingWasCaptured"));
        }
        now.stream().filter(p -> meant.stream().anyMatch(m -> store.movie(m).equals(store.movie(p)))).forEach(p -> tell(store, p));
        return ExitCode.PROVEN.code();
    }

    /** By its name, or where two scenes have one of that name, by its whole path. */
    private Preview named(List<Preview> all) {
        PreviewStore store = PreviewStore.in(places);
        List<Preview> found = all.stream()
                .filter(p -> p.file().equals(name) || title(p).equals(name) || store.movie(p).toString().equals(name)).toList();
        if (found.size() != 1) {
            throw new CommandFailure(ExitCode.WRONG_USE, found.isEmpty() ? WORDS.say("noSuchPreview", name, names(all))
                    : WORDS.say("severalOfThatName", name,
                            found.stream().map(p -> store.movie(p).toString()).collect(Collectors.joining(", "))));
        }
        return found.getFirst();
    }

    private static String title(Preview preview) {
        return preview.asApproved().preview();
    }

    private static String names(List<Preview> all) {
        return all.isEmpty() ? WORDS.say("none") : all.stream().map(PreviewsCommand::title).collect(Collectors.joining(", "));
    }

    private void tell(PreviewStore store, Preview p) {
        output.event("preview", "name", title(p), "scene", p.scene(), "camera", p.wish().camera(), "first", p.range().first(), "last",
                p.range().last(), "rate", p.rate(), "made", p.made(), "bytes", p.bytes(), "approved", p.approved(), "note", p.note(),
                "path",
                store.movie(p).toString());
        output.answer(WORDS.say("line", title(p), p.approved() ? WORDS.say("approved") : "", p.scene(), p.cameraTitle(), p.range(),
                p.rate().label(), p.made().substring(0, 10), RoughForecast.bytes(p.bytes()),
                p.isWhole() ? "" : WORDS.say("cutOff", p.drawn(), p.wish().drawn()), p.note() == null ? "" : "  " + p.note()));
    }
}
