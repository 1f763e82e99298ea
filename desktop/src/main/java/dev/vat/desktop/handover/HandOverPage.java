package dev.vat.desktop.handover;

import static dev.vat.desktop.look.Fields.field;

import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.DeliveryHistory;
import dev.vat.desktop.session.Session;
import dev.vat.engine.handover.HandOverSet;
import dev.vat.protocol.run.ReceiptFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What leaves the house together: which files, what goes with them, for whom; and what came of it. */
public final class HandOverPage extends BorderPane {

    private static final Words WORDS = Words.of(HandOverPage.class);

    private static final int MOST = 60;
    private static final int WORDS_TALL = 3;

    private final Session session;
    private final Dialogs ask;
    private final Map<DeliveryHistory.Line, CheckBox> films = new LinkedHashMap<>();
    private final VBox list = new VBox(2);
    private final TextField name = new TextField();
    private final Button folder = Parts.button("set-folder", "", this::chooseFolder);
    private final TextArea comment = Controls.area();
    private final CheckBox timeline = Controls.check("");
    private final CheckBox sheets = Controls.check(WORDS.say("proofSheetsAndContactSheets"));
    private final CheckBox zip = Controls.check(WORDS.say("asOneZIPFile"));
    private final Button make = Parts.button("set-make", WORDS.say("putItTogether"), this::make);
    private final Label said = Parts.wrapped("", "note");
    private final HBox after = Parts.row();
    private Path to;

    public HandOverPage(Session session, Dialogs ask, Runnable close) {
        this.session = session;
        this.ask = ask;
        setId("hand-over");
        getStyleClass().addAll("receipt", "hand-over");
        Label title = new Label(WORDS.say("handOverSet"));
        title.getStyleClass().add("receipt-title");
        title.setMinWidth(Region.USE_PREF_SIZE);
        HBox head = new HBox(title, Parts.space(), Parts.button("set-check", WORDS.say("checkASet"), this::check),
                Parts.button("close-hand-over", WORDS.say("backToThePicture"), close));
        head.getStyleClass().add("receipt-head");
        name.setId("set-name");
        name.setPrefColumnCount(16);
        name.setText(session.project().name());
        comment.setId("set-comment");
        comment.setPrefRowCount(WORDS_TALL);
        comment.setWrapText(true);
        comment.setPromptText(WORDS.say("wordsForWhoeverGetsIt"));
        comment.setAccessibleText(WORDS.say("wordsForWhoeverGetsIt"));
        timeline.setId("set-timeline");
        timeline.setMnemonicParsing(false);
        sheets.setId("set-sheets");
        sheets.setSelected(true);
        zip.setId("set-zip");
        said.setId("set-said");
        folder.setMnemonicParsing(false);
        list.setId("set-films");
        Parts.present(after, false);
        VBox fields = new VBox(8, field(WORDS.say("files"), WORDS.say("wholeAndUnchangedSinceThey"), list),
                field(WORDS.say("name"), "", name), field(WORDS.say("into"), "", folder),
                field(WORDS.say("words"), "", comment), field(WORDS.say("with"), WORDS.say("theListOfContentsInPlain"),
                        new VBox(4, timeline, sheets, zip)),
                field("", "", make), said, after);
        fields.getStyleClass().add("hand-over-fields");
        ScrollPane scroll = new ScrollPane(fields);
        scroll.setFitToWidth(true);
        setTop(head);
        setCenter(scroll);
        setFolder(null);
    }

    /** Looks what was delivered meanwhile; words stay as they were left. @param chosen what is ticked, or null: as it was left */
    public void look(List<Path> chosen) {
        boolean reel = session.programme().filter(p -> p.rate().isPresent() && p.plan().count() > 0).isPresent();
        timeline.setText(reel ? WORDS.say("timelineOfAsOpenTimelineIO", session.programme().orElseThrow().reel().name())
                : WORDS.say("timelineThereIsNoReel"));
        timeline.setSelected(reel && (films.isEmpty() || timeline.isDisabled() || timeline.isSelected()));
        timeline.setDisable(!reel);
        session.deliveries().load(lines -> show(lines, chosen));
    }

    private void show(List<DeliveryHistory.Line> lines, List<Path> chosen) {
        List<DeliveryHistory.Line> whole = lines.stream().filter(l -> l.there() && Files.exists(ReceiptFile.of(l.file()))).toList();
        // The latest ones, and whatever was chosen, however old it is.
        List<DeliveryHistory.Line> there = Stream.concat(whole.stream().limit(MOST),
                whole.stream().skip(MOST).filter(l -> chosen != null && chosen.contains(l.file()))).toList();
        Map<Path, Boolean> ticks = new HashMap<>();
        films.forEach((line, box) -> ticks.put(line.file(), box.isSelected()));
        films.clear();
        list.getChildren().clear();
        String latest = there.isEmpty() ? "" : there.getFirst().entry().plan().run();
        for (DeliveryHistory.Line line : there) {
            CheckBox box = Controls.check(line.file().getFileName() + "   " + line.entry().title() + ", " + line.entry().day());
            box.setId("set-film-" + films.size());
            // Those that were made together last are what is handed over most of the time.
            box.setSelected(chosen != null ? chosen.contains(line.file())
                    : ticks.getOrDefault(line.file(), line.entry().plan().run().equals(latest)));
            box.setOnAction(_ -> refresh());
            films.put(line, box);
            list.getChildren().add(box);
        }
        if (there.isEmpty()) {
            list.getChildren()
                    .add(Parts.wrapped(WORDS.say("nothingWasDeliveredOnThis"), "note"));
        } else if (to == null) {
            setFolder(there.getFirst().file().getParent());
        }
        refresh();
    }

    private List<Path> chosen() {
        List<Path> chosen = new ArrayList<>();
        films.forEach((line, box) -> {
            if (box.isSelected()) {
                chosen.add(line.file());
            }
        });
        return chosen;
    }

    private void refresh() {
        make.setDisable(to == null || chosen().isEmpty());
    }

    private void setFolder(Path path) {
        to = path;
        folder.setText(path == null ? WORDS.say("chooseAFolder") : path.toString());
        refresh();
    }

    private void chooseFolder() {
        ask.folder(WORDS.say("whereTheSetIsMade"), to).ifPresent(this::setFolder);
    }

    private void make() {
        try {
            HandOverSet.Wish wish = new HandOverSet.Wish(name.getText(), to, chosen(),
                    timeline.isSelected() ? session.handOver().timeline().orElse(null) : null, comment.getText(), zip.isSelected(),
                    sheets.isSelected());
            make.setDisable(true);
            Parts.present(after, false);
            session.handOver().makeSet(wish, said::setText, made -> {
                refresh();
                after.getChildren().setAll(Parts.button("set-reveal", WORDS.say("showFolder"), () -> ask.reveal(made)),
                        Parts.button("set-path", WORDS.say("copyPath"), () -> Clips.copy(made.toString())),
                        Parts.button("set-again", WORDS.say("verifyAgainstItsManifest"),
                                () -> session.handOver().checkSet(made, said::setText)));
                Parts.present(after, true);
            }, this::refresh);
        } catch (IllegalArgumentException e) {
            said.setText(e.getMessage() + ".");
        }
    }

    /** Of whoever gets one. */
    private void check() {
        ask.folder(WORDS.say("aSetToVerifyAgainstItsManifest"), to).ifPresent(set -> session.handOver().checkSet(set, said::setText));
    }
}
