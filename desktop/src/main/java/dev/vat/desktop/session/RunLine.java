package dev.vat.desktop.session;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.run.RunFile;
import dev.vat.core.trial.ReelCosts;
import dev.vat.core.words.Words;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.ReceiptFile;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;

/** One run as the foot of the window shows it. */
public final class RunLine {

    private static final Words WORDS = Words.of(RunLine.class);

    private final Run run;
    private final ReelCosts costs;
    private List<FileProgress> files;
    private long framesRead;
    private Run.Outcome outcome;
    private boolean paused;
    private boolean resting;
    private boolean settled;
    private String held;
    private double secondsLeft = -1;

    /** @param costs how hard each frame of its reel is to pack, or null where nobody looked */
    RunLine(Run run, ReelCosts costs) {
        this.run = run;
        this.costs = costs != null && costs.frames() == run.plan().frames() ? costs : null;
        this.files = run.plan().files().stream().map(f -> new FileProgress(f.target(), FileProgress.Stage.WAITING, 0,
                f.expected().frames(), 0, 0, -1, null, null, null)).toList();
    }

    void progress(RunMessage.Progress progress) {
        files = progress.files();
        framesRead = progress.framesRead();
        held = progress.held();
        resting = progress.paused();
        secondsLeft = progress.secondsLeft();
    }

    void ended(Run.Outcome how) {
        outcome = how;
        if (!how.files().isEmpty()) {
            files = how.files();
        }
        if (how.lost() != null) {
            files = files.stream().map(f -> f.isEnd() ? f : new FileProgress(f.target(), FileProgress.Stage.FAILED,
                    f.done(), f.frames(), f.bytes(), 0, -1, null, null, WORDS.say("theRunWasLost", how.lost()))).toList();
        }
    }

    void taken(String target, Path path) {
        files = files.stream().map(f -> !f.target().equals(target) ? f : new FileProgress(f.target(),
                FileProgress.Stage.DELIVERED, f.done(), f.frames(), f.bytes(), 0, -1, path.toString(),
                ReceiptFile.of(path).toString(), WORDS.say("usedWithoutProof"))).toList();
    }

    void settled() {
        settled = true;
    }

    void pause(boolean on) {
        paused = on;
        resting = false;
        run.pause(on);
    }

    /** Why it holds still by itself for now, or null. */
    public String held() {
        return isGoing() ? held : null;
    }

    /** Until all of it is proven; negative while too little is known. */
    public double secondsLeft() {
        return secondsLeft;
    }

    /** How much of all its files is made, from 0 to 1. */
    public double share() {
        long all = files.stream().mapToLong(FileProgress::frames).sum();
        long done = files.stream()
                .mapToLong(f -> f.stage() == FileProgress.Stage.JOINING || f.stage() == FileProgress.Stage.PROVING || f.isEnd() ? f.frames()
                        : f.done())
                .sum();
        return all == 0 ? 0 : (double) done / all;
    }

    /**
     * What a file that is being made will weigh, by the bytes so far: easy frames say less than hard ones, where it is known which are
     * which.
     *
     * @return 0 while too little of it is made
     */
    public long expectedBytes(FileProgress file) {
        if (file.stage() != FileProgress.Stage.ENCODING || file.done() * 10 < file.frames() || file.done() >= file.frames()) {
            return 0;
        }
        int reelFrames = run.plan().files().stream().filter(f -> f.target().equals(file.target())).mapToInt(RunFile::reelFrames)
                .findFirst().orElse(1);
        boolean even = costs == null || run.plan().files().stream()
                .anyMatch(f -> f.target().equals(file.target()) && f.codecInCatalogue().everyFrameStandsAlone());
        double share = even ? (double) file.done() / file.frames() : costs.share(file.done() * reelFrames);
        return share < .05 ? 0 : Math.round(file.bytes() / share);
    }

    public boolean isPaused() {
        return paused;
    }

    /** Whether a pause has come about: nothing is read any more. */
    public boolean isResting() {
        return paused && resting;
    }

    public Run run() {
        return run;
    }

    /** What a file of it is called. */
    public String title(String target) {
        return run.plan().files().stream().filter(f -> f.target().equals(target)).map(RunFile::title).findFirst().orElse(target);
    }

    /** What a file of it may weigh, before anything was tried; null where nobody said. */
    public RoughForecast forecast(String target) {
        return run.plan().files().stream().filter(f -> f.target().equals(target)).map(RunFile::forecast).filter(Objects::nonNull)
                .findFirst().orElse(null);
    }

    public List<FileProgress> files() {
        return files;
    }

    public long framesRead() {
        return framesRead;
    }

    public boolean isGoing() {
        return outcome == null;
    }

    /** Whether something was left unmade that could be made again. */
    public boolean isUnfinished() {
        return outcome != null && !settled && files.stream().anyMatch(f -> f.stage() == FileProgress.Stage.STOPPED
                || f.stage() == FileProgress.Stage.FAILED);
    }

    /** How it ended, in one sentence. */
    static String words(List<FileProgress> files) {
        long proven = files.stream().filter(f -> f.stage() == FileProgress.Stage.DELIVERED && f.why() == null).count();
        return proven == files.size() ? WORDS.say("doneMadeAndProven", (proven == 1 ? WORDS.say("1File") : WORDS.say("files", proven)))
                : WORDS.say("doneOfFilesMadeAndProven", proven, files.size());
    }

    /** Whether every file is proven and delivered. */
    public boolean isProven() {
        return files.stream().allMatch(f -> f.stage() == FileProgress.Stage.DELIVERED && f.why() == null);
    }

    public boolean hasDelivered() {
        return files.stream().anyMatch(f -> f.stage() == FileProgress.Stage.DELIVERED);
    }
}
