package dev.vat.desktop.window;

import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.session.Session;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.TextAlignment;

/** What stands in the picture's place while nothing has been brought in. */
final class Welcome extends VBox {

    private static final Words WORDS = Words.of(Welcome.class);

    private static final double WIDEST = 560;

    private final Session session;
    private final FlowPane recent = new FlowPane();

    Welcome(Session session, Runnable chooseFrames) {
        this.session = session;
        setId("welcome");
        getStyleClass().addAll("picture", "welcome");
        Label invite = new Label(WORDS.say("dropAFolderOfRenderedFrames"));
        invite.getStyleClass().add("invite");
        invite.setWrapText(true);
        invite.setTextAlignment(TextAlignment.CENTER);
        invite.setMinHeight(Region.USE_PREF_SIZE);
        Label words = new Label(WORDS.say("moviesAndSoundsOneFolder", FileKind.stillTitles()));
        words.setWrapText(true);
        words.setTextAlignment(TextAlignment.CENTER);
        // As it wraps it has to be as high as its lines need: the box would cut it to one.
        words.setMinHeight(Region.USE_PREF_SIZE);
        words.setMaxWidth(WIDEST);
        Button choose = Controls.button(WORDS.say("chooseAFolder"));
        choose.setId("welcome-choose");
        choose.getStyleClass().add("main-action");
        choose.setOnAction(_ -> chooseFrames.run());
        recent.setHgap(6);
        recent.setVgap(6);
        recent.setAlignment(Pos.CENTER);
        getChildren().addAll(invite, words, choose, recent);
    }

    void show() {
        recent.getChildren().clear();
        for (String project : session.settings().recent()) {
            Path path = Path.of(project);
            if (Files.exists(path)) {
                Button open = Controls.button(path.getFileName().toString());
                open.setOnAction(_ -> session.files().open(path));
                recent.getChildren().add(open);
            }
        }
        if (!recent.getChildren().isEmpty()) {
            recent.getChildren().addFirst(new Label(WORDS.say("recent")));
        }
    }
}
