package dev.vat.cli;

import dev.vat.core.delivery.FileNaming;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Remedy;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Project;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.reel.Item;
import dev.vat.core.reel.SoundUse;
import dev.vat.core.source.GapPolicy;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Moment;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.engine.project.KnownProjects;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.queue.RunQueue;
import dev.vat.engine.queue.StartTime;
import dev.vat.engine.queue.Waiting;
import dev.vat.engine.run.Preparation;
import dev.vat.engine.run.Run;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "make", mixinStandardHelpOptions = true)
final class MakeCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(MakeCommand.class);

    private final Output output;
    private final Places places;

    @Parameters(index = "0", paramLabel = "PATH")
    private Path path;

    @Option(names = "--rate", paramLabel = "RATE")
    private String rate;

    @Option(names = "--range", paramLabel = "FIRST-LAST")
    private String range;

    @Option(names = "--gap", paramLabel = "POLICY")
    private String gap;

    @Option(names = "--source", paramLabel = "NAME")
    private String sourceName;

    @Option(names = "--name", paramLabel = "PATTERN")
    private String naming;

    @Mixin
    private final ReadingChoices readings = new ReadingChoices();

    @Mixin
    private final FileChoices choices = new FileChoices();

    @Option(names = "--out", paramLabel = "DIR")
    private Path out;

    @Option(names = "--sound", paramLabel = "FILE")
    private Path sound;

    @Option(names = "--sound-at", paramLabel = "TIME")
    private String soundAt;

    @Option(names = "--start", paramLabel = "TIMECODE")
    private String start;

    @Option(names = "--json")
    private boolean json;

    MakeCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Option(names = "--later")
    private boolean later;

    @Option(names = "--at", paramLabel = "TIME")
    private String at;

    @Option(names = "--after", paramLabel = "ID")
    private String after;

    @Option(names = "--when-complete")
    private boolean whenComplete;

    @Option(names = "--cores", paramLabel = "N")
    private Integer cores;

    /** That a folder's sequence has fewer frames than its kin, or than the approved preview. */
    private Optional<Finding> fewer = Optional.empty();

    @Override
    public Integer call() throws IOException, InterruptedException {
        Project project = edited(project());
        Optional<Finding> few = readings.saysWhatToExpect() || range != null ? Optional.empty() : fewer;
        if (later || at != null || after != null || whenComplete) {
            few.ifPresent(this::tell);
            return queued(project);
        }
        try (Viewer viewer = new Viewer(places)) {
            Run.expect(places, cores);
            Preparation prepared = Preparation.of(project, places, viewer,
                    (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            prepared.findings().all().forEach(this::tell);
            few.filter(f -> prepared.findings().all().stream().noneMatch(other -> other.id().equals(f.id()))).ifPresent(this::tell);
            if (prepared instanceof Preparation.Ready ready) {
                return leftOut(ready, output, new CommandRun(output, places, cores).make(ready.plan(), project));
            }
            throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("nothingWasMade", named(prepared.findings().blockers())));
        }
    }

    /** Files that couldn't be made don't keep the others back; the exit code tells of them. @param code of the others */
    static int leftOut(Preparation.Ready ready, Output output, int code) {
        if (ready.leftOut().isEmpty()) {
            return code;
        }
        output.error(ExitCode.FINDINGS, WORDS.say("notMade", named(ready.leftOut())));
        return code == ExitCode.PROVEN.code() ? ExitCode.FINDINGS.code() : code;
    }

    private static String named(List<Finding> findings) {
        return findings.stream().map(f -> f.id() + " (" + f.text() + ")").collect(Collectors.joining(" "));
    }

    /** Nobody can wait for frames without knowing which. */
    private static void refuseWithoutExpectation(Project project) {
        List<String> open = project.currentReel().orElseThrow().items().stream().flatMap(i -> i.sources().stream()).distinct()
                .map(id -> project.source(id).orElseThrow())
                .filter(s -> !s.location().pattern().isSingle() && s.reading().range() == null && s.reading().expected() == null)
                .map(Source::name).toList();
        if (!open.isEmpty()) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("sayWhichFramesToWaitFor", String.join(", ", open)));
        }
    }

    private Integer queued(Project project) throws IOException {
        if (whenComplete) {
            refuseWithoutExpectation(project);
        }
        Instant when = at == null ? null : parse(at, text -> StartTime.parse(text, ZonedDateTime.now()));
        try {
            Waiting waiting = RunQueue.of(places).add(project, new RunQueue.Terms(false, when, RunQueue.id(after), whenComplete));
            output.event("queued", "id", waiting.id(), "title", waiting.title());
            output.answer(WORDS.say("inTheQueueAsItIsMadeByThe", waiting.id(), waiting.title()));
            return ExitCode.PROVEN.code();
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
    }

    private Project project() throws IOException {
        Path absolute = path.toAbsolutePath().normalize();
        if (Files.isRegularFile(absolute) && absolute.toString().endsWith(ProjectFile.EXTENSION)) {
            Project project = ProjectFile.load(absolute);
            if (project.currentReel().isEmpty()) {
                throw new CommandFailure(ExitCode.FINDINGS, WORDS.say("theProjectHasNoReelToMake"));
            }
            KnownProjects.outside(project, absolute).forEach(place -> output.say(WORDS.say("theProjectNames", place)));
            return project;
        }
        SourceFinder.Found found = SourceFinder.find(absolute);
        List<Location> pictures = found.locations().stream().filter(l -> !l.isSound()).toList();
        if (pictures.isEmpty()) {
            throw new CommandFailure(ExitCode.FAILED, found.nothing(WORDS.say("noFramesAndNoMoviesIn", absolute)));
        }
        Location chosen = choose(found, pictures);
        fewer = new FoundSources(found, absolute, places).fewer(chosen, Reading.PLAIN);
        return Edits.bringIn(List.of(chosen), Edits.Layout.ONE_PROGRAMME).apply(Project.EMPTY);
    }

    /** What is named, or what is there alone: a folder's one sequence wins over movies and stills beside it. */
    private Location choose(SourceFinder.Found found, List<Location> pictures) {
        String names = pictures.stream().map(Location::name).collect(Collectors.joining(", "));
        if (sourceName == null) {
            if (found.sequences().size() == 1) {
                return found.sequences().getFirst().location();
            }
            if (pictures.size() > 1) {
                throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("thereAreSourcesChooseOne", pictures.size(), names));
            }
            return pictures.getFirst();
        }
        List<Location> named = pictures.stream().filter(l -> l.name().equals(sourceName)).toList();
        if (named.isEmpty()) {
            named = pictures.stream().filter(l -> l.pattern().baseName().equals(sourceName)
                    || l.pattern().fileName(Math.max(0, lastNumber(sourceName))).equals(sourceName)).toList();
        }
        if (named.size() != 1) {
            throw new CommandFailure(ExitCode.WRONG_USE,
                    WORDS.say("thereAre", (named.isEmpty() ? WORDS.say("thereIsNoSource") : WORDS.say("moreThanOneSourceIsNamed"))
                            + sourceName, names));
        }
        return named.getFirst();
    }

    /** The last number in a file name, or -1. */
    private static long lastNumber(String name) {
        var matcher = Pattern.compile("(\\d{1,18})(?!.*\\d.*\\.)").matcher(name);
        return matcher.find() ? Long.parseLong(matcher.group(1)) : -1;
    }

    private Project withSound(Project project) {
        if (sound == null) {
            return project;
        }
        Location location = Location.ofFile(sound.toAbsolutePath().normalize());
        if (!Files.isRegularFile(location.file()) || !location.isSound()) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("isNoSoundFileThatIsThere", location.file()));
        }
        Project with = Edits.bringIn(List.of(location), Edits.Layout.ONE_PROGRAMME).apply(project);
        String id = with.sources().stream().filter(s -> s.location().equals(location)).findFirst().orElseThrow().id();
        with = ReelEdits.addSound(id).apply(with);
        int place = with.currentReel().orElseThrow().sounds().size() - 1;
        if (soundAt == null) {
            return with;
        }
        Rate base = rate == null ? Rate.FPS_25 : parse(rate, Rate::parse);
        return ReelEdits.changeSound(place, SoundUse.of(id).withAt(parse(soundAt, text -> Moment.parse(text, base)))).apply(with);
    }

    private Project edited(Project found) {
        Project project = readings.apply(found);
        project = choices.files(project, places);
        if (rate != null) {
            project = Edits.setRate(parse(rate, Rate::parse)).apply(project);
        }
        for (Item item : project.currentReel().orElseThrow().items()) {
            if (gap != null) {
                for (String id : item.sources()) {
                    project = SourceEdits.setGap(id, parse(gap, GapPolicy::parse)).apply(project);
                }
            }
            if (range != null && item.source() != null) {
                project = SourceEdits.setRange(item.source(), parse(range, FrameRange::parse)).apply(project);
            }
        }
        if (range != null && project.currentReel().orElseThrow().items().size() > 1) {
            throw new CommandFailure(ExitCode.WRONG_USE, WORDS.say("rangeNeedsAReelWithOneItem"));
        }
        if (naming != null) {
            project = Edits.setNaming(parse(naming, FileNaming::parse).toString()).apply(project);
        }
        project = withSound(project);
        if (start != null) {
            project = ReelEdits.setStart(start).apply(project);
        }
        project = choices.apply(project, rate == null ? null : Rate.parse(rate));
        return out == null ? project : Edits.setFolder(Place.of(out)).apply(project);
    }

    static <T> T parse(String text, Function<String, T> parser) {
        try {
            return parser.apply(text);
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
    }

    private void tell(Finding finding) {
        List<String> options = finding.isBlocker() ? Lifting.options(finding) : List.of();
        output.event("finding", "id", finding.id(), "severity", finding.severity().id(), "target", finding.target(),
                "text", finding.text(), "evidence", finding.evidence(), "options", options);
        output.say(finding.severity().label() + ": " + finding.text()
                + (finding.evidence().isEmpty() ? "" : " [" + finding.evidence() + "]"));
        if (!options.isEmpty()) {
            output.say(WORDS.say("liftedBy", String.join(WORDS.say("or"), options)));
        }
        finding.remedies().stream().filter(Remedy.CopyText.class::isInstance).map(Remedy.CopyText.class::cast)
                .forEach(copy -> output.say(WORDS.say("toRenderAgain", copy.text())));
    }
}
