package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Item;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Puts several shots one after the other, as a project that {@code make} takes. */
@Command(name = "reel", mixinStandardHelpOptions = true)
final class ReelCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ReelCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PROJECT")
    private Path project;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "ITEM")
    private List<String> items;

    @Option(names = "--rate", paramLabel = "RATE")
    private String rate;

    @Option(names = "--start", paramLabel = "TIMECODE")
    private String start;

    @Option(names = "--out", paramLabel = "DIR")
    private Path out;

    @Mixin
    private final FileChoices choices = new FileChoices();

    @Option(names = "--json")
    private boolean json;

    ReelCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        Path file = NewProject.at(project);
        List<ItemChoice> wanted = items.stream().map(text -> parse(text, ItemChoice::parse)).toList();
        List<Location> found = new ArrayList<>();
        for (ItemChoice item : wanted) {
            found.add(OneSource.in(item.path()));
        }
        Project made = Edits.bringIn(found.stream().distinct().toList(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        List<Item> reel = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            ItemChoice choice = wanted.get(i);
            String source = source(made, found.get(i));
            reel.add(parse(items.get(i), _ -> choice.item(source)));
        }
        made = made.withCurrentReel(r -> r.withItems(reel));
        if (rate != null) {
            made = Edits.setRate(parse(rate, Rate::parse)).apply(made);
        }
        if (start != null) {
            made = ReelEdits.setStart(start).apply(made);
        }
        if (out != null) {
            made = Edits.setFolder(Place.of(out)).apply(made);
        }
        if (choices.areThere()) {
            made = choices.apply(choices.files(made, places), rate == null ? null : parse(rate, Rate::parse));
        }
        output.event("project", "path", file.toString(), "items", reel.size());
        output.answer(WORDS.say("items", reel.size(), file));
        NewProject.write(made, file, output);
        return ExitCode.PROVEN.code();
    }

    private static String source(Project project, Location location) {
        return project.sources().stream().filter(s -> s.location().equals(location)).findFirst().orElseThrow().id();
    }
}
