package dev.vat.desktop.session;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.reel.Reel;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.run.RunFile;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.trial.Estimate;
import dev.vat.core.trial.FileForecast;
import dev.vat.core.trial.FileTrial;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.trial.Trial;
import dev.vat.core.trial.Variants;
import dev.vat.core.words.Words;
import dev.vat.engine.trial.ProjectTrial;
import dev.vat.engine.trial.Trials;
import dev.vat.protocol.TrialMessage;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.time.Duration;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.function.Consumer;

/**
 * What files will be, as far as test encodes tell. Once somebody asked for it, a column whose settings change is tried again by itself.
 * Called on the interface's thread.
 */
public final class Forecasts {

    private static final Words WORDS = Words.of(Forecasts.class);

    /** Nobody changes a setting for long without changing another. */
    private static final Duration PAUSE = Duration.ofMillis(1200);

    /** What was tried is of this content and of no other. */
    private record Content(Reel reel, List<Source> sources, Map<String, FrameTable> tables) {}

    private record Known(Deliverable deliverable, FileForecast forecast) {}

    /** A file that was tried, to be watched. */
    public record Tried(RunFile file, FileTrial trial) {}

    /** Steps of quality of one deliverable, each as it would be. */
    public record Ladder(Deliverable deliverable, Map<Deliverable, FileForecast> steps) {}

    private final Session session;
    private final Trials trials;
    private final Executor background;
    private final Executor ui;
    private final Map<String, Known> known = new HashMap<>();
    private final Map<String, Tried> tried = new HashMap<>();
    private Content content;
    private List<FrameRange> flashes = List.of();
    private ReelCosts costs;
    private Trials.Going going;
    private TrialMessage.Trying progress;
    private boolean wanted;
    /** What was tried last, or is being tried, of the columns that are on. */
    private List<Deliverable> meant = List.of();
    private long asked;

    Forecasts(Session session, Places places, Executor background, Executor ui) {
        this.session = session;
        this.trials = new Trials(places);
        this.background = background;
        this.ui = ui;
    }

    /** What a deliverable will be, with the settings that it has now. */
    public Optional<FileForecast> of(Deliverable deliverable) {
        Known k = known.get(deliverable.id());
        return k != null && k.deliverable.equals(deliverable) ? Optional.of(k.forecast) : Optional.empty();
    }

    /** The excerpts of a deliverable, as they were encoded with the settings that it has now. */
    public Optional<Tried> excerpts(Deliverable deliverable) {
        return of(deliverable).map(_ -> tried.get(deliverable.id()));
    }

    /** All that hold, by the deliverable's id. */
    Map<String, FileForecast> files() {
        Map<String, FileForecast> files = new HashMap<>();
        session.project().deliverablesOn().forEach(d -> of(d).ifPresent(f -> files.put(d.id(), f)));
        return files;
    }

    /** Frames of the reel within which it flashes too often. */
    public List<FrameRange> flashes() {
        return flashes;
    }

    /** How long a run takes, in seconds; empty until every file was tried. */
    public Optional<Estimate> seconds() {
        Map<String, FileForecast> files = files();
        return !files.isEmpty() && files.size() == session.project().deliverablesOn().size() ? Optional.of(ProjectTrial.seconds(files))
                : Optional.empty();
    }

    public boolean isGoing() {
        return going != null;
    }

    /** How far it is, in words; empty while nothing goes on. */
    public String words() {
        return going == null ? "" : progress == null ? WORDS.say("starting")
                : progress.doing() + (progress.frames() == 0 ? "" : " " + 100 * progress.done() / progress.frames() + " %");
    }

    /** Whether there is anything to try: sources that were looked into, and nothing in the way. */
    public boolean canStart() {
        return going == null && session.findings().mayRun() && !session.watch().isChecking()
                && session.programme().filter(p -> p.plan().count() > 0).isPresent();
    }

    /** Tries all files; what was tried before is known already. */
    public void start() {
        wanted = true;
        if (canStart()) {
            List<Deliverable> files = session.project().deliverablesOn();
            meant = files;
            run(files.stream().flatMap(d -> Variants.of(d).stream()).toList(), (job, trial) -> took(job, trial, files));
        }
    }

    /** What came of it, on the interface's thread. */
    private interface Result {
        void of(ProjectTrial job, Trial trial);
    }

    private void run(List<Deliverable> variants, Result result) {
        ResolvedReel programme = session.programme().orElseThrow();
        Project project = session.project();
        var clips = Map.copyOf(session.watch().clips());
        long number = ++asked;
        progress = null;
        // Stands for what is about to start, so that nobody starts it twice.
        Trials.Going[] started = new Trials.Going[1];
        going = new Trials.Going();
        Trials.Going placeholder = going;
        session.changed();
        background.execute(() -> {
            try {
                ProjectTrial job = ProjectTrial.of(project, programme, clips, session.viewer().library(), variants);
                started[0] = trials.start(job.plan(), told -> ui.execute(() -> {
                    if (number == asked) {
                        progress = told;
                        session.tell();
                    }
                }));
                ui.execute(() -> {
                    if (going == placeholder) {
                        going = started[0];
                    } else if (number != asked) {
                        started[0].cancel();
                    }
                });
                Trial trial = started[0].await();
                ui.execute(() -> {
                    if (number == asked) {
                        going = null;
                        result.of(job, trial);
                    }
                });
            } catch (CancellationException _) {
                ui.execute(() -> over(number, WORDS.say("theTestEncodeWasCancelled")));
            } catch (IOException | RuntimeException e) {
                ui.execute(() -> over(number, WORDS.say("theTestEncodeFailed", e.getMessage())));
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private void over(long number, String words) {
        if (number == asked) {
            going = null;
            session.say(words);
            session.changed();
        }
    }

    /** How hard each frame of the reel is to pack, once it was looked at; else null. */
    ReelCosts costs() {
        return costs;
    }

    private void took(ProjectTrial job, Trial trial, List<Deliverable> meant) {
        flashes = trial.flashes();
        costs = ReelCosts.of(trial.looked(), job.plan().frames());
        job.deliverables(trial, meant).forEach((id, forecast) -> known.put(id,
                new Known(meant.stream().filter(d -> d.id().equals(id)).findFirst().orElseThrow(), forecast)));
        for (RunFile file : job.plan().files()) {
            if (trial.files().containsKey(file.target())) {
                tried.put(Variants.deliverable(file.target()), new Tried(file, trial.files().get(file.target())));
            }
        }
        trial.failures().forEach((id, why) -> session
                .fail(WORDS.say("cantBeTried", session.deliverable(Variants.deliverable(id)).map(Deliverable::title).orElse(id), why)));
        session.observing().forecast();
    }

    public void cancel() {
        wanted = false;
        if (going != null) {
            asked++;
            going.cancel();
            going = null;
            session.say(WORDS.say("theTestEncodeWasCancelled"));
            session.changed();
        }
    }

    /** Project or sources aren't what they were. */
    void look() {
        Content now = new Content(session.project().currentReel().orElse(null), session.project().sources(),
                Map.copyOf(session.watch().tables()));
        if (!now.equals(content)) {
            content = now;
            known.clear();
            tried.clear();
            flashes = List.of();
            costs = null;
            wanted = false;
            meant = List.of();
            stopQuietly();
        } else if (wanted && !session.project().deliverablesOn().equals(meant)) {
            // What goes on is of settings that nobody has any more; what couldn't be tried isn't tried again as it is.
            meant = session.project().deliverablesOn();
            stopQuietly();
            if (meant.stream().anyMatch(d -> of(d).isEmpty())) {
                later();
            }
        }
    }

    private void stopQuietly() {
        if (going != null) {
            asked++;
            going.cancel();
            going = null;
        }
    }

    private void later() {
        long number = ++asked;
        background.execute(() -> {
            try {
                Thread.sleep(PAUSE);
                ui.execute(() -> {
                    if (number == asked && wanted && session.runs().going().isEmpty()) {
                        start();
                    }
                });
            } catch (InterruptedException _) {
                Thread.currentThread().interrupt();
            }
        });
    }

    /** Tries steps of quality of some deliverables. @param then told of those that have any, in their order */
    public void ladders(List<Deliverable> deliverables, Consumer<List<Ladder>> then) {
        if (!canStart()) {
            session.fail(isGoing() ? WORDS.say("aTestEncodeGoesOnAlready") : WORDS.say("nothingCanBeTriedYetSee"));
            return;
        }
        List<Deliverable> steps = deliverables.stream().flatMap(d -> Variants.ladder(d).stream()).toList();
        if (steps.isEmpty()) {
            session.fail(WORDS.say("thereIsNoQualityToChoose"));
            return;
        }
        run(steps, (job, trial) -> {
            Map<String, FileForecast> files = job.files(trial);
            then.accept(deliverables.stream().map(d -> {
                Map<Deliverable, FileForecast> of = new LinkedHashMap<>();
                Variants.ladder(d).stream().filter(s -> files.containsKey(s.id())).forEach(s -> of.put(s, files.get(s.id())));
                return new Ladder(d, of);
            }).filter(l -> !l.steps.isEmpty()).toList());
            session.changed();
        });
    }

    void close() {
        asked++;
        if (going != null) {
            going.cancel();
        }
    }
}
