package dev.vat.desktop.help;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.Parts;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** The help that comes with Vat: topics at the left, found by their words; the keys are a topic of their own. */
public final class HelpPage extends BorderPane {

    private static final Words WORDS = Words.of(HelpPage.class);

    private static final double TOPICS = 170;
    /** At both sides of a page. */
    private static final double MARGINS = 36;

    /** Something that keys do. @param group under whose heading it stands */
    public record Key(String group, String keys, String words) {}

    private final Supplier<List<Key>> keys;
    private final TextField words = new TextField();
    private final ListView<HelpTopic> topics = new ListView<>();
    private final VBox text = new VBox();
    private final ScrollPane scroll = new ScrollPane(text);
    private final PageNodes nodes = new PageNodes(text.widthProperty().subtract(MARGINS), this::open);

    /** @param topic by its id, or null for the first */
    public HelpPage(String topic, Supplier<List<Key>> keys, Runnable close) {
        this.keys = keys;
        setId("help");
        getStyleClass().addAll("receipt", "help");
        words.setId("help-words");
        words.setPromptText(WORDS.say("findInTheHelp"));
        words.setAccessibleText(WORDS.say("findInTheHelp"));
        words.textProperty().addListener(_ -> find());
        HBox head = new HBox(Parts.label(WORDS.say("help"), "receipt-title"), words, Parts.space(),
                Parts.button("close-help", WORDS.say("backToThePicture"), close));
        head.getStyleClass().add("receipt-head");
        topics.setId("help-topics");
        topics.getStyleClass().add("topics");
        topics.setAccessibleText(WORDS.say("topics"));
        topics.setPrefWidth(TOPICS);
        topics.setMinWidth(TOPICS);
        topics.setPlaceholder(Parts.wrapped(WORDS.say("noTopicHasTheseWords"), "note"));
        topics.setCellFactory(_ -> new ListCell<>() {
            @Override
            protected void updateItem(HelpTopic topic, boolean empty) {
                super.updateItem(topic, empty);
                setPrefWidth(0);
                setText(empty || topic == null ? null : topic.title());
            }
        });
        topics.getSelectionModel().selectedItemProperty().addListener((_, _, chosen) -> show(chosen));
        text.getStyleClass().add("help-text");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        HBox page = new HBox(topics, scroll);
        HBox.setHgrow(scroll, Priority.ALWAYS);
        setTop(head);
        setCenter(page);
        topics.getItems().setAll(HelpTopic.values());
        topics.getSelectionModel().select(HelpTopic.of(topic));
    }

    /** The topics' titles by their ids. */
    public static Map<String, String> topics() {
        Map<String, String> topics = new LinkedHashMap<>();
        Arrays.stream(HelpTopic.values()).forEach(t -> topics.put(t.id(), t.title()));
        return topics;
    }

    private void find() {
        HelpTopic now = topics.getSelectionModel().getSelectedItem();
        List<HelpTopic> found = Arrays.stream(HelpTopic.values()).filter(t -> t.has(words.getText())).toList();
        topics.getItems().setAll(found);
        topics.getSelectionModel().select(found.contains(now) ? now : found.isEmpty() ? null : found.getFirst());
    }

    /** What a link in a page does: whatever was looked for, its topic is there. */
    private void open(HelpTopic topic) {
        words.clear();
        topics.getSelectionModel().select(topic);
        topics.scrollTo(topic);
    }

    private void show(HelpTopic topic) {
        text.getChildren().clear();
        if (topic == null) {
            return;
        }
        text.getChildren().setAll(nodes.blocks(topic.page()));
        if (topic == HelpTopic.KEYS) {
            text.getChildren().add(sheet());
        }
        scroll.setVvalue(0);
    }

    /** All keys with what they do. */
    private Node sheet() {
        GridPane sheet = new GridPane();
        sheet.setId("help-keys");
        sheet.setHgap(TOPICS / 8);
        sheet.setVgap(4);
        int line = 0;
        String group = null;
        for (Key key : keys.get()) {
            if (!key.group.equals(group)) {
                group = key.group;
                sheet.add(Parts.label(group, "strong", "keys-group"), 0, line++, 2, 1);
            }
            Label pressed = Parts.label(key.keys, "mono", "keys");
            pressed.setMinWidth(Region.USE_PREF_SIZE);
            sheet.add(pressed, 0, line);
            sheet.add(Parts.wrapped(key.words), 1, line++);
        }
        return sheet;
    }
}
