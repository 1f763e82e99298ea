package dev.vat.desktop.session;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.finding.Findings;
import dev.vat.core.project.Edit;
import dev.vat.core.project.EditHistory;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.time.Rate;
import dev.vat.engine.storage.LayoutStore;
import dev.vat.engine.storage.PresetStore;
import dev.vat.engine.storage.Scratch;
import dev.vat.engine.storage.UserSettings;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.storage.Places;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * What the window shows and does, without any of its controls: the project with undo, what is seen on disk, the findings,
 * and the runs. All methods are called on one thread, the interface's; long work goes elsewhere and comes back to it.
 */
public final class Session implements AutoCloseable {

    private final Executor ui;
    private final ExecutorService background = Executors.newVirtualThreadPerTaskExecutor();
    private final Places places;
    private final Viewer viewer;
    private final Observing observing;
    private final Search search;
    private final Runs runs;
    private final Autosave autosave;
    private final Presets presets;
    private final Layouts layouts;
    private final HandOver handOver;
    private final Forecasts forecasts;
    private final MakeAction making;
    private final DeliveryHistory deliveries;
    private final Scenes scenes;
    private final Previews previews;
    private final Notices notices = new Notices(this::tell);
    private final ProjectFiles files;
    private final List<Runnable> listeners = new ArrayList<>();
    private EditHistory history = new EditHistory(Project.EMPTY);
    private volatile boolean closed;
    private long revision;

    /** @param ui runs what it is given on the interface's thread, later */
    public Session(Places places, Executor ui) {
        this.places = places;
        // What comes back after closing finds nobody any more.
        this.ui = task -> ui.execute(() -> {
            if (!closed) {
                task.run();
            }
        });
        this.viewer = new Viewer(places);
        this.autosave = new Autosave(places, this.ui, this::say);
        this.observing = new Observing(this, viewer, background, this.ui);
        this.forecasts = new Forecasts(this, places, background, this.ui);
        this.runs = new Runs(places, viewer, forecasts::costs, background, this.ui, this::tell,
                () -> observing.lookAtDestination(project(), folderOf(project())), this::say);
        this.files = new ProjectFiles(this, autosave, background, this.ui);
        this.search = new Search(this, background, this.ui, () -> closed);
        this.making = new MakeAction(this, autosave);
        this.deliveries = new DeliveryHistory(this, places, background, this.ui);
        this.scenes = new Scenes(this, places, background, this.ui);
        this.previews = new Previews(this, places, background, this.ui);
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
        return observing.judgement();
    }

    /** What just happened. */
    public Notices notices() {
        return notices;
    }

    /** Shows a line about what was done; an empty one takes the line away. */
    public void say(String text) {
        notices.set(Notice.Kind.DONE, text);
    }

    /** Shows a line about what couldn't be done: what happened, to which file, and what to do. */
    public void fail(String text) {
        notices.set(Notice.Kind.FAILED, text);
    }

    public Viewer viewer() {
        return viewer;
    }

    public Watch watch() {
        return observing.watch();
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
        return autosave.settings();
    }

    /** Takes other settings of the user's. */
    public void remember(UserSettings changed) {
        autosave.remember(changed);
        changed();
    }

    /** Where all that isn't the project's lies. */
    public Places places() {
        return places;
    }

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
        observing.look(project(), folderOf(project()));
        files.save();
        changed();
    }

    /** What is seen on disk. */
    public Observing observing() {
        return observing;
    }

    public Findings findings() {
        return observing.findings();
    }

    /** The current reel with what is known of it. */
    public Optional<ResolvedReel> programme() {
        return observing.reel();
    }

    /** What was delivered before. */
    public DeliveryHistory deliveries() {
        return deliveries;
    }

    /** What files will be, as far as test encodes tell. */
    public Forecasts forecasts() {
        return forecasts;
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

    /** Reels as other programs can take them, and theirs. */
    public HandOver handOver() {
        return handOver;
    }

    /** What looks for sources on disk. */
    public Search search() {
        return search;
    }

    /** Where the project lies. */
    public ProjectFiles files() {
        return files;
    }

    /** Shows another project; what was done to the one before can't be undone in it. */
    void replace(Project project) {
        history = new EditHistory(project);
        watch().forget();
        projectChanged();
    }

    /** Whether what is shown is what lies on disk. */
    boolean isSaved() {
        return history.isSaved();
    }

    /** A project lies on disk now. */
    void saved(Project project) {
        if (project.equals(project())) {
            history.markSaved();
            tell();
        }
    }

    public void chooseRate(Rate rate) {
        edit(Edits.setRateEverywhere(rate));
        autosave.remember(settings().withLastRate(rate));
    }

    /** The main action. */
    public MakeAction making() {
        return making;
    }

    public Optional<Deliverable> deliverable(String id) {
        return project().deliverables().stream().filter(d -> d.id().equals(id)).findFirst();
    }

    @Override
    public void close() {
        closed = true;
        forecasts.close();
        previews.close();
        scenes.close();
        runs.close();
        viewer.close();
        autosave.close();
        background.shutdownNow();
    }
}
