package dev.vat.cli;

import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.PairLikeness;
import dev.vat.core.trial.RenderReport;
import dev.vat.core.words.Words;
import dev.vat.engine.run.Survey;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletionException;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Holds two renders, or two movies, against each other, frame by frame by their numbers. */
@Command(name = "compare", mixinStandardHelpOptions = true)
final class CompareCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(CompareCommand.class);

    /** Asked for together, so that there is something to tell meanwhile. */
    private static final int AT_ONCE = 12;

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path first;

    @Parameters(index = "1", paramLabel = "OTHER")
    private Path second;

    @Option(names = "--least", paramLabel = "DB")
    private Double least;

    @Option(names = "--json")
    private boolean json;

    CompareCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException {
        Location one = OneSource.in(first);
        Location other = OneSource.in(second);
        if (one.equals(other)) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("theSame", one.name()));
        }
        Project both = Edits.setRate(Rate.FPS_25).apply(Edits.bringIn(List.of(one, other), Edits.Layout.ONE_PROGRAMME)
                .apply(Project.EMPTY));
        try (Viewer viewer = new Viewer(places)) {
            Project all = both.withCurrentReel(r -> r.withItems(both.sources().stream().map(s -> Item.of(s.id())).toList()));
            Survey survey = Survey.of(all, viewer, (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            Side a = side(both, one, survey);
            return compared(a, side(both, other, survey).beside(a), viewer);
        }
    }

    /**
     * One of the two, by the first one's numbers.
     *
     * @param shift what is added to these for its own: a movie's frames count from its first, whatever the render's numbers are
     */
    private record Side(Source source, FrameTable table, long shift) {
        boolean has(long number) {
            return table.sequence().has(number + shift) && table.state(number + shift) == FrameState.GOOD;
        }

        List<Long> numbers() {
            return IntStream.range(0, table.sequence().count()).mapToObj(i -> table.sequence().number(i) - shift).toList();
        }

        /** Beside a render, or a movie, of the other kind both begin together. */
        Side beside(Side first) {
            boolean alike = table.sequence().pattern().isSingle() == first.table.sequence().pattern().isSingle();
            return alike ? this : new Side(source, table, table.sequence().first() - first.table.sequence().first());
        }

        String label(long number) {
            return table.sequence().pattern().isSingle() ? Long.toString(number) : table.sequence().pattern().number(number);
        }

        /** @param all numbers that either of both has */
        RenderReport.Render render(String name, SortedSet<Long> all) {
            Set<Long> missing = new HashSet<>(all);
            missing.removeIf(this::has);
            Set<Long> repeated = new HashSet<>();
            for (int i = 1; i < table.sequence().count(); i++) {
                boolean same = table.lookAt(i).isPresent() && table.lookAt(i - 1).isPresent()
                        && table.lookAt(i).get().pixels() == table.lookAt(i - 1).get().pixels();
                if (same) {
                    repeated.add(table.sequence().number(i) - shift);
                }
            }
            return new RenderReport.Render(name, missing, repeated);
        }
    }

    private static Side side(Project project, Location location, Survey survey) {
        Source source = project.sources().stream().filter(s -> s.location().equals(location)).findFirst().orElseThrow();
        FrameTable table = survey.tables().get(source.id());
        if (table == null) {
            throw new CommandFailure(ExitCode.FAILED, WORDS.say("noneCanBeRead", source.name()));
        }
        return new Side(source, table, 0);
    }

    private Integer compared(Side one, Side other, Viewer viewer) throws IOException {
        SortedSet<Long> all = new TreeSet<>();
        all.addAll(one.numbers());
        all.addAll(other.numbers());
        List<Long> common = all.stream().filter(n -> one.has(n) && other.has(n)).toList();
        if (common.isEmpty()) {
            throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("nothingInCommon", one.source.name(), one.table.sequence().range(),
                    other.source.name(), other.table.sequence().range()));
        }
        Map<Long, PairLikeness> likeness = measured(one, other, common, viewer);
        likeness.forEach((number, like) -> output.event("frame", "number", one.label(number), "same", like.isSame(), "psnr", like.psnr(),
                "ssim", like.ssim(), "most", like.mostInEightBits()));
        RenderReport.Render a = one.render(first.toString(), all);
        RenderReport.Render b = other.render(second.toString(), all);
        long same = likeness.values().stream().filter(PairLikeness::isSame).count();
        long below = least == null ? 0
                : likeness.values().stream().filter(l -> l.psnr() != null && l.psnr() < least).count();
        output.event("compared", "frames", likeness.size(), "same", same, "sudden",
                RenderReport.sudden(likeness).stream().map(one::label).toList(), "onlyInFirst", labels(one, b.missing(), a.missing()),
                "onlyInSecond", labels(one, a.missing(), b.missing()), "below", below);
        output.answer(RenderReport.of(a, b, likeness, one::label).strip());
        boolean lacking = !a.missing().equals(b.missing());
        if (least != null && (below > 0 || lacking)) {
            output.say(WORDS.say("below", below, least));
            return ExitCode.FINDINGS.code();
        }
        return ExitCode.PROVEN.code();
    }

    private static List<String> labels(Side side, Set<Long> gone, Set<Long> goneToo) {
        return gone.stream().filter(n -> !goneToo.contains(n)).sorted().map(side::label).toList();
    }

    private Map<Long, PairLikeness> measured(Side one, Side other, List<Long> numbers, Viewer viewer) throws IOException {
        Map<Long, PairLikeness> found = new TreeMap<>();
        for (int from = 0; from < numbers.size(); from += AT_ONCE) {
            List<Long> some = numbers.subList(from, Math.min(numbers.size(), from + AT_ONCE));
            List<ViewerMessage.Pair> pairs = new ArrayList<>();
            some.forEach(n -> pairs.add(new ViewerMessage.Pair(taken(one, n), taken(other, n))));
            try {
                List<PairLikeness> values = viewer.measure(pairs).join();
                for (int i = 0; i < values.size(); i++) {
                    if (values.get(i) != null) {
                        found.put(some.get(i), values.get(i));
                    }
                }
            } catch (CompletionException e) {
                throw new IOException(e.getCause().getMessage(), e.getCause());
            }
            if (from + AT_ONCE < numbers.size()) {
                output.say(WORDS.say("of", Math.min(from + AT_ONCE, numbers.size()), numbers.size()));
            }
        }
        return found;
    }

    private static ViewerMessage.Taken taken(Side side, long number) {
        return new ViewerMessage.Taken(ResolvedReel.alone(side.source, side.table, number + side.shift), null);
    }
}
