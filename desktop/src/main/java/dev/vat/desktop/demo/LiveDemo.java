package dev.vat.desktop.demo;

import dev.vat.desktop.studio.Studio;
import dev.vat.engine.demo.DemoData;
import dev.vat.engine.place.Places;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.worker.Task;
import java.io.IOException;
import java.nio.file.Path;
import javafx.application.Platform;

/** The demo in an open window: the project is there at once, its frames are drawn while it is looked at. */
public final class LiveDemo {

    private LiveDemo() { }

    public static void start(Studio studio, Places places, Path folder) {
        studio.show(DemoData.project(folder), null);
        if (DemoData.isThere(folder)) {
            return;
        }
        studio.say("The demo's frames are being drawn into " + folder + "; they appear shot by shot.");
        Thread.ofVirtual().name("demo").start(() -> draw(studio, places, folder));
    }

    private static void draw(Studio studio, Places places, Path folder) {
        try {
            Task.ask(places, new Message.DrawDemo(1, folder.toString()), message -> {
                if (message instanceof Message.Drawn drawn) {
                    Platform.runLater(() -> arrived(studio, drawn));
                }
            }, message -> message instanceof Message.Drawn drawn && drawn.last());
        } catch (IOException e) {
            Platform.runLater(() -> studio.say("The demo can't be drawn: " + e.getMessage()));
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }

    private static void arrived(Studio studio, Message.Drawn drawn) {
        studio.project().sources().stream().filter(s -> s.folder().path().getFileName().toString().equals(drawn.shot()))
                .forEach(studio.watch()::again);
        studio.say(drawn.last() ? "" : drawn.shot() + " is there; the next shot is being drawn.");
    }
}
