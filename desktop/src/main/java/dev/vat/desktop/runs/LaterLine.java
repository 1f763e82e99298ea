package dev.vat.desktop.runs;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.RunQueueModel;
import dev.vat.engine.queue.Waiting;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** Something that is to be made later, on its line. */
final class LaterLine extends HBox {

    private static final Words WORDS = Words.of(LaterLine.class);

    /** What a line is made for: another state makes another line. */
    record Shown(Waiting waiting, String state) {}

    LaterLine(Shown shown, RunQueueModel later, Dialogs ask) {
        Waiting waiting = shown.waiting;
        String state = shown.state;
        getStyleClass().addAll("run", "row");
        setId("later-" + waiting.id());
        Label title = new Label(waiting.title());
        title.getStyleClass().add("strong");
        title.setMinWidth(0);
        Label words = new Label(state);
        words.getStyleClass().add("note");
        words.setMinWidth(0);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().addAll(title, words,
                Parts.small("later-first-" + waiting.id(), WORDS.say("first"), () -> later.move(waiting.id(), Integer.MIN_VALUE / 2)),
                Parts.small("later-down-" + waiting.id(), WORDS.say("down"), () -> later.move(waiting.id(), 1)),
                Parts.small("later-at-" + waiting.id(), "At\u2026",
                        () -> ask.text(WORDS.say("notToStartBefore1830Or2031"), "")
                                .filter(text -> !text.isBlank()).ifPresent(text -> later.startAt(waiting.id(), text))),
                waiting.held() || waiting.notBefore() != null
                        ? Parts.small("later-release-" + waiting.id(), WORDS.say("release"), () -> later.hold(waiting.id(), false))
                        : Parts.small("later-hold-" + waiting.id(), WORDS.say("hold"), () -> later.hold(waiting.id(), true)),
                Parts.small("later-remove-" + waiting.id(), WORDS.say("remove"), () -> later.remove(waiting.id())));
    }
}
