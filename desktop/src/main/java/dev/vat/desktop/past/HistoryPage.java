package dev.vat.desktop.past;

import dev.vat.core.source.Location;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.DeliveryHistory;
import dev.vat.protocol.run.ReceiptFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.collections.ListChangeListener;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SelectionMode;
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

    private static final Words WORDS = Words.of(HistoryPage.class);

    /** What the window does for a file of the past. */
    public interface HistoryActions {
        void receipt(Path receipt);

        void watch(DeliveryHistory.Line line);

        void repack(DeliveryHistory.Line line);

        void handOver(List<Path> files);

        void close();
    }

    private final DeliveryHistory past;
    private final TextField words = new TextField();
    private final TextField note = new TextField();
    private final ListView<DeliveryHistory.Line> list = new ListView<>();
    private final Label summary = new Label();
    private final FlowPane acts = new FlowPane(6, 6);
    private final Dialogs ask;
    private final HistoryActions window;
    private List<DeliveryHistory.Line> all = List.of();
    private ContextMenu menu;

    public HistoryPage(DeliveryHistory past, Dialogs ask, HistoryActions window) {
        this.past = past;
        this.ask = ask;
        this.window = window;
        setId("history");
        getStyleClass().addAll("receipt", "history");
        Label title = new Label(WORDS.say("deliveredOnThisMachine"));
        title.getStyleClass().add("receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        words.setId("history-words");
        words.setAccessibleText(WORDS.say("findAmongWhatWasDelivered"));
        words.setPromptText(WORDS.say("findByNameFolderReelSource"));
        words.textProperty().addListener(_ -> find());
        words.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.DOWN) {
                list.requestFocus();
                list.getSelectionModel().selectFirst();
            }
        });
        HBox.setHgrow(words, Priority.ALWAYS);
        Button whose = Parts.button("history-find", WORDS.say("whoseFileIsThis"),
                () -> ask.file(WORDS.say("aFileThatVatMadeWhatever"), WORDS.say("allFiles"), List.of("*")).ifPresent(this::find));
        HBox head = new HBox(title, words, whose, Parts.button("close-history", WORDS.say("backToThePicture"), window::close));
        head.getStyleClass().add("receipt-head");
        list.setId("history-list");
        list.setAccessibleText(WORDS.say("whatWasDelivered"));
        list.setPlaceholder(new Label(WORDS.say("nothingWasDeliveredYetWhatever")));
        list.setCellFactory(_ -> new Cell());
        list.getSelectionModel().setSelectionMode(SelectionMode.MULTIPLE);
        list.getSelectionModel().getSelectedItems().addListener((ListChangeListener<DeliveryHistory.Line>) _ -> showActs());
        list.setOnContextMenuRequested(e -> {
            if (menu != null) {
                menu.hide();
            }
            menu = new ContextMenu(acts().map(act -> Controls.item(act.id, act.words, act.does)).toArray(MenuItem[]::new));
            menu.show(list, e.getScreenX(), e.getScreenY());
            e.consume();
        });
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER && chosen() != null) {
                window.receipt(ReceiptFile.of(chosen().file()));
            }
        });
        summary.getStyleClass().add("note");
        summary.setId("history-summary");
        note.setId("history-note");
        note.setAccessibleText(WORDS.say("noteOnThisDelivery"));
        note.setPromptText(WORDS.say("aNoteOnThisFileKeptWith"));
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
            summary.setText(WORDS.say("isThisFile", file.getFileName(),
                    (file.equals(line.file()) ? "." : WORDS.say("underAnotherNameOrInAnother"))));
        });
    }

    private void find() {
        String chosen = chosen() == null ? "" : chosen().entry().sha256();
        List<DeliveryHistory.Line> found = all.stream().filter(l -> l.matches(words.getText())).toList();
        list.getItems().setAll(found);
        if (found.isEmpty() && !all.isEmpty()) {
            list.setPlaceholder(new Label(WORDS.say("nothingThatWasDelivered")));
        }
        found.stream().filter(l -> l.entry().sha256().equals(chosen)).findFirst().ifPresentOrElse(list.getSelectionModel()::select,
                list.getSelectionModel()::selectFirst);
        summary.setText(all.isEmpty() ? "" : found.size() == all.size() ? WORDS.say("countOfFiles", all.size())
                : WORDS.say("ofFiles", found.size(), all.size()));
    }

    /** What can be done with what is chosen. */
    private record Act(String id, String words, Runnable does) {}

    private List<DeliveryHistory.Line> chosenLines() {
        return list.getSelectionModel().getSelectedItems().stream().filter(Objects::nonNull).toList();
    }

    private void showActs() {
        List<DeliveryHistory.Line> chosen = chosenLines();
        note.setText(chosen.size() == 1 ? chosen.getFirst().note() : "");
        note.setDisable(chosen.size() != 1);
        acts.getChildren().setAll(acts().map(act -> Parts.button(act.id, act.words, act.does)).toList());
    }

    private Stream<Act> acts() {
        List<DeliveryHistory.Line> chosen = chosenLines();
        List<Act> acts = new ArrayList<>();
        if (chosen.size() == 1) {
            ofOne(chosen.getFirst(), acts);
        }
        List<Path> whole = chosen.stream().filter(l -> l.there() && Files.exists(ReceiptFile.of(l.file()))).map(DeliveryHistory.Line::file)
                .toList();
        if (!whole.isEmpty()) {
            acts.add(new Act("history-hand-over", WORDS.say("handOver", whole.size()), () -> window.handOver(whole)));
        }
        if (!chosen.isEmpty()) {
            acts.add(new Act("history-path", WORDS.say("copyPaths", chosen.size()), () -> Clips.copy(
                    chosen.stream().map(l -> l.entry().path()).collect(Collectors.joining("\n")))));
        }
        return acts.stream();
    }

    private void ofOne(DeliveryHistory.Line line, List<Act> acts) {
        boolean receipt = Files.exists(ReceiptFile.of(line.file()));
        if (line.there()) {
            acts.add(new Act("history-watch", WORDS.say("watch"), () -> window.watch(line)));
            if (Files.isRegularFile(line.file())) {
                acts.add(new Act("history-repack", WORDS.say("splitReWrap"), () -> window.repack(line)));
            }
        }
        if (receipt) {
            acts.add(new Act("history-receipt", WORDS.say("receipt"), () -> window.receipt(ReceiptFile.of(line.file()))));
        }
        if (line.entry().projectText() != null) {
            acts.add(new Act("history-another", WORDS.say("forAnotherRecipient"), () -> past.forAnother(line)));
        }
        acts.add(new Act("history-again", WORDS.say("makeAgain"), () -> past.makeAgain(line)));
        if (line.there() && receipt) {
            acts.add(new Act("history-sound", WORDS.say("anotherSound"), () -> ask
                    .file(WORDS.say("theSoundToLayUnder", line.file().getFileName()), WORDS.say("sounds"), Location.SOUND_EXTENSIONS)
                    .ifPresent(sound -> past.resound(line, sound))));
            acts.add(new Act("history-changed", WORDS.say("makeWhatChanged"), () -> past.makeWhatChanged(line)));
        }
        acts.add(new Act("history-frames", WORDS.say("addItsFrames"), () -> past.showFrames(line)));
        if (line.entry().projectText() != null) {
            acts.add(new Act("history-project", WORDS.say("openItsProject"), () -> past.openProject(line)));
        }
        if (line.there()) {
            acts.add(new Act("history-reveal", WORDS.say("showFolder"), () -> ask.reveal(line.file())));
        }
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
            facts.setText(WORDS.say("frames", line.entry().day(), line.entry().reel(), line.entry().frames(),
                    (line.there() ? WORDS.say("in", line.file().getParent())
                            : WORDS.say("notAnyMoreIn", line.file().getParent()))));
            setGraphic(box);
        }
    }
}
