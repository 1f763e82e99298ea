package dev.vat.engine.process;

import dev.vat.core.words.Words;
import dev.vat.protocol.Lines;
import dev.vat.protocol.Message;
import dev.vat.protocol.WorkerRole;
import dev.vat.protocol.storage.Places;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The owner's end of one worker process. Messages and the loss are told on a thread of this object's own; a worker that
 * gives no sign of life for ten seconds and does nothing either is ended.
 */
public final class WorkerProcess implements AutoCloseable {

    private static final Words WORDS = Words.of(WorkerProcess.class);

    private static final Logger LOG = LoggerFactory.getLogger(WorkerProcess.class);
    private static final Duration SILENCE = Duration.ofSeconds(10);
    /** Among many others a process that steps back may hardly get a turn: one that works isn't dead. */
    private static final Duration LONGEST_SILENCE = Duration.ofSeconds(60);
    private static final int LAST_WORDS = 20;

    private final Process process;
    private final Lines lines;
    private final CompletableFuture<Message.Hello> hello = new CompletableFuture<>();
    private final Deque<String> lastWords = new ArrayDeque<>();
    private volatile long lastSign = System.nanoTime();
    private volatile boolean closing;
    private volatile boolean silent;

    private WorkerProcess(Process process) {
        this.process = process;
        this.lines = new Lines(process.getInputStream(), process.getOutputStream());
    }

    /**
     * @param messages told of everything the worker says, but its hello and heartbeats
     * @param lost told once if the worker ends without being closed
     */
    public static WorkerProcess start(WorkerRole role, Places places, Consumer<Message> messages,
            Consumer<WorkerLost> lost) throws IOException {
        return start(role, places, null, messages, lost);
    }

    /**
     * @param restraint how it steps back behind whatever a person does on the machine, or null if it doesn't
     * @param messages told of everything the worker says, but its hello and heartbeats
     * @param lost told once if the worker ends without being closed
     */
    public static WorkerProcess start(WorkerRole role, Places places, Restraint restraint, Consumer<Message> messages,
            Consumer<WorkerLost> lost) throws IOException {
        WorkerProcess worker = new WorkerProcess(ReadyWorkers.take(role, places, restraint));
        if (role == WorkerRole.RUN && !WorkerTransport.isHere()) {
            Awake.whileAlive(worker.process);
        }
        Thread.ofVirtual().name("worker-errors").start(worker::drainErrors);
        Thread.ofPlatform().daemon().name("worker-" + role.id()).start(() -> worker.listen(messages, lost));
        Thread.ofVirtual().name("worker-watch").start(worker::watch);
        return worker;
    }

    /** Lets the next one of a role start already: whoever {@link #start starts} it the same way needn't wait as long. */
    public static void prepare(WorkerRole role, Places places, Restraint restraint) {
        ReadyWorkers.prepare(role, places, restraint);
    }

    private void listen(Consumer<Message> messages, Consumer<WorkerLost> lost) {
        try {
            for (Optional<Message> next = lines.read(); next.isPresent(); next = lines.read()) {
                lastSign = System.nanoTime();
                switch (next.get()) {
                    case Message.Hello said -> hello.complete(said);
                    case Message.Heartbeat _ -> {}
                    case Message other -> messages.accept(other);
                }
            }
        } catch (IOException e) {
            LOG.debug("A worker's words end", e);
        }
        end(lost);
    }

    private void end(Consumer<WorkerLost> lost) {
        try {
            if (!process.waitFor(5, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                process.waitFor();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        WorkerLost loss = new WorkerLost(reason());
        hello.completeExceptionally(new IOException(loss.why()));
        if (!closing) {
            LOG.warn("Worker lost: {}", loss.why());
            lost.accept(loss);
        }
    }

    private String reason() {
        if (silent) {
            return WORDS.say("itGaveNoSignOfLifeAnyMore");
        }
        int code = process.exitValue();
        String words;
        synchronized (lastWords) {
            words = lastWords.isEmpty() ? "" : ": " + lastWords.peekLast();
        }
        return (code > 128 ? WORDS.say("itWasEndedBySignal", (code - 128)) : WORDS.say("itEndedWithCode", code)) + words;
    }

    private void drainErrors() {
        try (BufferedReader errors = new BufferedReader(
                new InputStreamReader(process.getErrorStream(), StandardCharsets.UTF_8))) {
            for (String line = errors.readLine(); line != null; line = errors.readLine()) {
                LOG.info("worker: {}", line);
                synchronized (lastWords) {
                    lastWords.add(line);
                    if (lastWords.size() > LAST_WORDS) {
                        lastWords.remove();
                    }
                }
            }
        } catch (IOException e) {
            LOG.debug("A worker's errors end", e);
        }
    }

    private void watch() {
        Duration cpu = Duration.ZERO;
        long lastWork = lastSign;
        try {
            while (process.isAlive()) {
                Thread.sleep(1000);
                Duration now = process.info().totalCpuDuration().orElse(cpu);
                if (now.compareTo(cpu) > 0) {
                    cpu = now;
                    lastWork = System.nanoTime();
                }
                boolean still = System.nanoTime() - Math.max(lastSign, lastWork) > SILENCE.toNanos();
                if (still || System.nanoTime() - lastSign > LONGEST_SILENCE.toNanos()) {
                    silent = true;
                    process.destroyForcibly();
                }
            }
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    /** What the worker says of itself; waits for it. */
    public Message.Hello hello() throws IOException {
        try {
            return hello.get(LONGEST_SILENCE.toSeconds(), TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(WORDS.say("interruptedWhileAWorker"), e);
        } catch (TimeoutException e) {
            throw new IOException(WORDS.say("aWorkerProcessDidntStart"), e);
        } catch (ExecutionException e) {
            throw new IOException(WORDS.say("aWorkerProcessCouldntStart", e.getCause().getMessage()), e);
        }
    }

    /** @throws IOException if the worker is gone */
    public void send(Message message) throws IOException {
        lines.write(message);
    }

    public boolean isAlive() {
        return process.isAlive();
    }

    public long pid() {
        return process.pid();
    }

    /** Ends it as a crash would; for tests and for workers that don't listen. */
    public void kill() {
        process.destroyForcibly();
    }

    /** Asks the worker to leave by ending its input, and ends it if it hasn't left after five seconds. */
    @Override
    public void close() {
        closing = true;
        try {
            process.getOutputStream().close();
            if (!process.waitFor(5, TimeUnit.SECONDS)) {
                process.destroyForcibly();
            }
        } catch (IOException e) {
            process.destroyForcibly();
        } catch (InterruptedException e) {
            process.destroyForcibly();
            Thread.currentThread().interrupt();
        }
    }
}
