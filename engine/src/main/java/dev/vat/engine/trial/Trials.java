package dev.vat.engine.trial;

import dev.vat.core.run.RunFile;
import dev.vat.core.run.RunPlan;
import dev.vat.core.trial.FileTrial;
import dev.vat.core.trial.Trial;
import dev.vat.core.words.Words;
import dev.vat.engine.process.Restraint;
import dev.vat.engine.process.WorkerProcess;
import dev.vat.protocol.Message;
import dev.vat.protocol.TrialMessage;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.run.ReelLook;
import dev.vat.protocol.run.RunHome;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.function.Consumer;

/** Trials of files, each in a process of its own; what was tried before isn't tried again. */
public final class Trials {

    private static final Words WORDS = Words.of(Trials.class);

    /** What the folder of a trial that goes on is called at first. */
    static final String GOING = "going-";
    /** It steps back behind whatever a person does, as a run does. */
    private static final Restraint RESTRAINT = new Restraint(null);

    private final Places places;
    private final TrialStore store;

    public Trials(Places places) {
        this.places = places;
        this.store = new TrialStore(places.cache().resolve("trials"));
    }

    /** A trial that goes on. */
    public static final class Going {
        private final CompletableFuture<Trial> result = new CompletableFuture<>();
        private volatile WorkerProcess worker;

        /** Ends it at once. */
        public void cancel() {
            result.cancel(false);
            WorkerProcess running = worker;
            if (running != null) {
                running.kill();
            }
        }

        /** Waits for what came of it. @throws CancellationException if it was cancelled @throws IOException with the reason in words */
        public Trial await() throws IOException, InterruptedException {
            try {
                return result.get();
            } catch (ExecutionException e) {
                throw e.getCause() instanceof IOException io ? io : new IOException(e.getCause().getMessage(), e.getCause());
            }
        }

        public boolean isOver() {
            return result.isDone();
        }
    }

    /** What is known already of a plan's files, where all of them were tried before. */
    Optional<Trial> known(RunPlan plan) {
        String reel = TrialStore.reelKey(plan);
        Map<String, FileTrial> files = store.known(reel, plan.files());
        return files.size() < plan.files().size() ? Optional.empty()
                : store.looked(reel).map(looked -> new Trial(looked.costs(), looked.flashes(), files, Map.of()));
    }

    /**
     * Tries those of a plan's files that weren't tried before.
     *
     * @param progress told on a thread of the trial's own
     */
    public Going start(RunPlan plan, Consumer<TrialMessage.Trying> progress) {
        Going going = new Going();
        Thread.ofVirtual().name("trial").start(() -> {
            try {
                going.result.complete(tried(plan, going, progress));
            } catch (IOException | RuntimeException e) {
                going.result.completeExceptionally(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                going.result.cancel(false);
            }
        });
        return going;
    }

    private Trial tried(RunPlan plan, Going going, Consumer<TrialMessage.Trying> progress) throws IOException, InterruptedException {
        String reel = TrialStore.reelKey(plan);
        Map<String, FileTrial> files = new HashMap<>(store.known(reel, plan.files()));
        Optional<ReelLook> looked = store.looked(reel);
        List<RunFile> rest = plan.files().stream().filter(f -> !files.containsKey(f.target())).toList();
        if (rest.isEmpty() && looked.isPresent()) {
            return new Trial(looked.get().costs(), looked.get().flashes(), files, Map.of());
        }
        Path work = places.cache().resolve("trials").resolve(GOING + plan.run());
        Files.createDirectories(work);
        try {
            RunHome home = RunHome.create(Places.in(work), plan.again(plan.run(), plan.made(), work.toString(), null)
                    .withFiles(rest.isEmpty() ? plan.files().subList(0, 1) : rest));
            if (looked.isPresent()) {
                looked.get().into(home.folder());
            }
            Trial trial = ask(home, looked.isPresent(), going, progress);
            store.keep(reel, new ReelLook(trial.looked(), trial.flashes()));
            for (RunFile file : rest) {
                FileTrial found = trial.files().get(file.target());
                if (found != null) {
                    files.put(file.target(), store.keep(reel, file, found));
                }
            }
            store.tidy();
            return new Trial(trial.looked(), trial.flashes(), files, trial.failures());
        } finally {
            Durable.deleteTree(work);
        }
    }

    private Trial ask(RunHome home, boolean looked, Going going, Consumer<TrialMessage.Trying> progress)
            throws IOException, InterruptedException {
        CompletableFuture<Trial> answer = new CompletableFuture<>();
        try (WorkerProcess worker = WorkerProcess.start(WorkerRole.TRIAL, places, RESTRAINT, message -> {
            switch (message) {
                case TrialMessage.Trying trying -> progress.accept(trying);
                case TrialMessage.Tried tried -> answer.complete(tried.trial());
                case Message.Broken broken -> answer.completeExceptionally(new IOException(broken.why()));
                default -> answer.completeExceptionally(new IOException(WORDS.say("aTrialSaid", message)));
            }
        }, loss -> answer.completeExceptionally(new IOException(WORDS.say("theTrialWasLost", loss.why()))))) {
            going.worker = worker;
            if (going.isOver()) {
                throw new CancellationException(WORDS.say("cancelledBeforeItBegan"));
            }
            worker.send(new TrialMessage.Try(1, home.folder().toString(), looked));
            Trial trial = answer.get();
            worker.kill();
            return trial;
        } catch (ExecutionException e) {
            throw e.getCause() instanceof IOException io ? io : new IOException(e.getCause().getMessage(), e.getCause());
        }
    }
}
