package dev.vat.desktop.window;

import dev.vat.core.project.Edits;
import dev.vat.core.source.Kin;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.session.Stranger;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Under the head: a question that cannot wait, and a line about what just happened. */
final class WordsBars extends VBox {

    private static final Words WORDS = Words.of(WordsBars.class);

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
        Stranger project = session.files().stranger().orElse(null);
        Parts.present(stranger, project != null);
        if (project == null || project.equals(stranger.getUserData())) {
            return;
        }
        stranger.setUserData(project);
        Label words = new Label(WORDS.say("wasMadeElsewhereItReads", project.name(), String.join(", ", project.outside())));
        words.setWrapText(true);
        words.setMinWidth(0);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        stranger.getChildren().setAll(words, Parts.button("open-stranger", WORDS.say("openIt"), () -> session.files().answerStranger(true)),
                Parts.button("leave-stranger", WORDS.say("leaveIt"), () -> session.files().answerStranger(false)));
    }

    private void showQuestion() {
        int count = session.search().question().size();
        Parts.present(question, count > 0);
        if (count > 0 && question.getChildren().isEmpty()) {
            Label words = new Label(question(count));
            words.setWrapText(true);
            words.setMinWidth(0);
            HBox.setHgrow(words, Priority.ALWAYS);
            words.setMaxWidth(Double.MAX_VALUE);
            question.getChildren().setAll(words,
                    Parts.button("one-programme", WORDS.say("oneProgramme"), () -> session.search().answer(Edits.Layout.ONE_PROGRAMME)),
                    Parts.button("reel-each", WORDS.say("oneReelEach"), () -> session.search().answer(Edits.Layout.ONE_REEL_EACH)),
                    Parts.button("leave-out", WORDS.say("leaveThemOut"), () -> session.search().answer(null)));
        } else if (count == 0) {
            question.getChildren().clear();
        }
    }

    private String question(int count) {
        long families = Kin.group(session.search().question()).stream().filter(Kin::isFamily).count();
        return WORDS.say("sourcesAreTheyOneProgramme", count, (families == 0 ? "" : WORDS.say("ofThoseThatBelongTogether")));
    }
}
