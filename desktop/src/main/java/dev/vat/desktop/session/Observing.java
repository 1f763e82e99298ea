package dev.vat.desktop.session;

import dev.vat.core.finding.Findings;
import dev.vat.core.finding.Observed;
import dev.vat.core.project.Project;
import dev.vat.core.resolved.ReelSound;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.engine.viewer.Viewer;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Optional;
import java.util.concurrent.Executor;

/** What is seen on disk of the project, and what is to be said of it: sources, the folder for files, test encodes, findings. */
public final class Observing {

    private final Session session;
    private final Watch watch;
    private final DestinationWatch destination;
    private final Judging judging;
    private final Planning planning;
    private final PassSums passes;
    private final Executor ui;
    private boolean coming;

    Observing(Session session, Viewer viewer, Executor background, Executor ui) {
        this.session = session;
        this.ui = ui;
        this.judging = new Judging(session::project, this::observed, background, ui, session::tell);
        this.watch = new Watch(viewer, background, ui, Clock.systemUTC(), this::changed);
        this.destination = new DestinationWatch(background, ui, this::destinationChanged);
        this.planning = new Planning(session::project, watch);
        this.passes = new PassSums(viewer, ui, this::judgedAgain);
    }

    Watch watch() {
        return watch;
    }

    Findings findings() {
        return judging.findings();
    }

    /** Another number whenever the findings, and nothing else, aren't what they were. */
    long judgement() {
        return judging.changes();
    }

    Optional<ResolvedReel> reel() {
        return planning.reel();
    }

    /** What will be heard, where clips of the reel have sound. */
    public Optional<ReelSound> sound() {
        return planning.sound();
    }

    /** Looks at what a project names and isn't known yet. @param folder where its files go, or null */
    void look(Project project, Path folder) {
        watch.look(project);
        destination.look(project, folder);
        session.forecasts().look();
        lookAtPasses();
        judging.now();
    }

    /** Looks at the folder for files once more. */
    void lookAtDestination(Project project, Path folder) {
        destination.lookAgain(project, folder);
    }

    /** Trials found something, or what they found doesn't hold any more. */
    void forecast() {
        judging.now();
        session.changed();
    }

    /** What is reported before anybody gets to it is seen together: of thousands of sources each report would go through all of them. */
    void changed() {
        if (!coming) {
            coming = true;
            ui.execute(() -> {
                coming = false;
                observe();
            });
        }
    }

    private void observe() {
        session.forecasts().look();
        if (watch.isChecking()) {
            // Reports come ten times a second: of each source alone, and of all reels, there is much to judge.
            judging.soon();
        } else {
            judging.now();
        }
        session.making().observed();
        session.changed();
        lookAtPasses();
    }

    private void lookAtPasses() {
        if (!watch.isChecking()) {
            planning.reel().ifPresent(passes::look);
        }
    }

    private void judgedAgain() {
        judging.again();
        session.tell();
    }

    /** The folder's room, or what lies in it, isn't what it was: only findings can come of that. */
    private void destinationChanged() {
        judging.again();
        session.making().observed();
        session.tell();
    }

    private Observed observed() {
        return new Observed(watch.tables(), watch.reviews(), watch.clips(), destination.destination(), watch.checking(),
                destination.unusable(), destination.lacking()).withTrial(session.forecasts().files(), session.forecasts().flashes())
                .withPasses(passes.reports()).withPreviews(session.previews().all());
    }
}
