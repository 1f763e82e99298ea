package dev.vat.engine.run;

import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.WorkerMain;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The run process: carries one plan out. */
public final class RunWorker implements WorkerMain.Role {

    private final Consumer<Message> events;
    private Runner runner;
    private Thread thread;

    public RunWorker(Consumer<Message> events) {
        this.events = events;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case Message.Make make when runner == null -> {
                runner = new Runner(RunHome.at(Path.of(make.home())), events);
                thread = Thread.ofPlatform().name("run").start(() -> run(make.id()));
            }
            case Message.Pause pause when runner != null -> runner.pause(pause.on());
            case Message.Stop _ when runner != null -> runner.stop();
            default -> events.accept(new Message.Broken(message.id(), "this run doesn't do that now"));
        }
    }

    private void run(long id) {
        try {
            runner.run();
        } catch (IOException | RuntimeException e) {
            events.accept(new Message.Broken(id, e.getMessage() == null ? e.toString() : e.getMessage()));
        } catch (InterruptedException _) {
            events.accept(new Message.Broken(id, "the run was interrupted"));
        }
    }

    /** The owner has gone: the current frame is finished, then the process leaves, within five seconds. */
    @Override
    public void close() {
        if (thread == null) {
            return;
        }
        runner.stop();
        try {
            thread.join(4500);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
