package dev.vat.desktop.demo;

import dev.vat.core.project.Source;
import dev.vat.desktop.studio.Studio;
import dev.vat.engine.demo.DemoData;
import dev.vat.engine.place.Places;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.Task;
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

    private final Studio studio;
    private final Set<String> whole = new HashSet<>();
    private final Timeline looking = new Timeline(new KeyFrame(LOOK_AGAIN, _ -> look()));

    private LiveDemo(Studio studio) {
        this.studio = studio;
        looking.setCycleCount(Animation.INDEFINITE);
    }

    public static void start(Studio studio, Places places, Path folder) {
        studio.show(DemoData.project(folder), null);
        if (DemoData.isThere(folder)) {
            return;
        }
        studio.say("The demo's frames are being drawn into " + folder + "; they appear as they come.");
        LiveDemo demo = new LiveDemo(studio);
        demo.looking.play();
        Thread.ofVirtual().name("demo").start(() -> demo.draw(places, folder));
    }

    private void draw(Places places, Path folder) {
        try {
            Task.ask(places, new Message.DrawDemo(1, folder.toString()), message -> {
                if (message instanceof Message.Drawn drawn) {
                    Platform.runLater(() -> arrived(drawn));
                }
            }, message -> message instanceof Message.Drawn drawn && drawn.last());
        } catch (IOException e) {
            Platform.runLater(() -> {
                looking.stop();
                studio.say("The demo can't be drawn: " + e.getMessage());
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
        studio.project().sources().stream().filter(s -> !whole.contains(shot(s))).forEach(studio.watch()::listAgain);
    }

    private void arrived(Message.Drawn drawn) {
        studio.project().sources().stream().filter(s -> shot(s).equals(drawn.shot())).forEach(studio.watch()::listAgain);
        whole.add(drawn.shot());
        if (drawn.last()) {
            looking.stop();
        }
        studio.say(drawn.last() ? "" : drawn.shot() + " is there; the next shot is being drawn.");
    }
}
