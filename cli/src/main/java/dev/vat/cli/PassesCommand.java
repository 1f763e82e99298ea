package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.pass.Pass;
import dev.vat.core.pass.PassMix;
import dev.vat.core.pass.PassReport;
import dev.vat.core.pass.PassWords;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.ShotPasses;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Item;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.Location;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.engine.picture.PassCheck;
import dev.vat.engine.run.Survey;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "passes", mixinStandardHelpOptions = true)
final class PassesCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(PassesCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "FOLDER")
    private Path folder;

    @Option(names = "--project", paramLabel = "FILE")
    private Path project;

    @Option(names = "--rate", paramLabel = "RATE", defaultValue = "25")
    private String rate;

    @Mixin
    private final PassChoices choices = new PassChoices();

    @Option(names = "--json")
    private boolean json;

    PassesCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path file = project == null ? null : NewProject.at(project);
        Path absolute = folder.toAbsolutePath().normalize();
        SourceFinder.Found search = SourceFinder.find(absolute);
        List<Location> found = search.locations().stream().filter(l -> !l.isSound()).toList();
        if (found.isEmpty()) {
            throw new CommandFailure(ExitCode.FAILED, search.nothing(WORDS.say("noFramesIn", absolute)));
        }
        Project all = Edits.setRate(parse(rate, Rate::parse)).apply(Edits.bringIn(found, Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY));
        try (Viewer viewer = new Viewer(places)) {
            // All of them stand in the reel while they are looked into.
            Project every = all.withCurrentReel(r -> r.withItems(all.sources().stream().map(s -> Item.of(s.id())).toList()));
            Survey survey = Survey.of(every, viewer, (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            Source main = main(all, survey);
            List<PassWords.Found> passes = ShotPasses.of(all.sources(), main, survey.tables().get(main.id()));
            if (passes.isEmpty()) {
                throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("noTwoNamesInSpeakOfPasses", absolute));
            }
            PassMix mix = choices.apply(PassWords.mix(passes));
            mix.passes().reversed().forEach(p -> tell(p, all));
            Project made = Edits.setRate(parse(rate, Rate::parse))
                    .apply(ReelEdits.mixItem(0, mix)
                            .apply(all.withCurrentReel(r -> r.withName(shot(all)).withItems(List.of(Item.of(main.id()))))));
            PassReport report = check(ResolvedReel.of(made, survey.tables()).orElseThrow(), viewer);
            if (file != null) {
                NewProject.write(made, file, output);
            }
            return !report.apart().isEmpty() ? ExitCode.FINDINGS.code() : ExitCode.PROVEN.code();
        }
    }

    /** What the names of all its sources begin with, or the first one's name. */
    private static String shot(Project project) {
        List<String> names = project.sources().stream().map(s -> s.location().pattern().baseName()).toList();
        String common = names.getFirst();
        for (String name : names) {
            while (!name.startsWith(common)) {
                common = common.substring(0, common.length() - 1);
            }
        }
        String shot = common.replaceFirst("[-_. ]+$", "");
        return shot.isEmpty() ? names.getFirst() : shot;
    }

    /** The one whose pictures the sum stands for: the full one, or the first that has frames. */
    private static Source main(Project project, Survey survey) {
        List<Source> there = project.sources().stream().filter(s -> survey.tables().containsKey(s.id())).toList();
        if (there.isEmpty()) {
            throw new CommandFailure(ExitCode.FAILED, WORDS.say("noneOfTheFramesCanBeRead"));
        }
        Source first = there.getFirst();
        List<PassWords.Found> found = ShotPasses.of(project.sources(), first, survey.tables().get(first.id()));
        return PassWords.full(found).filter(f -> f.source() != null).flatMap(f -> project.source(f.source())).orElse(first);
    }

    private void tell(Pass pass, Project project) {
        String where = project.source(pass.source()).map(Source::name)
                .orElse(WORDS.say("layer", (pass.layer() == null || pass.layer().isEmpty() ? WORDS.say("withoutAName") : pass.layer())));
        output.event("pass", "name", pass.name(), "operation", pass.operation().title(), "off", pass.off(), "of", where);
        output.answer("  %-10s %-11s %s".formatted(pass.name(), pass.off() ? WORDS.say("leftOut") : pass.operation().title(), where));
    }

    private PassReport check(ResolvedReel programme, Viewer viewer) throws InterruptedException, IOException {
        PassCheck check = PassCheck.of(programme, programme.plan().spans().getFirst());
        try {
            PassReport report = check.run(viewer, done -> output.event("compared", "frames", done, "of", check.frames())).get();
            output.event("passes", "frames", report.frames().size(), report.full() ? "most" : "beyondWhite", report.most(), "apart",
                    report.apart().stream().map(PassReport.Frame::name).toList());
            output.answer(report.words());
            return report;
        } catch (ExecutionException e) {
            throw new IOException(WORDS.say("thePassesCantBeCompared", e.getCause().getMessage()), e.getCause());
        }
    }
}
