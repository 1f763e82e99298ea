package dev.vat.desktop.window;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Notice;
import dev.vat.desktop.session.Session;
import javafx.animation.PauseTransition;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.util.Duration;

/**
 * What just happened, over the lower edge of the picture, so that nothing else moves: what was done goes by itself, what couldn't be done
 * stays until it is dismissed.
 */
final class NoticeLine extends HBox {

    private static final Words WORDS = Words.of(NoticeLine.class);

    private static final double WIDEST = 600;
    private static final Insets ABOVE_TRANSPORT = new Insets(0, 12, 46, 12);
    private static final Duration READ = Duration.seconds(8);

    private final Session session;
    private final PauseTransition read = new PauseTransition(READ);
    private Notice shown;

    NoticeLine(Session session) {
        this.session = session;
        setId("notice");
        getStyleClass().add("notice");
        setAccessibleRole(AccessibleRole.TEXT);
        setOnMouseClicked(_ -> {
            session.notices().movedOn();
            show();
        });
        setMaxSize(WIDEST, Region.USE_PREF_SIZE);
        StackPane.setAlignment(this, Pos.BOTTOM_CENTER);
        StackPane.setMargin(this, ABOVE_TRANSPORT);
        Parts.present(this, false);
    }

    void show() {
        Notice notice = session.notices().notice();
        if (notice.equals(shown)) {
            return;
        }
        shown = notice;
        read.stop();
        Parts.present(this, !notice.words().isEmpty());
        setAccessibleText(notice.words());
        if (notice.words().isEmpty()) {
            return;
        }
        Label words = Parts.wrapped(notice.words());
        words.setId("notice-words");
        words.setMinWidth(0);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        getStyleClass().removeAll("done", "under-way", "failed");
        getStyleClass().add(switch (notice.kind()) {
            case DONE -> "done";
            case UNDER_WAY -> "under-way";
            case FAILED -> "failed";
        });
        Region glyph = (switch (notice.kind()) {
            case DONE -> Icon.PROVEN;
            case UNDER_WAY -> Icon.NOTE;
            case FAILED -> Icon.BLOCKER;
        }).node();
        getChildren().setAll(glyph, words);
        if (notice.kind() == Notice.Kind.FAILED) {
            getChildren().add(Parts.small("notice-seen", WORDS.say("dismiss"), () -> session.say("")));
        }
        if (notice.kind() == Notice.Kind.DONE) {
            read.setOnFinished(_ -> {
                if (session.notices().notice().equals(notice)) {
                    session.say("");
                }
            });
            read.playFromStart();
        }
    }
}
