package dev.vat.desktop.window;

import dev.vat.core.project.Edits;
import dev.vat.core.source.Kin;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Under the head: a question that cannot wait, and a line about what just happened. */
final class WordsBars extends VBox {

    private final Session session;
    private final HBox question = new HBox();
    private final HBox stranger = new HBox();

    WordsBars(Session session) {
        this.session = session;
        question.getStyleClass().add("ask");
        question.setId("question");
        stranger.getStyleClass().add("ask");
        stranger.setId("stranger");
        getChildren().addAll(stranger, question);
    }

    void show() {
        showStranger();
        showQuestion();
    }

    private void showStranger() {
        Session.Stranger project = session.stranger().orElse(null);
        Parts.present(stranger, project != null);
        if (project == null || project.equals(stranger.getUserData())) {
            return;
        }
        stranger.setUserData(project);
        Label words = new Label(project.name() + " was made elsewhere. It reads from and writes to: " + String.join(", ", project.outside())
                + ". Nothing there was looked at yet.");
        words.setWrapText(true);
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        stranger.getChildren().setAll(words, Parts.button("open-stranger", "Open it", () -> session.answerStranger(true)),
                Parts.button("leave-stranger", "Leave it", () -> session.answerStranger(false)));
    }

    private void showQuestion() {
        int count = session.question().size();
        Parts.present(question, count > 0);
        if (count > 0 && question.getChildren().isEmpty()) {
            Label words = new Label(question(count));
            words.setWrapText(true);
            words.setMinWidth(0);
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(Double.MAX_VALUE);
            question.getChildren().setAll(words,
                    Parts.button("one-programme", "One programme", () -> session.answer(Edits.Layout.ONE_PROGRAMME)),
                    Parts.button("reel-each", "One reel each", () -> session.answer(Edits.Layout.ONE_REEL_EACH)),
                    Parts.button("leave-out", "Leave them out", () -> session.answer(null)));
        } else if (count == 0) {
            question.getChildren().clear();
        }
    }

    private String question(int count) {
        long families = Kin.group(session.question()).stream().filter(Kin::isFamily).count();
        return count + " sources: are they one programme, one after the other, or a reel each?"
                + (families == 0 ? "" : " Of those that belong together, the main one or the latest version goes in.");
    }
}
