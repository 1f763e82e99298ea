package dev.vat.desktop.session;

import dev.vat.core.project.Project;
import dev.vat.core.project.Source;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.reel.Reel;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.words.Words;
import dev.vat.engine.queue.RunQueue;
import dev.vat.engine.queue.StartTime;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Map;

/** The main action: what it says, whether it may be pressed, and what it waits for. Called on the interface's thread. */
public final class MakeAction {

    private static final Words WORDS = Words.of(MakeAction.class);

    /** What a run that was asked for still waits for. */
    private enum Waiting {
        NOTHING, CHECKS, FRAMES
    }

    private final Session session;
    private final Autosave keeper;
    private Waiting waiting = Waiting.NOTHING;
    private boolean everyReel;

    MakeAction(Session session, Autosave keeper) {
        this.session = session;
        this.keeper = keeper;
    }

    /** Whether a run was asked for and waits. */
    public boolean isArmed() {
        return waiting != Waiting.NOTHING;
    }

    /** Whether the run waits for frames that are still to come. */
    public boolean waitsForFrames() {
        return waiting == Waiting.FRAMES;
    }

    /** Whether the main action can be pressed. */
    public boolean canMake() {
        return !isArmed() && (session.findings().mayRun() || session.findings().onlyRateIsMissing());
    }

    /** What the main action says. */
    public String label() {
        boolean transparent = session.programme().filter(ResolvedReel::transparent).isPresent();
        int files = session.project().deliverablesOn().stream()
                .mapToInt(d -> (transparent && d.isKnown() && d.makesMatte() ? 2 : 1) + soundFiles(d)).sum();
        if (isArmed()) {
            return waitsForFrames() ? WORDS.say("waitingForFrames") : WORDS.say("checkingThenMaking");
        }
        if (session.findings().onlyRateIsMissing()) {
            return WORDS.say("makeAt", session.settings().lastRate().label());
        }
        if (files == 0) {
            return WORDS.say("make");
        }
        return WORDS.say("make2", (files == 1 ? WORDS.say("1File") : WORDS.say("files", files)));
    }

    private int soundFiles(Deliverable deliverable) {
        return deliverable.soundFiles() == null ? 0
                : session.observing().sound().map(sound -> deliverable.soundFiles().of(sound.channels()).size()).orElse(0);
    }

    /** What will be made, in words. */
    public String detail() {
        return session.programme().filter(p -> p.plan().count() > 0).map(p -> {
            String words = p.describe();
            return p.rate().map(r -> words + ", " + r.seconds(p.plan().count()).toFixed(3) + " s").orElse(words);
        }).orElse("");
    }

    /** Confirms an offered rate, waits for checks that go on, then makes the files of the reel that is shown. */
    public void make() {
        everyReel = false;
        start();
    }

    /** The same for every reel. */
    public void makeEveryReel() {
        everyReel = true;
        start();
    }

    private void start() {
        if (!canMake()) {
            return;
        }
        if (session.findings().onlyRateIsMissing()) {
            session.chooseRate(session.settings().lastRate());
        }
        if (session.watch().isChecking()) {
            waiting = Waiting.CHECKS;
            session.changed();
            return;
        }
        if (!session.findings().mayRun()) {
            return;
        }
        session.programme().flatMap(ResolvedReel::rate).ifPresent(rate -> keeper.remember(session.settings().withLastRate(rate)));
        Project project = session.project();
        Path folder = session.folderOf(project);
        keeper.remember(session.settings().withFolder(folder));
        for (Reel reel : everyReel ? project.reels() : project.currentReel().stream().toList()) {
            Project one = project.withReels(project.reels(), reel.id());
            session.runs().start(one, ResolvedReel.of(one, reel, session.watch().tables()), session.watch().clips(), folder);
        }
    }

    /** Makes one still of a source's frame, as deep as it is, into the folder for files. */
    public void keepStill(Source source, long number) {
        FrameTable table = session.watch().table(source.id());
        if (table == null || !table.sequence().has(number) || table.state(number) != FrameState.GOOD) {
            session.fail(WORDS.say("frameOfIsntThereWholeNo", number, source.name()));
            return;
        }
        Project one = SingleStill.of(session.project(), source, table, number);
        String id = one.sources().getFirst().id();
        session.runs().start(one, ResolvedReel.of(one, Map.of(id, table)).orElseThrow(), Map.of(), session.folderOf(one));
    }

    /**
     * Puts the files of the reel that is shown into the queue.
     *
     * @param when not to start before, as {@link StartTime} reads it; empty to hold them until somebody releases them
     */
    public void makeLater(String when) {
        try {
            Instant time = when.isBlank() ? null : StartTime.parse(when, ZonedDateTime.now());
            Project project = session.project();
            session.runs().later().add(project, new RunQueue.Terms(time == null, time, null, false));
        } catch (IllegalArgumentException e) {
            session.fail(e.getMessage() + ".");
        }
    }

    /** Makes the files by itself as soon as every frame that is expected is there and good. */
    public void makeWhenComplete() {
        if (session.findings().onlyRateIsMissing() || session.programme().flatMap(ResolvedReel::rate).isEmpty()) {
            session.chooseRate(session.settings().lastRate());
        }
        waiting = Waiting.FRAMES;
        everyReel = false;
        Project project = session.project();
        project.currentReel()
                .ifPresent(reel -> reel.items().stream().flatMap(i -> i.sources().stream()).flatMap(i -> project.source(i).stream())
                        .filter(s -> !s.location().pattern().isSingle()).forEach(s -> session.watch().watch(s, true)));
        session.observing().changed();
    }

    public void disarm() {
        waiting = Waiting.NOTHING;
        session.changed();
    }

    /** More is known of the frames: what was waited for may be there. */
    void observed() {
        if (isArmed() && !session.watch().isChecking() && (!waitsForFrames() || isComplete())) {
            waiting = Waiting.NOTHING;
            start();
        }
    }

    /** Whether each frame of the current reel that is expected is there, good, and no longer written to. */
    private boolean isComplete() {
        return session.findings().mayRun() && session.programme().filter(ResolvedReel::isComplete).isPresent();
    }
}
