package dev.vat.desktop.demo;

import dev.vat.core.project.Source;
import dev.vat.desktop.session.Session;
import dev.vat.engine.demo.DemoProject;
import dev.vat.engine.process.Task;
import dev.vat.protocol.TaskMessage;
import dev.vat.protocol.demo.DemoFolder;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.util.Duration;

/** The demo in an open window: the project is there at once, its frames are drawn while it is looked at. */
public final class LiveDemo {

    private static final Duration LOOK_AGAIN = Duration.seconds(2);

    private final Session session;
    private final Set<String> whole = new HashSet<>();
    private final Timeline looking = new Timeline(new KeyFrame(LOOK_AGAIN, _ -> look()));

    private LiveDemo(Session session) {
        this.session = session;
        looking.setCycleCount(Animation.INDEFINITE);
    }

    public static void start(Session session, Places places, Path folder) {
        session.files().show(DemoProject.in(folder), null);
        if (new DemoFolder(folder).isThere()) {
            return;
        }
        session.notices().working("The demo's frames are being drawn into " + folder + "; they appear as they come.");
        LiveDemo demo = new LiveDemo(session);
        demo.looking.play();
        Thread.ofVirtual().name("demo").start(() -> demo.draw(places, folder));
    }

    private void draw(Places places, Path folder) {
        try {
            Task.ask(places, new TaskMessage.DrawDemo(1, folder.toString()), message -> {
                if (message instanceof TaskMessage.Drawn drawn) {
                    Platform.runLater(() -> arrived(drawn));
                }
            }, message -> message instanceof TaskMessage.Drawn drawn && drawn.last());
        } catch (IOException e) {
            Platform.runLater(() -> {
                looking.stop();
                session.fail("The demo can't be drawn: " + e.getMessage());
            });
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private static String shot(Source source) {
        return source.folder().path().getFileName().toString();
    }

    /** Frames that have come since the last look. */
    private void look() {
        session.project().sources().stream().filter(s -> !whole.contains(shot(s))).forEach(session.watch()::listAgain);
    }

    private void arrived(TaskMessage.Drawn drawn) {
        session.project().sources().stream().filter(s -> shot(s).equals(drawn.shot())).forEach(session.watch()::listAgain);
        whole.add(drawn.shot());
        if (drawn.last()) {
            looking.stop();
        }
        session.say(drawn.last() ? "" : drawn.shot() + " is there; the next shot is being drawn.");
    }
}
