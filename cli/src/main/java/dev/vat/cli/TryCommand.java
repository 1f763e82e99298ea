package dev.vat.cli;

import static dev.vat.cli.MakeCommand.parse;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.delivery.Settings;
import dev.vat.core.finding.Findings;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.trial.Trial;
import dev.vat.core.words.Words;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.run.Preparation;
import dev.vat.engine.run.Survey;
import dev.vat.engine.trial.ProjectTrial;
import dev.vat.engine.trial.Trials;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "try", mixinStandardHelpOptions = true)
final class TryCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(TryCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path path;

    @Option(names = "--rate", paramLabel = "RATE")
    private String rate;

    @Mixin
    private final FileChoices choices = FileChoices.ofSeveralQualities();

    @Option(names = "--json")
    private boolean json;

    TryCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        Project project = project();
        if (project.currentReel().isEmpty()) {
            throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("theProjectHasNoReelToTry"));
        }
        try (Viewer viewer = new Viewer(places)) {
            Survey survey = Survey.of(project, viewer, (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            Findings findings = Preparation.judge(project, survey, places, viewer);
            if (!findings.mayRun()) {
                throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("nothingWasTried",
                        findings.blockers().stream().map(f -> f.id() + " (" + f.text() + ")").collect(Collectors.joining(" "))));
            }
            ResolvedReel programme = ResolvedReel.of(project, survey.tables()).orElseThrow();
            ProjectTrial tried = ProjectTrial.of(project, programme, survey.clips(), viewer.library());
            Trial trial = new Trials(places)
                    .start(tried.plan(), p -> output.event("trying", "doing", p.doing(), "done", p.done(), "frames", p.frames())).await();
            Map<String, FileForecast> files = tried.deliverables(trial, project.deliverablesOn());
            project.deliverablesOn().forEach(d -> tell(d, files.get(d.id()), trial));
            Estimate seconds = ProjectTrial.seconds(files);
            output.event("forecast-run", "seconds", seconds);
            output.answer(WORDS.say("theRunTakesSomeSFromTo", Words.decimal(seconds.middle(), 0), Words.decimal(seconds.low(), 0),
                    Words.decimal(seconds.high(), 0)));
        }
        return ExitCode.PROVEN.code();
    }

    /** A project as it is, or with other files; or what is in a folder. */
    private Project project() throws IOException {
        Path file = path.toAbsolutePath().normalize();
        boolean saved = file.toString().endsWith(ProjectFile.EXTENSION);
        Project project = saved ? ProjectFile.load(file)
                : Edits.bringIn(List.of(OneSource.in(file)), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
        if (rate != null) {
            project = Edits.setRate(parse(rate, Rate::parse)).apply(project);
        }
        return saved && !choices.areThere() ? project
                : choices.apply(choices.files(project, places), rate == null ? null : parse(rate, Rate::parse));
    }

    private void tell(Deliverable deliverable, FileForecast forecast, Trial trial) {
        if (forecast == null) {
            output.say(WORDS.say("cantBeTried", deliverable.title(),
                    (trial.failures().containsKey(deliverable.id()) ? ", " + trial.failures().get(deliverable.id()) : "")));
            return;
        }
        output.event("forecast", "target", deliverable.id(), "control",
                deliverable.settings().codec().words(deliverable.settings().control()), "bytes", forecast.bytes(), "psnr", forecast.psnr(),
                "ssim", forecast.ssim());
        output.answer(deliverable.title() + quality(deliverable) + ": " + bytes(forecast.bytes())
                + (forecast.psnr() == null ? WORDS.say("nothingIsLost")
                        : WORDS.say("psnrDBToSSIM", Words.decimal(forecast.psnr().middle(), 1), Words.decimal(forecast.psnr().low(), 1),
                                Words.decimal(forecast.psnr().high(), 1), Words.decimal(forecast.ssim().middle(), 4))));
    }

    /** By which several of one target are told apart. */
    private static String quality(Deliverable deliverable) {
        Settings settings = deliverable.settings();
        return settings.codec().leavesBitsOpen() ? ", " + settings.codec().words(settings.control()) : "";
    }

    private static String bytes(Estimate e) {
        return WORDS.say("to", RoughForecast.bytes(Math.round(e.middle())), RoughForecast.bytes(Math.round(e.low())),
                RoughForecast.bytes(Math.round(e.high())));
    }
}
