package dev.vat.cli;

import dev.vat.core.project.Project;
import dev.vat.core.words.Words;
import dev.vat.engine.queue.RunQueue;
import dev.vat.engine.queue.Waiting;
import dev.vat.engine.run.Preparation;
import dev.vat.engine.storage.FolderRule;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.run.RunState;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "queue", mixinStandardHelpOptions = true)
final class QueueCommand implements Callable<Integer> {

    private static final Words WORDS = Words.of(QueueCommand.class);

    /** What is done with the queue, or with one in it. */
    enum Act {
        LIST, WORK, HOLD, RELEASE, FIRST, UP, DOWN, REMOVE
    }

    private static final long LOOK_AGAIN_MILLIS = 2000;

    private final Output output;
    private final Places places;

    @Parameters(index = "0", arity = "0..1", paramLabel = "WHAT")
    private Act act = Act.LIST;

    @Parameters(index = "1", arity = "0..1", paramLabel = "ID")
    private String id;

    @Option(names = "--json")
    private boolean json;

    QueueCommand(Output output, Places places) {
        this.output = output;
        this.places = places;
    }

    @Override
    public Integer call() throws IOException, InterruptedException {
        RunQueue queue = RunQueue.of(places);
        id = RunQueue.id(id);
        if (act != Act.LIST && act != Act.WORK && id == null) {
            throw new CommandFailure(ExitCode.WRONG_USE,
                    WORDS.say("sayWhich", queue.entries().stream().map(Waiting::id).collect(Collectors.joining(", "))));
        }
        try {
            switch (act) {
                case LIST -> {}
                case WORK -> {
                    return work(queue);
                }
                case HOLD -> queue.change(id, w -> w.withHeld(true));
                case RELEASE -> queue.change(id, w -> w.withHeld(false).withNotBefore(null));
                case FIRST -> queue.move(id, Integer.MIN_VALUE / 2);
                case UP -> queue.move(id, -1);
                case DOWN -> queue.move(id, 1);
                case REMOVE -> queue.remove(id);
            }
        } catch (IllegalArgumentException e) {
            throw new CommandFailure(ExitCode.WRONG_USE, e.getMessage());
        }
        list(queue.entries());
        return ExitCode.PROVEN.code();
    }

    private void list(List<Waiting> entries) throws IOException {
        Set<String> there = entries.stream().map(Waiting::id).collect(Collectors.toSet());
        for (Waiting waiting : entries) {
            Optional<String> reason = waiting.isBegun() ? Optional.empty()
                    : waiting.whyNot(Instant.now(), there)
                            .or(() -> waiting.whenComplete() ? Optional.of(WORDS.say("whenItsFramesAreComplete")) : Optional.empty());
            // An id for programs in every language, unless a reason is given.
            String state = waiting.isBegun() ? "begun" : "ready";
            Optional<RunState.Reached> reached = reached(waiting);
            String folder = folder(waiting);
            output.event("waiting", "id", waiting.id(), "title", waiting.title(), "state", reason.orElse(state), "folder", folder, "frames",
                    reached.map(RunState.Reached::frames).orElse(0L), "of", reached.map(RunState.Reached::of).orElse(null));
            output.answer(WORDS.say("line", waiting.id(), waiting.title(), reached.map(r -> WORDS.say("framesOf", r.frames(), r.of()))
                    .or(() -> reason).orElseGet(() -> WORDS.say(state)), folder));
        }
        if (entries.isEmpty()) {
            output.say(WORDS.say("nothingIsToBeMadeLater"));
        }
    }

    /** How far the run is that it became, if that is still there. */
    private Optional<RunState.Reached> reached(Waiting waiting) throws IOException {
        if (!waiting.isBegun() || !Files.exists(places.runs().resolve(waiting.run()))) {
            return Optional.empty();
        }
        RunHome run = RunHome.at(places.runs().resolve(waiting.run()));
        return RunState.of(run.journal()).reached(run.plan());
    }

    /** Where its files go, or why that isn't known: who looks at the queue wants to see what is wrong in it, too. */
    private static String folder(Waiting waiting) {
        try {
            return FolderRule.USUAL.folderOf(RunQueue.project(waiting)).toString();
        } catch (IOException e) {
            return e.getMessage();
        }
    }

    /** Makes one after the other until none is left but what is held, or comes after that; the worst exit code of all. */
    private Integer work(RunQueue queue) throws IOException, InterruptedException {
        int worst = ExitCode.PROVEN.code();
        try (FileChannel _ = queue.work().orElseThrow(() -> new CommandFailure(ExitCode.FAILED, WORDS.say("anotherVatWorksThroughThe")));
                Viewer viewer = new Viewer(places); Interrupts _ = new Interrupts(Thread.currentThread()::interrupt)) {
            Set<String> waitingForFrames = new HashSet<>();
            while (true) {
                Optional<Waiting> next = queue.next(Instant.now(), waitingForFrames);
                if (next.isEmpty()) {
                    if (!queue.goesOn()) {
                        break;
                    }
                    Thread.sleep(LOOK_AGAIN_MILLIS);
                    waitingForFrames.clear();
                    continue;
                }
                int code = make(next.get(), queue, viewer, waitingForFrames);
                worst = Math.max(worst, code);
                if (code == ExitCode.STOPPED.code()) {
                    return code;
                }
            }
        } catch (InterruptedException _) {
            output.error(ExitCode.STOPPED, "Stopped; what waits stays in the queue");
            return ExitCode.STOPPED.code();
        }
        output.say(WORDS.say("theQueueIsEmptyOrHeld", (worst == 0 ? "" : WORDS.say("somethingInItWasntMade"))));
        return worst;
    }

    private int make(Waiting waiting, RunQueue queue, Viewer viewer, Set<String> waitingForFrames)
            throws IOException, InterruptedException {
        Optional<RunHome> begun = waiting.isBegun()
                ? RunHome.unfinished(places).stream().filter(h -> h.id().equals(waiting.run())).findFirst() : Optional.empty();
        int code = ExitCode.PROVEN.code();
        if (begun.isPresent()) {
            code = new CommandRun(output, places).resume(begun.get(), false);
        } else if (!waiting.isBegun()) {
            Project project = RunQueue.project(waiting);
            Preparation prepared = Preparation.of(project, places, viewer,
                    (sequence, choice) -> Checking.check(viewer, sequence, false, choice, output));
            switch (prepared) {
                case Preparation.Ready ready when waiting.whenComplete() && !ready.complete() -> {
                    waitingForFrames.add(waiting.id());
                    return code;
                }
                case Preparation.Ready ready -> {
                    queue.change(waiting.id(), w -> w.withRun(ready.plan().run()));
                    output.say(waiting.id() + ": " + waiting.title());
                    code = MakeCommand.leftOut(ready, output, new CommandRun(output, places).make(ready.plan(), project));
                }
                case Preparation.Blocked _ when waiting.whenComplete() -> {
                    waitingForFrames.add(waiting.id());
                    return code;
                }
                case Preparation.Blocked blocked -> {
                    queue.change(waiting.id(), w -> w.withHeld(true));
                    output.error(ExitCode.FINDINGS, WORDS.say("isHeld", waiting.id(), blocked.findings().blockers().getFirst().text()));
                    return ExitCode.FINDINGS.code();
                }
            }
        }
        if (code != ExitCode.STOPPED.code()) {
            queue.remove(waiting.id());
        }
        return code;
    }
}
