package dev.vat.cli;

import dev.vat.core.delivery.RoughForecast;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Project;
import dev.vat.core.proof.Expectation;
import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.engine.run.Run;
import dev.vat.protocol.FileProgress.Stage;
import dev.vat.protocol.FileProgress;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** One run as a command carries it out: its progress as words or JSON lines, its end as an exit code. */
final class CommandRun {

    private static final Words WORDS = Words.of(CommandRun.class);

    private final Output output;
    private final Places places;
    private final Integer cores;
    private volatile Run running;
    private String held;
    private final Map<String, Stage> said = new HashMap<>();
    private final Map<String, RunFile> planned = new HashMap<>();

    CommandRun(Output output, Places places) {
        this(output, places, null);
    }

    /** @param cores how many of the machine's cores are used, or null for as many as the settings say */
    CommandRun(Output output, Places places, Integer cores) {
        this.output = output;
        this.places = places;
        this.cores = cores;
    }

    /** Makes everything, telling how far it is; the exit code of the whole. @param project that it is made of, or null */
    Integer make(RunPlan plan, Project project) throws IOException, InterruptedException {
        plan.files().forEach(f -> planned.put(f.target(), f));
        output.event("planned", "run", plan.run(), "frames", plan.frames(), "rate", plan.rate().toString(), "rateOrigin",
                plan.rateOrigin(), "folder", plan.folder(), "files", plan.files().stream().map(CommandRun::announced).toList());
        output.say(WORDS.say("makingFrom", (plan.files().size() == 1 ? WORDS.say("1File") : WORDS.say("files", plan.files().size())),
                (plan.frames() == 1 ? WORDS.say("1FrameAt") : WORDS.say("framesAt", plan.frames())), plan.rate().label()));
        return carryOut(plan, () -> Run.start(plan, places, new Run.Order(project, cores), this::tell));
    }

    private static Map<String, Object> announced(RunFile file) {
        return file.isSound() ? Map.of("target", file.target(), "name", file.fileName(), "channels", file.expected().sound().channels())
                : Map.of("target", file.target(), "name", file.fileName(), "size", file.expected().size().toString());
    }

    /**
     * Goes on with a run, telling how far it is; the exit code of the whole.
     *
     * @param early whether files are made of what is closed, and nothing more is read
     */
    Integer resume(RunHome home, boolean early) throws IOException, InterruptedException {
        RunPlan plan = home.plan();
        plan.files().forEach(f -> planned.put(f.target(), f));
        output.event("resumed", "run", plan.run(), "folder", plan.folder());
        output.say(WORDS.say("into", (early ? WORDS.say("endingRun") : WORDS.say("goingOnWithRun")) + plan.run(), plan.folder()));
        return carryOut(plan, () -> early ? Run.endEarly(home, places, this::tell) : Run.resume(home, places, this::tell));
    }

    private interface Begin {
        Run run() throws IOException;
    }

    private Integer carryOut(RunPlan plan, Begin begin) throws IOException, InterruptedException {
        Run.Outcome outcome;
        try (Interrupts interrupts = new Interrupts(this::stop)) {
            running = begin.run();
            if (interrupts.asked()) {
                running.stop();
            }
            outcome = running.outcome().join();
        }
        ExitCode worst = worst(plan, outcome);
        if (outcome.lost() != null) {
            output.error(ExitCode.FAILED, WORDS.say("theRunWasLostWhatIsClosed", outcome.lost(), plan.run()));
        }
        List<Map<String, Object>> files = new ArrayList<>();
        for (FileProgress file : outcome.files()) {
            Map<String, Object> line = new LinkedHashMap<>();
            line.put("target", file.target());
            line.put("path", file.path());
            line.put("receipt", file.receipt());
            line.put("proven", file.stage() == Stage.DELIVERED);
            if (file.why() != null) {
                line.put("why", file.why());
            }
            facts(file).ifPresent(facts -> line.putAll(facts.values()));
            files.add(line);
        }
        if (outcome.files().stream().allMatch(f -> f.stage() == Stage.DELIVERED)) {
            // Nothing is left that a later start would have to know of.
            running.home().discard();
        }
        if (outcome.lost() == null) {
            output.event("done", "files", files);
        }
        if (outcome.stopped()) {
            output.error(ExitCode.STOPPED, WORDS.say("stoppedNothingWasDelivered", plan.run()));
        }
        return worst.code();
    }

    private static ExitCode worst(RunPlan plan, Run.Outcome outcome) {
        List<Stage> stages = outcome.files().stream().map(FileProgress::stage).toList();
        if (outcome.lost() != null || stages.contains(Stage.FAILED) || stages.size() < plan.files().size()) {
            return ExitCode.FAILED;
        }
        return stages.contains(Stage.UNPROVEN) ? ExitCode.UNPROVEN
                : outcome.stopped() || stages.contains(Stage.STOPPED) ? ExitCode.STOPPED : ExitCode.PROVEN;
    }

    private void tell(RunMessage.Progress progress) {
        if (progress.held() != null && !progress.held().equals(held)) {
            output.event("held", "why", progress.held());
            output.say(WORDS.say("holdingStill", progress.held()));
        }
        held = progress.held();
        output.event("whole", "framesRead", progress.framesRead(), "secondsLeft", Math.round(progress.secondsLeft()));
        for (FileProgress file : progress.files()) {
            output.event("progress", "target", file.target(), "stage", file.stage().name().toLowerCase(Locale.ROOT),
                    "frame", file.done(), "frames", file.frames(), "bytes", file.bytes(), "speed",
                    Math.round(file.speed() * 10) / 10.0, "secondsLeft", Math.round(file.secondsLeft()));
            if (said.put(file.target(), file.stage()) != file.stage()) {
                String words = Optional.ofNullable(planned.get(file.target())).map(RunFile::title).orElse(file.target()) + ": "
                        + words(file);
                if (file.isEnd()) {
                    output.answer(words);
                    facts(file).ifPresent(facts -> output.answer("  " + facts.words()));
                } else {
                    output.say(words);
                }
                if (file.stage() == Stage.DELIVERED || file.stage() == Stage.UNPROVEN) {
                    output.event("proof", "target", file.target(), "path", file.path(), "receipt", file.receipt(), "proven",
                            file.stage() == Stage.DELIVERED, "why", file.why());
                }
            }
        }
    }

    /**
     * What a file that is there holds.
     *
     * @param size as it is stored
     * @param channels of sound alone; 0 where there are pictures
     * @param bytes of the whole file, or of a folder's files together
     */
    private record Facts(long frames, Rational seconds, Size size, int channels, long bytes) {

        Map<String, Object> values() {
            return channels > 0 ? Map.of("channels", channels, "seconds", seconds.toFixed(3), "bytes", bytes)
                    : Map.of("frames", frames, "seconds", seconds.toFixed(3), "size", size.toString(), "bytes", bytes);
        }

        String words() {
            return channels > 0 ? WORDS.say("soundFacts", channels, seconds.toFixed(3), RoughForecast.bytes(bytes))
                    : WORDS.say("facts", frames, seconds.toFixed(3), size, RoughForecast.bytes(bytes));
        }
    }

    private Optional<Facts> facts(FileProgress file) {
        RunFile as = planned.get(file.target());
        if (as == null || file.stage() != Stage.DELIVERED && file.stage() != Stage.UNPROVEN) {
            return Optional.empty();
        }
        Expectation expected = as.expected();
        return Optional.of(new Facts(expected.frames(), expected.rate().seconds(expected.frames()), expected.size(),
                as.isSound() ? expected.sound().channels() : 0, file.bytes()));
    }

    private static String words(FileProgress file) {
        return switch (file.stage()) {
            case WAITING -> "waiting";
            case FIRST_PASS -> WORDS.say("firstPass");
            case ENCODING -> "encoding";
            case JOINING -> "joining";
            case PROVING -> WORDS.say("writtenProving");
            case DELIVERED -> WORDS.say("madeAndProven", file.path());
            case UNPROVEN -> WORDS.say("madeButNotProvenKeptAt", file.why(), file.path());
            case FAILED -> WORDS.say("failed", file.why());
            case STOPPED -> "stopped";
        };
    }

    /** The current frame is finished, closed parts are kept, and the run can be gone on with. */
    private void stop() {
        output.say(WORDS.say("stoppingAfterThisFrameOnce"));
        Run run = running;
        if (run != null) {
            run.stop();
        }
    }
}
