package dev.vat.desktop.window;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.DropPlace;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.StackPane;

/** Files that are dragged over the window: the place that would take them is marked, and what would come of it is said over the picture. */
final class Drops {

    private static final Words WORDS = Words.of(Drops.class);

    private static final String HERE = "drop-here";

    private final DropPlace everywhere;
    private final Label words = Parts.label("", "drop-words");
    private Node marked;

    /** @param stage where the picture stands, marked for all places without one of their own */
    Drops(Session session, Node window, StackPane stage, StackPane over) {
        this.everywhere = new DropPlace(stage, WORDS.say("addToTheProject"), _ -> true, session.search()::bringIn);
        words.setMouseTransparent(true);
        words.setId("drop-words");
        StackPane.setAlignment(words, Pos.CENTER);
        Parts.present(words, false);
        over.getChildren().add(words);
        window.setOnDragOver(this::over);
        window.setOnDragExited(_ -> leave());
        window.setOnDragDropped(this::dropped);
    }

    private static List<Path> files(DragEvent e) {
        return e.getDragboard().getFiles().stream().map(File::toPath).toList();
    }

    private DropPlace place(DragEvent e) {
        Node under = e.getPickResult() == null ? null : e.getPickResult().getIntersectedNode();
        return Optional.ofNullable(under).flatMap(node -> DropPlace.at(node, files(e))).orElse(everywhere);
    }

    private void over(DragEvent e) {
        if (e.getDragboard().hasFiles()) {
            e.acceptTransferModes(TransferMode.COPY);
            DropPlace place = place(e);
            if (place.node() != marked) {
                leave();
                marked = place.node();
                marked.getStyleClass().add(HERE);
            }
            words.setText(place.words());
            Parts.present(words, true);
        }
        e.consume();
    }

    private void leave() {
        Parts.present(words, false);
        if (marked != null) {
            marked.getStyleClass().removeAll(HERE);
            marked = null;
        }
    }

    private void dropped(DragEvent e) {
        leave();
        if (e.getDragboard().hasFiles()) {
            place(e).take().accept(files(e));
            e.setDropCompleted(true);
        }
        e.consume();
    }
}
