package dev.vat.desktop.past;

import dev.vat.core.source.Location;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.DeliveryHistory;
import dev.vat.protocol.run.ReceiptFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Everything that was delivered, to be searched by words, and what can be done with each again. */
public final class HistoryPage extends BorderPane {

    /** What the window does for a file of the past. */
    public interface HistoryActions {
        void receipt(Path receipt);

        void watch(DeliveryHistory.Line line);

        void repack(DeliveryHistory.Line line);

        void close();
    }

    private final DeliveryHistory past;
    private final TextField words = new TextField();
    private final TextField note = new TextField();
    private final ListView<DeliveryHistory.Line> list = new ListView<>();
    private final Label summary = new Label();
    private final FlowPane acts = new FlowPane(6, 6);
    private List<DeliveryHistory.Line> all = List.of();

    public HistoryPage(DeliveryHistory past, Dialogs ask, HistoryActions window) {
        this.past = past;
        setId("history");
        getStyleClass().addAll("receipt", "history");
        Label title = new Label("Delivered on this machine");
        title.getStyleClass().add("receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        words.setId("history-words");
        words.setAccessibleText("Find among what was delivered");
        words.setPromptText("Find by name, folder, reel, source, date\u2026");
        words.textProperty().addListener(_ -> find());
        words.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DOWN) {
                list.requestFocus();
                list.getSelectionModel().selectFirst();
            }
        });
        HBox.setHgrow(words, Priority.ALWAYS);
        Button whose = Parts.button("history-find", "Whose file is this\u2026", () -> ask.file("A file that Vat made, whatever it is "
                + "called now", "All files", List.of("*")).ifPresent(this::find));
        HBox head = new HBox(title, words, whose, Parts.button("close-history", "Back to the picture", window::close));
        head.getStyleClass().add("receipt-head");
        list.setId("history-list");
        list.setAccessibleText("What was delivered");
        list.setPlaceholder(new Label("Nothing was delivered yet. Whatever Vat makes and proves stands here."));
        list.setCellFactory(_ -> new Cell());
        list.getSelectionModel().selectedItemProperty().addListener((_, _, line) -> showActs(line, ask, window));
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER && chosen() != null) {
                window.receipt(ReceiptFile.of(chosen().file()));
            }
        });
        summary.getStyleClass().add("note");
        summary.setId("history-summary");
        note.setId("history-note");
        note.setAccessibleText("Note on this delivery");
        note.setPromptText("A note on this file, kept with Enter");
        note.setOnAction(_ -> {
            if (chosen() != null) {
                past.note(chosen(), note.getText(), this::load);
            }
        });
        VBox below = new VBox(6, summary, note, acts);
        below.getStyleClass().add("history-acts");
        setTop(head);
        setCenter(list);
        setBottom(below);
        load();
    }

    private DeliveryHistory.Line chosen() {
        return list.getSelectionModel().getSelectedItem();
    }

    private void load() {
        past.load(lines -> {
            all = lines;
            find();
        });
    }

    /** By its fingerprint, whatever its name and place are now. */
    private void find(Path file) {
        past.find(file, line -> {
            words.setText("");
            list.getItems().setAll(line);
            list.getSelectionModel().selectFirst();
            summary.setText(file.getFileName() + " is this file" + (file.equals(line.file()) ? "." : ", under another name or in "
                    + "another place."));
        });
    }

    private void find() {
        String chosen = chosen() == null ? "" : chosen().entry().sha256();
        List<DeliveryHistory.Line> found = all.stream().filter(l -> l.matches(words.getText())).toList();
        list.getItems().setAll(found);
        if (found.isEmpty() && !all.isEmpty()) {
            list.setPlaceholder(new Label("Nothing that was delivered holds all of these words."));
        }
        found.stream().filter(l -> l.entry().sha256().equals(chosen)).findFirst().ifPresentOrElse(list.getSelectionModel()::select,
                list.getSelectionModel()::selectFirst);
        summary.setText(all.isEmpty() ? "" : found.size() == all.size() ? all.size() + (all.size() == 1 ? " file" : " files")
                : found.size() + " of " + all.size() + " files");
    }

    private void showActs(DeliveryHistory.Line line, Dialogs ask, HistoryActions window) {
        acts.getChildren().clear();
        note.setText(line == null ? "" : line.note());
        note.setDisable(line == null);
        if (line == null) {
            return;
        }
        boolean receipt = Files.exists(ReceiptFile.of(line.file()));
        if (line.there()) {
            add("history-watch", "Watch", () -> window.watch(line));
            if (Files.isRegularFile(line.file())) {
                add("history-repack", "Split, re-wrap\u2026", () -> window.repack(line));
            }
        }
        if (receipt) {
            add("history-receipt", "Receipt", () -> window.receipt(ReceiptFile.of(line.file())));
        }
        if (line.entry().projectText() != null) {
            add("history-another", "For another recipient", () -> past.forAnother(line));
        }
        add("history-again", "Make again", () -> past.makeAgain(line));
        if (line.there() && receipt) {
            add("history-sound", "Another sound\u2026",
                    () -> ask.file("The sound to lay under " + line.file().getFileName(), "Sounds", Location.SOUND_EXTENSIONS)
                            .ifPresent(sound -> past.resound(line, sound)));
            add("history-changed", "Make what changed", () -> past.makeWhatChanged(line));
        }
        add("history-frames", "Add its frames", () -> past.showFrames(line));
        if (line.entry().projectText() != null) {
            add("history-project", "Open its project", () -> past.openProject(line));
        }
        if (line.there()) {
            add("history-reveal", "Show folder", () -> ask.reveal(line.file()));
        }
        add("history-path", "Copy path", () -> Clips.copy(line.entry().path()));
    }

    private void add(String id, String text, Runnable act) {
        Button button = Parts.button(id, text, act);
        acts.getChildren().add(button);
    }

    /** One delivered file: its name and what it is for, below it when, of what, and how long. */
    private static final class Cell extends ListCell<DeliveryHistory.Line> {
        private final Label name = new Label();
        private final Label what = new Label();
        private final Label facts = new Label();
        private final VBox box = new VBox(1, new HBox(8, name, what), facts);

        Cell() {
            name.getStyleClass().add("strong");
            name.setMinWidth(Region.USE_PREF_SIZE);
            what.setMinWidth(0);
            facts.getStyleClass().add("note");
            facts.setMinWidth(0);
            box.setMinWidth(0);
            box.setPrefWidth(0);
        }

        @Override
        protected void updateItem(DeliveryHistory.Line line, boolean empty) {
            super.updateItem(line, empty);
            setText(null);
            if (empty || line == null) {
                setGraphic(null);
                return;
            }
            name.setText(line.file().getFileName().toString());
            name.setGraphic((line.entry().proven() ? Icon.PROVEN : Icon.WARNING).node());
            name.getStyleClass().removeAll("good", "warn");
            name.getStyleClass().add(line.entry().proven() ? "good" : "warn");
            what.setText(line.entry().title() + (line.note().isEmpty() ? "" : "  \u00b7 " + line.note()));
            facts.setText(line.entry().day() + ", " + line.entry().reel() + ", " + line.entry().frames() + " frames, "
                    + (line.there() ? "in " + line.file().getParent()
                            : "not any more in " + line.file().getParent()));
            setGraphic(box);
        }
    }
}
