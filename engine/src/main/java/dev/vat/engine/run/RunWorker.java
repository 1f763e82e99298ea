package dev.vat.engine.run;

import dev.vat.engine.demo.DemoData;
import dev.vat.engine.proof.ProofSheet;
import dev.vat.engine.proof.Reproof;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.repack.Repack;
import dev.vat.engine.standin.StandInRender;
import dev.vat.engine.worker.WorkerDuty;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The process that makes files: carries one plan out, proves a file again, or draws the demo's frames. */
public final class RunWorker implements WorkerDuty {

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
                switch (make.way()) {
                    case TOGETHER -> { }
                    case ONE_BY_ONE -> runner.alone();
                    case OF_WHAT_IS_DONE -> runner.endEarly();
                }
                start(make.id(), runner::run);
            }
            case Message.Prove prove -> start(prove.id(), () -> events.accept(
                    new Message.Proved(prove.id(), Reproof.of(Path.of(prove.file())).reasons())));
            case Message.WriteSheet sheet -> start(sheet.id(), () -> events.accept(new Message.SheetWritten(sheet.id(), ProofSheet.write(Path.of(sheet.file())).stream().map(Path::toString).toList())));
            case Message.Repack repack -> start(repack.id(), () -> {
                Repack.Result result = Repack.of(repack.order(), doing -> events.accept(new Message.Repacking(repack.id(), doing)));
                events.accept(new Message.Repacked(repack.id(), result.files().stream().map(Path::toString).toList(), result.said()));
            });
            case Message.JoinDone done -> start(done.id(), () -> events.accept(new Message.JoinedDone(done.id(),
                    WhatIsDone.join(RunHome.at(Path.of(done.home())), done.target(), Path.of(done.folder())).toString())));
            case Message.DrawDemo demo -> start(demo.id(), () -> DemoData.in(Path.of(demo.folder())).write(
                    shot -> events.accept(new Message.Drawn(demo.id(), shot.id(), shot == Shot.values()[Shot.values().length - 1]))));
            case Message.Render render -> start(render.id(), () -> new StandInRender(render.order()).run((frame, last) -> events.accept(new Message.Rendered(render.id(), frame, last))));
            case Message.Pause pause when runner != null -> runner.pause(pause.on());
            case Message.FinishEarly _ when runner != null -> runner.endEarly();
            case Message.Stop _ when runner != null -> runner.stop();
            default -> events.accept(new Message.Broken(message.id(), "this run doesn't do that now"));
        }
    }

    private interface Work {
        void run() throws IOException, InterruptedException;
    }

    private void start(long id, Work work) {
        thread = Thread.ofPlatform().daemon().name("work").start(() -> {
            try {
                work.run();
            } catch (IOException | RuntimeException e) {
                events.accept(new Message.Broken(id, e.getMessage() == null ? e.toString() : e.getMessage()));
            } catch (InterruptedException _) {
                events.accept(new Message.Broken(id, "the work was interrupted"));
            }
        });
    }

    /** The owner has gone: the current frame is finished, then the process leaves, within five seconds. */
    @Override
    public void close() {
        if (thread == null || runner == null) {
            return;
        }
        runner.leave();
        try {
            thread.join(4500);
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
