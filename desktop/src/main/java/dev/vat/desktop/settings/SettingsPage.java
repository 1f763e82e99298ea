package dev.vat.desktop.settings;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;
import static dev.vat.desktop.look.Fields.whole;

import dev.vat.core.time.Rate;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.engine.storage.UserSettings;
import java.util.ArrayList;
import java.util.List;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** What is the user's own choice, whatever the project: looks, defaults, what of the machine is used, what is kept. */
public final class SettingsPage extends BorderPane {

    private static final Integer[] TEXT = {100, 125, 150, 175, 200};
    private static final int LEAST_MEGABYTES = 100;

    private final Session session;
    private final Dialogs ask;
    private final VBox fields = new VBox();
    private UserSettings shown;

    public SettingsPage(Session session, Dialogs ask, Runnable close) {
        this.session = session;
        this.ask = ask;
        setId("settings");
        getStyleClass().addAll("receipt", "settings");
        Label title = Parts.label("Settings", "receipt-title");
        HBox head = new HBox(title, Parts.space(), Parts.button("close-settings", "Back to the picture", close));
        head.getStyleClass().add("receipt-head");
        fields.getStyleClass().add("settings-fields");
        ScrollPane scroll = new ScrollPane(fields);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        setTop(head);
        setCenter(scroll);
        show();
    }

    /** Shows what holds now. */
    public void show() {
        UserSettings now = session.settings();
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        fields.getChildren().setAll(scheme(now), textSize(now), rate(now), cores(now), memory(now), cache(), receipts(), network(), file());
    }

    private void set(UserSettings changed) {
        session.remember(changed);
        show();
    }

    private Node scheme(UserSettings now) {
        return field("Look", "", choice("scheme", UserSettings.Scheme.values(), now.scheme(), s -> switch (s) {
            case LIGHT -> "Light";
            case DARK -> "Dark";
            case SYSTEM -> "As the system";
        }, s -> set(now.withScheme(s))));
    }

    private Node textSize(UserSettings now) {
        return field("Text size", "Of text and controls, from the next start on.",
                choice("text-size", TEXT, now.textPercent() == null ? TEXT[0] : now.textPercent(), p -> p + " %",
                        p -> set(now.withTextPercent(p))));
    }

    private Node rate(UserSettings now) {
        List<Node> values = new ArrayList<>(List.of(choice("usual-rate", Rate.USUAL.toArray(Rate[]::new), now.lastRate(), Rate::label,
                r -> set(now.withLastRate(r)))));
        return field("Frame rate", "Offered where frames state none.", values.toArray(Node[]::new));
    }

    private Node cores(UserSettings now) {
        int there = Runtime.getRuntime().availableProcessors();
        return field("Cores", "How many of the machine's " + there + " cores runs may use; empty for all. From the next run on.",
                text("cores", now.cores() == null ? "" : now.cores().toString(), 4,
                        typed -> set(now.withCores(typed.isBlank() ? null : Math.toIntExact(whole(typed, 1))))));
    }

    private Node memory(UserSettings now) {
        return field("Memory", "For pictures that were played, so that they play again at once. From the next start on.",
                named("MB", text("picture-memory", Long.toString(now.pictureBytes() / 1_000_000), 6,
                        typed -> set(now.withPictureMegabytes(Math.toIntExact(whole(typed, LEAST_MEGABYTES)))))));
    }

    /** What was found out about frames. */
    private Node cache() {
        Label size = Parts.label("being measured", "mono");
        size.setId("cache-size");
        Thread.startVirtualThread(() -> {
            CacheFolder cache = new CacheFolder(session.cache());
            String words = cache.words();
            Platform.runLater(() -> size.setText(words));
        });
        return field("Cache", "What was found out about frames. It may go at any time: frames are then looked into again.", size,
                Parts.twice("clear-cache", "Clear", "Clear it now", () -> Thread.startVirtualThread(() -> {
                    String left = new CacheFolder(session.cache()).clear();
                    String words = new CacheFolder(session.cache()).words();
                    Platform.runLater(() -> {
                        size.setText(words);
                        if (left.isEmpty()) {
                            session.say("The cache is empty.");
                        } else {
                            session.fail(left);
                        }
                    });
                })), Parts.small("show-cache", "Show folder", () -> ask.reveal(session.cache())));
    }

    private static Node receipts() {
        return field("Receipts", "They name no folder, no user and no machine, so that they can go out with the files.");
    }

    private static Node network() {
        return field("Network", "Vat never calls out: it looks for no updates and sends nothing.");
    }

    private Node file() {
        return field("Kept at", "Readable text; what is changed there holds from the next start on.",
                Parts.wrapped(session.settingsFile().toString(), "mono"),
                Parts.small("show-settings", "Show folder", () -> ask.reveal(session.settingsFile())));
    }
}
