package dev.vat.desktop.session;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.finding.Severity;
import dev.vat.core.project.Edit;
import dev.vat.core.project.EditHistory;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.Location;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.time.Rate;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.words.Words;
import dev.vat.engine.project.KnownProjects;
import dev.vat.engine.project.ProjectFile;
import dev.vat.engine.storage.LayoutStore;
import dev.vat.engine.storage.PresetStore;
import dev.vat.engine.storage.Scratch;
import dev.vat.engine.storage.UserSettings;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * What the window shows and does, without any of its controls: the project with undo, what is seen on disk, the findings,
 * and the runs. All methods are called on one thread, the interface's; long work goes elsewhere and comes back to it.
 */
public final class Session implements AutoCloseable {

    private static final Words WORDS = Words.of(Session.class);

    private static final Logger LOG = LoggerFactory.getLogger(Session.class);

    private final Executor ui;
    private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
    private final Path pictureCache;
    private final Places places;
    private final Viewer viewer;
    private final Watch watch;
    private final Search search;
    private final DestinationWatch surroundings;
    private final Runs runs;
    private final Autosave keeper;
    private final Presets presets;
    private final Layouts layouts;
    private final HandOver handOver;
    private final Forecasts foretelling;
    private final MakeAction making;
    private final DeliveryHistory past;
    private final Judging judging;
    private final Scenes scenes;
    private final Previews previews;
    private final List<Runnable> listeners = new ArrayList<>();
    private EditHistory history = new EditHistory(Project.EMPTY);
    private List<Location> question = List.of();
    private Stranger stranger;
    private Planned planned;
    private Notice notice = Notice.NOTHING;
    private volatile boolean closed;
    private long revision;
    private boolean observing;

    /** @param ui runs what it is given on the interface's thread, later */
    public Session(Places places, Executor ui) {
        this.places = places;
        // What comes back after closing finds nobody any more.
        this.ui = task -> ui.execute(() -> {
            if (!closed) {
                task.run();
            }
        });
        this.pictureCache = places.cache().resolve("played");
        this.viewer = new Viewer(places);
        this.keeper = new Autosave(places, this.ui, this::say);
        this.judging = new Judging(this::project, this::observed, background, this.ui, this::tell);
        this.watch = new Watch(viewer, background, this.ui, Clock.systemUTC(), this::observedChanged);
        this.surroundings = new DestinationWatch(background, this.ui, this::surroundingsChanged);
        this.runs = new Runs(places, viewer, this::costs, background, this.ui, this::tell,
                () -> surroundings.lookAgain(project(), folderOf(project())),
                this::say);
        this.search = new Search(this, background, this.ui, () -> closed);
        this.making = new MakeAction(this, keeper);
        this.past = new DeliveryHistory(this, places, background, this.ui);
        this.scenes = new Scenes(this, places, background, this.ui);
        this.previews = new Previews(this, places, background, this.ui);
        this.foretelling = new Forecasts(this, places, background, this.ui);
        this.presets = new Presets(PresetStore.in(places), this);
        this.handOver = new HandOver(this, places, this.ui, background);
        this.layouts = new Layouts(LayoutStore.in(places), this);
        runs.findLeftOver();
        previews.load();
        this.background.execute(() -> Scratch.sweep(places));
    }

    public void addListener(Runnable listener) {
        listeners.add(listener);
    }

    void changed() {
        revision++;
        tell();
    }

    /** Something that only has to be shown, such as how far work is. */
    void tell() {
        listeners.forEach(Runnable::run);
    }

    /** Another number whenever project, sources or findings aren't what they were; runs don't count. */
    public long revision() {
        return revision;
    }

    /** Another number whenever the findings, and nothing else of what {@link #revision} counts, aren't what they were. */
    public long judgement() {
        return judging.changes();
    }

    /** What just happened, until the next thing happens. */
    public Notice notice() {
        return notice;
    }

    /** Shows a line about what was done; an empty one takes the line away. */
    public void say(String text) {
        notice = new Notice(Notice.Kind.DONE, text);
        tell();
    }

    /** What couldn't be done stays until somebody has dealt with it. */
    private void forgetNotice() {
        if (notice.kind() != Notice.Kind.FAILED) {
            notice = Notice.NOTHING;
        }
    }

    /** Somebody has gone on to something else: what was done needs no saying any more. */
    public void movedOn() {
        if (notice.kind() == Notice.Kind.DONE) {
            notice = Notice.NOTHING;
        }
    }

    /** Shows a line about what goes on. */
    public void working(String text) {
        notice = new Notice(Notice.Kind.UNDER_WAY, text);
        tell();
    }

    /** Shows a line about what couldn't be done: what happened, to which file, and what to do. */
    public void fail(String text) {
        notice = new Notice(Notice.Kind.FAILED, text);
        tell();
    }

    /** Where pictures that were played may be kept. */
    public Path pictureCache() {
        return pictureCache;
    }

    public Viewer viewer() {
        return viewer;
    }

    public Watch watch() {
        return watch;
    }

    public Runs runs() {
        return runs;
    }

    public Project project() {
        return history.present();
    }

    /** Where a project's files go, by itself or by the rule in the settings; null as long as nothing tells. */
    public Path folderOf(Project project) {
        return settings().folder().folderOf(project);
    }

    public UserSettings settings() {
        return keeper.settings();
    }

    /** Takes other settings of the user's. */
    public void remember(UserSettings changed) {
        keeper.remember(changed);
        changed();
    }

    /** Where settings are kept, to be read and edited as text. */
    public Path settingsFile() {
        return places.settings();
    }

    /** What may be thrown away at any time. */
    public Path cache() {
        return places.cache();
    }

    // ---- the project

    public void edit(Edit edit) {
        if (closed) {
            // What was being typed when the window closed.
            return;
        }
        if (history.apply(edit)) {
            projectChanged();
        } else {
            // A button that was pressed to no effect has to show again what holds.
            changed();
        }
    }

    public Optional<String> undoName() {
        return history.undoName();
    }

    public Optional<String> redoName() {
        return history.redoName();
    }

    public void undo() {
        if (history.undo()) {
            projectChanged();
        }
    }

    public void redo() {
        if (history.redo()) {
            projectChanged();
        }
    }

    private void projectChanged() {
        watch.look(project());
        surroundings.look(project(), folderOf(project()));
        foretelling.look();
        judging.now();
        autosave();
        changed();
    }

    private ReelCosts costs() {
        return foretelling.costs();
    }

    /** Trials found something, or what they found doesn't hold any more. */
    void foretold() {
        judging.now();
        changed();
    }

    void observedChanged() {
        // What is reported before anybody gets to it is seen together: of thousands of sources each report would go through all of them.
        if (!observing) {
            observing = true;
            ui.execute(() -> {
                observing = false;
                observe();
            });
        }
    }

    private void observe() {
        foretelling.look();
        if (watch.isChecking()) {
            // Reports come ten times a second: of each source alone, and of all reels, there is much to judge.
            judging.soon();
        } else {
            judging.now();
        }
        making.observed();
        changed();
    }

    /** The folder's room, or what lies in it, isn't what it was: only findings can come of that. */
    private void surroundingsChanged() {
        judging.again();
        making.observed();
        tell();
    }

    private Observed observed() {
        return new Observed(watch.tables(), watch.reviews(), watch.clips(), surroundings.destination(), watch.checking(),
                surroundings.unusable(), surroundings.lacking()).withTrial(foretelling.files(), foretelling.flashes());
    }

    public Findings findings() {
        return judging.findings();
    }

    /** The current reel with what is known of it. */
    public Optional<ResolvedReel> programme() {
        Map<String, FrameTable> tables = watch.tables();
        if (planned == null || planned.project != project() || !planned.tables.equals(tables)) {
            planned = new Planned(project(), Map.copyOf(tables), ResolvedReel.of(project(), tables));
        }
        return planned.programme;
    }

    /** A programme with what it was made of: as long as that stays, so does it. */
    private record Planned(Project project, Map<String, FrameTable> tables, Optional<ResolvedReel> programme) {}

    /** What will be heard, where clips of the reel have sound. */
    public Optional<ReelSound> sound() {
        return programme().flatMap(p -> ReelSound.of(p, watch.clips()));
    }

    /** What was delivered before. */
    public DeliveryHistory past() {
        return past;
    }

    /** What files will be, as far as test encodes tell. */
    public Forecasts foretelling() {
        return foretelling;
    }

    /** Scenes that run on this machine. */
    public Scenes scenes() {
        return scenes;
    }

    /** What was captured of them. */
    public Previews previews() {
        return previews;
    }

    public Layouts layouts() {
        return layouts;
    }

    public Presets presets() {
        return presets;
    }

    // ---- bringing in

    /** Frames or folders that were dropped or chosen; a project file is opened. */
    public void bringIn(List<Path> paths) {
        if (paths.size() == 1 && paths.getFirst().toString().endsWith(ProjectFile.EXTENSION)) {
            open(paths.getFirst());
            return;
        }
        if (paths.size() == 1 && HandOver.isTimeline(paths.getFirst())) {
            handOver().read(paths.getFirst());
            return;
        }
        search.bringIn(paths);
    }

    /** Reels as other programs can take them, and theirs. */
    public HandOver handOver() {
        return handOver;
    }

    /** What belongs together among the sources. */
    public Relatives relatives() {
        return new Relatives(project().sources(), watch.tables());
    }

    /** What looks for sources on disk. */
    public Search search() {
        return search;
    }

    /** Several sources were found that may be meant in different ways. */
    void ask(List<Location> locations) {
        question = locations;
        changed();
    }

    /** Sources that wait for a word on how they are meant; empty if there is no such question. */
    public List<Location> question() {
        return question;
    }

    /** @param layout null to leave the sequences out */
    public void answer(Edits.Layout layout) {
        List<Location> asked = question;
        question = List.of();
        if (layout != null) {
            edit(Edits.bringIn(asked, layout));
        }
        changed();
    }

    // ---- files

    /** Where the project is saved: its own file, or Vat's own folder until it has one. */
    public Path file() {
        return keeper.file();
    }

    public void open(Path path) {
        background.execute(() -> {
            try {
                Project project = ProjectFile.load(path);
                List<String> outside = keeper.knows(path) ? List.of() : KnownProjects.outside(project, path);
                ui.execute(() -> {
                    if (outside.isEmpty()) {
                        opened(project, path);
                    } else {
                        askAbout(new Stranger(path.getFileName().toString(), outside, () -> opened(project, path)));
                    }
                });
            } catch (IOException e) {
                ui.execute(() -> say(WORDS.say("theProjectCantBeOpened", e.getMessage())));
            }
        });
    }

    /**
     * Something that was made elsewhere and waits for a word.
     *
     * @param outside places that it names and that nobody has said yes to
     * @param open what a yes does
     */
    public record Stranger(String name, List<String> outside, Runnable open) {}

    void askAbout(Stranger asked) {
        stranger = asked;
        changed();
    }

    /** A project whose places aren't followed before somebody says so. */
    public Optional<Stranger> stranger() {
        return Optional.ofNullable(stranger);
    }

    /** @param yes whether the project is opened and what it names is followed */
    public void answerStranger(boolean yes) {
        Stranger asked = stranger;
        stranger = null;
        if (asked != null && yes) {
            asked.open.run();
        }
        changed();
    }

    private void opened(Project project, Path path) {
        forgetNotice();
        show(project, path);
        keeper.rememberProject(path);
    }

    /** Shows a project; {@code path} may be null for one that isn't saved yet. */
    public void show(Project project, Path path) {
        history = new EditHistory(project);
        keeper.lieAt(path);
        watch.forget();
        projectChanged();
    }

    /** An empty window; the project before it is saved already. */
    public void startAnew() {
        forgetNotice();
        show(Project.EMPTY, null);
    }

    /** Whether what is shown is what lies on disk. */
    public boolean isSaved() {
        return history.isSaved();
    }

    /** Whether another window has the project: changes made here aren't saved. */
    public boolean isOnlyRead() {
        return keeper.isOnlyRead();
    }

    /** Whether the project lies in Vat's own folder, because it was never given a place. */
    public boolean isUntitled() {
        return keeper.isUntitled();
    }

    public void saveAs(Path path) {
        keeper.lieAt(path);
        keeper.rememberProject(path);
        autosave();
        changed();
    }

    private void autosave() {
        keeper.save(project(), saved -> {
            if (saved.equals(project())) {
                history.markSaved();
                tell();
            }
        });
    }

    // ---- the destination

    public Observed.Destination destination() {
        return surroundings.destination();
    }

    // ---- making

    public Rate offeredRate() {
        return settings().lastRate();
    }

    public void chooseRate(Rate rate) {
        edit(Edits.setRateEverywhere(rate));
        keeper.remember(settings().withLastRate(rate));
    }

    /** The main action. */
    public MakeAction making() {
        return making;
    }

    public long count(Severity severity) {
        return judging.findings().count(severity);
    }

    public Optional<Deliverable> deliverable(String id) {
        return project().deliverables().stream().filter(d -> d.id().equals(id)).findFirst();
    }

    public FrameTable table(String source) {
        return watch.table(source);
    }

    /** What has to be rendered again of a source that has a {@link #table}. */
    public ResumeAdvice advice(Source source) {
        return watch.advice(source.id(), source.reading());
    }

    /** The same for all of its frames, whatever range of them is used. */
    public ResumeAdvice adviceOnAll(Source source) {
        return watch.advice(source.id(), source.reading().withRange(null));
    }

    @Override
    public void close() {
        closed = true;
        foretelling.close();
        previews.close();
        scenes.close();
        runs.close();
        viewer.close();
        keeper.close();
        background.shutdownNow();
        LOG.debug("Closed");
    }
}
