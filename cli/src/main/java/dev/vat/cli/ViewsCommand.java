package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.burnin.Line;
import dev.vat.core.burnin.Spot;
import dev.vat.core.layout.Area;
import dev.vat.core.layout.Arrangement;
import dev.vat.core.layout.DayCount;
import dev.vat.core.layout.InStep;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.Layout;
import dev.vat.core.reel.View;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.engine.storage.LayoutStore;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "views", mixinStandardHelpOptions = true)
final class ViewsCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(ViewsCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PROJECT")
    private Path project;

    @Parameters(index = "1..*", arity = "1..*", paramLabel = "PATH")
    private List<Path> sources;

    @Option(names = "--grid", paramLabel = "ACROSS")
    private Integer grid;

    @Option(names = "--rows", paramLabel = "N,N")
    private String rows;

    @Option(names = "--inset", paramLabel = "PLACE")
    private String inset;

    @Option(names = "--share", paramLabel = "PERCENT", defaultValue = "30")
    private String share;

    @Option(names = "--place", paramLabel = "AREA")
    private List<String> areas = new ArrayList<>();

    @Option(names = "--layout", paramLabel = "NAME")
    private String kept;

    @Option(names = "--size", paramLabel = "WxH")
    private String size;

    @Option(names = "--between", paramLabel = "PERCENT", defaultValue = "0")
    private String between;

    @Option(names = "--caption", paramLabel = "WORDS[@PLACE]")
    private List<String> captions = new ArrayList<>();

    @Option(names = "--step", defaultValue = "frames")
    private InStep step;

    @Option(names = "--first-day", paramLabel = "DATE")
    private String firstDay;

    @Option(names = "--days-per-second", paramLabel = "N", defaultValue = "1")
    private String perSecond;

    @Option(names = "--rate", paramLabel = "RATE")
    private String rate;

    @Option(names = "--json")
    private boolean json;

    ViewsCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        Path file = NewProject.at(project);
        List<Location> found = new ArrayList<>();
        for (Path source : sources) {
            found.add(OneSource.in(source));
        }
        Project made = Edits.bringIn(found.stream().distinct().toList(), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        Project all = made;
        List<Item> items = found.stream().map(l -> all.sources().stream().filter(s -> s.location().equals(l)).findFirst().orElseThrow())
                .map(s -> Item.of(s.id())).toList();
        Layout layout = dressed(arranged(items));
        made = made.withCurrentReel(r -> r.withItems(List.of(Item.of(layout))));
        if (rate != null) {
            made = Edits.setRate(parse(rate, Rate::parse)).apply(made);
        }
        output.event("project", "path", file.toString(), "views", layout.views().size());
        output.answer(WORDS.say("views", layout.views().size(), layout.arrangement().title(), file));
        NewProject.write(made, file, output);
        return ExitCode.PROVEN.code();
    }

    private Layout arranged(List<Item> items) throws IOException {
        if (kept != null) {
            return LayoutStore.in(places).find(kept)
                    .orElseThrow(() -> new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereIsNoLayout", kept))).withItems(items);
        }
        Arrangement arrangement = rows != null ? parse(rows, Arrangement.Rows::parse)
                : inset != null
                        ? parse(inset, text -> new Arrangement.Inset(Spot.parse(text), Rational.parse(share).dividedBy(Rational.of(100))))
                        : !areas.isEmpty() ? new Arrangement.Free(areas.stream().map(a -> parse(a, Area::parse)).toList())
                                : parse("grid", _ -> new Arrangement.Grid(grid == null ? (int) Math.ceil(Math.sqrt(items.size())) : grid));
        return Layout.of(WORDS.say("views2"), null, arrangement, items.stream().map(View::of).toList())
                .withBetween(parse(between, Rational::parse));
    }

    private Layout dressed(Layout plain) {
        Layout layout = plain.withStep(kept == null ? step : plain.step());
        if (size != null) {
            layout = layout.withSize(parse(size, Size::parse));
        }
        for (int i = 0; i < layout.views().size() && !captions.isEmpty(); i++) {
            String words = captions.get(Math.min(i, captions.size() - 1));
            layout = layout.withView(i, v -> v.withCaption(parse(words, Line::parse)));
        }
        return firstDay == null ? layout : layout.withDays(parse(firstDay, day -> new DayCount(day, Rational.parse(perSecond))));
    }
}
