package dev.vat.desktop.settings;

import static dev.vat.desktop.look.Fields.choice;
import static dev.vat.desktop.look.Fields.field;
import static dev.vat.desktop.look.Fields.named;
import static dev.vat.desktop.look.Fields.text;
import static dev.vat.desktop.look.Fields.whole;

import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.engine.storage.FolderRule;
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

    private static final Words WORDS = Words.of(SettingsPage.class);

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
        Label title = Parts.label(WORDS.say("settings"), "receipt-title");
        HBox head = new HBox(title, Parts.space(), Parts.button("close-settings", WORDS.say("backToThePicture"), close));
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
        fields.getChildren().setAll(scheme(now), textSize(now), rate(now), folder(now), cores(now), memory(now), cache(), receipts(),
                network(), file());
    }

    private void set(UserSettings changed) {
        session.remember(changed);
        show();
    }

    private Node scheme(UserSettings now) {
        return field(WORDS.say("look"), "", choice("scheme", UserSettings.Scheme.values(), now.scheme(), s -> switch (s) {
            case LIGHT -> WORDS.say("light");
            case DARK -> WORDS.say("dark");
            case SYSTEM -> WORDS.say("asTheSystem");
        }, s -> set(now.withScheme(s))));
    }

    private Node textSize(UserSettings now) {
        return field(WORDS.say("textSize"), WORDS.say("ofTextAndControlsFromThe"),
                choice("text-size", TEXT, now.textPercent() == null ? TEXT[0] : now.textPercent(), p -> p + " %",
                        p -> set(now.withTextPercent(p))));
    }

    private Node rate(UserSettings now) {
        List<Node> values = new ArrayList<>(List.of(choice("usual-rate", Rate.USUAL.toArray(Rate[]::new), now.lastRate(), Rate::label,
                r -> set(now.withLastRate(r)))));
        return field(WORDS.say("frameRate"), WORDS.say("offeredWhereFramesState"), values.toArray(Node[]::new));
    }

    private Node folder(UserSettings now) {
        return field(WORDS.say("folderForFiles"), WORDS.say("takenFromBesideTheFirst"), text("folder-rule", now.folder().text(), 24,
                typed -> set(now.withFolderRule(FolderRule.parse(typed)))));
    }

    private Node cores(UserSettings now) {
        int there = Runtime.getRuntime().availableProcessors();
        return field(WORDS.say("cores"), WORDS.say("howManyOfTheMachinesCores", there),
                text("cores", now.cores() == null ? "" : now.cores().toString(), 4,
                        typed -> set(now.withCores(typed.isBlank() ? null : Math.toIntExact(whole(typed, 1))))));
    }

    private Node memory(UserSettings now) {
        return field(WORDS.say("memory"), WORDS.say("forPicturesThatWerePlayed"),
                named("MB", text("picture-memory", Long.toString(now.pictureBytes() / 1_000_000), 6,
                        typed -> set(now.withPictureMegabytes(Math.toIntExact(whole(typed, LEAST_MEGABYTES)))))));
    }

    /** What was found out about frames. */
    private Node cache() {
        Label size = Parts.label(WORDS.say("beingMeasured"), "mono");
        size.setId("cache-size");
        Thread.startVirtualThread(() -> {
            CacheFolder cache = new CacheFolder(session.places().cache());
            String words = cache.words();
            Platform.runLater(() -> size.setText(words));
        });
        return field(WORDS.say("cache"), WORDS.say("whatWasFoundOutAboutFrames"), size,
                Parts.twice("clear-cache", WORDS.say("clear"), WORDS.say("clearItNow"), () -> Thread.startVirtualThread(() -> {
                    String left = new CacheFolder(session.places().cache()).clear();
                    String words = new CacheFolder(session.places().cache()).words();
                    Platform.runLater(() -> {
                        size.setText(words);
                        if (left.isEmpty()) {
                            session.say(WORDS.say("theCacheIsEmpty"));
                        } else {
                            session.fail(left);
                        }
                    });
                })), Parts.small("show-cache", WORDS.say("showFolder"), () -> ask.reveal(session.places().cache())));
    }

    private static Node receipts() {
        return field(WORDS.say("receipts"), WORDS.say("theyNameNoFolderNoUserAnd"));
    }

    private static Node network() {
        return field(WORDS.say("network"), WORDS.say("vatNeverCallsOutItLooks"));
    }

    private Node file() {
        return field(WORDS.say("keptAt"), WORDS.say("readableTextWhatIsChanged"),
                Parts.wrapped(session.places().settings().toString(), "mono"),
                Parts.small("show-settings", WORDS.say("showFolder"), () -> ask.reveal(session.places().settings())));
    }
}
