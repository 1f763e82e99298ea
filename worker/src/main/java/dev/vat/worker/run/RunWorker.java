package dev.vat.worker.run;

import dev.vat.core.words.Words;
import dev.vat.protocol.Message;
import dev.vat.protocol.RunMessage;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.WorkerDuty;
import dev.vat.protocol.run.RunHome;
import dev.vat.scene.Shot;
import dev.vat.worker.demo.DemoFrames;
import dev.vat.worker.job.Job;
import dev.vat.worker.proof.ProofSheet;
import dev.vat.worker.proof.Reproof;
import dev.vat.worker.repack.Repack;
import dev.vat.worker.standin.StandInRender;
import java.nio.file.Path;
import java.util.function.Consumer;

/** The process that makes files: carries one plan out, proves a file again, or draws the demo's frames. */
public final class RunWorker implements WorkerDuty {

    private static final Words WORDS = Words.of(RunWorker.class);

    private final Consumer<Message> events;
    private Runner runner;
    private Thread thread;

    public RunWorker(Consumer<Message> events) {
        this.events = events;
    }

    @Override
    public void take(Message message) {
        switch (message) {
            case RunMessage.Make make when runner == null -> {
                runner = new Runner(RunHome.at(Path.of(make.home())), events);
                switch (make.way()) {
                    case TOGETHER -> {}
                    case ONE_BY_ONE -> runner.alone();
                    case OF_WHAT_IS_DONE -> runner.endEarly();
                }
                start(make, () -> {
                    runner.run();
                    return null;
                });
            }
            case TaskMessage.Prove prove -> start(prove,
                    () -> new TaskMessage.Proved(prove.id(), Reproof.of(Path.of(prove.file())).reasons()));
            case TaskMessage.WriteSheet sheet -> start(sheet,
                    () -> new TaskMessage.SheetWritten(sheet.id(),
                            ProofSheet.write(Path.of(sheet.file())).stream().map(Path::toString).toList()));
            case TaskMessage.Repack repack -> start(repack, () -> {
                Repack.Result result = Repack.of(repack.order(), doing -> events.accept(new TaskMessage.Repacking(repack.id(), doing)));
                return new TaskMessage.Repacked(repack.id(), result.files().stream().map(Path::toString).toList(), result.said());
            });
            case TaskMessage.JoinDone done -> start(done, () -> new TaskMessage.JoinedDone(done.id(),
                    PartialJoin.join(RunHome.at(Path.of(done.home())), done.target(), Path.of(done.folder())).toString()));
            case TaskMessage.DrawDemo demo -> start(demo, () -> {
                DemoFrames.in(Path.of(demo.folder())).write(
                        shot -> events
                                .accept(new TaskMessage.Drawn(demo.id(), shot.id(), shot == Shot.values()[Shot.values().length - 1])));
                return null;
            });
            case TaskMessage.Render render -> start(render, () -> {
                new StandInRender(render.order()).run((frame, last) -> events.accept(new TaskMessage.Rendered(render.id(), frame, last)));
                return null;
            });
            case RunMessage.Pause pause when runner != null -> runner.pause(pause.on());
            case RunMessage.FinishEarly _ when runner != null -> runner.endEarly();
            case RunMessage.Stop _ when runner != null -> runner.stop();
            default -> events.accept(new Message.Broken(message.id(), WORDS.say("thisRunDoesntDoThatNow")));
        }
    }

    private void start(Message asked, Job job) {
        thread = Thread.ofPlatform().daemon().name("work")
                .start(Job.of(asked.getClass().getSimpleName(), job, events, why -> new Message.Broken(asked.id(), why)));
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
