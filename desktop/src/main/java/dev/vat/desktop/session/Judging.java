package dev.vat.desktop.session;

import dev.vat.core.finding.Findings;
import dev.vat.core.project.Project;
import dev.vat.core.reel.Reel;
import dev.vat.core.finding.Observed;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executor;
import java.util.function.Supplier;

/** What stands in the way of a project as it is seen: judged at once, or beside the interface's thread while reports keep coming. */
final class Judging {

    private final Supplier<Project> project;
    private final Supplier<Observed> observed;
    private final Executor background;
    private final Executor ui;
    private final Runnable found;
    private Findings findings = Findings.of(Project.EMPTY, new Observed(Map.of(), Observed.Destination.UNKNOWN));
    private long changes;
    /** How often it was judged at once: what was begun beside it before is old then. */
    private long atOnce;
    private boolean going;
    private boolean again;

    /** @param found told on the interface's thread when judging beside it has come to something else */
    Judging(Supplier<Project> project, Supplier<Observed> observed, Executor background, Executor ui, Runnable found) {
        this.project = project;
        this.observed = observed;
        this.background = background;
        this.ui = ui;
        this.found = found;
    }

    Findings findings() {
        return findings;
    }

    /** Another number whenever findings changed by {@link #soon} or {@link #again}, and nothing else did. */
    long changes() {
        return changes;
    }

    void now() {
        atOnce++;
        findings = judged(project.get(), observed.get());
    }

    /** The same, where only the findings can have changed by it. */
    void again() {
        Findings before = findings;
        now();
        if (!findings.all().equals(before.all())) {
            changes++;
        }
    }

    /** Judges beside the interface's thread; what comes meanwhile is judged together afterwards. */
    void soon() {
        if (going) {
            again = true;
            return;
        }
        going = true;
        Project judged = project.get();
        Observed seen = observed.get();
        long asked = atOnce;
        background.execute(() -> {
            try {
                Findings result = judged(judged, seen);
                ui.execute(() -> take(result, asked));
            } catch (RuntimeException e) {
                ui.execute(() -> failed(e));
            }
        });
    }

    /** A fault of Vat's own: told where all of them are, and the next change is judged all the same. */
    private void failed(RuntimeException fault) {
        going = false;
        again = false;
        throw fault;
    }

    private void take(Findings result, long asked) {
        going = false;
        if (asked == atOnce && !result.all().equals(findings.all())) {
            findings = result;
            changes++;
            found.run();
        }
        if (again) {
            again = false;
            soon();
        }
    }

    private static Findings judged(Project project, Observed observed) {
        List<Reel> reels = project.reels();
        if (reels.size() < 2) {
            return Findings.of(project, observed);
        }
        return Findings.merged(reels.stream().flatMap(reel -> Findings.of(project.withReels(reels, reel.id()), observed).all().stream())
                .toList());
    }
}
