package dev.vat.desktop.window;

import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.look.TallScroll;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.sheet.Dragged;
import dev.vat.desktop.sheet.FindingsPane;
import dev.vat.desktop.sheet.InFace;
import dev.vat.desktop.sheet.OutFace;
import dev.vat.desktop.sheet.ReelFace;
import dev.vat.desktop.sheet.TargetBar;
import dev.vat.desktop.sheet.Thumbnails;
import java.util.List;
import java.util.Locale;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import java.util.function.LongSupplier;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** Three faces of one programme, and under each of them who the files are for and what stands in the way. */
final class SheetPane extends BorderPane {

    private static final Words WORDS = Words.of(SheetPane.class);

    /** The faces, in the order of the work. */
    enum Face {
        IN, REEL, OUT
    }

    /** Of the sheet's height: in a low window the work keeps its room. */
    private static final double MOST_FINDINGS = .24;

    private final Thumbnails thumbnails;
    private final InFace in;
    private final ReelFace reel;
    private final OutFace out;
    private final TargetBar targets;
    private final FindingsPane findings;
    private final ToggleButton[] tabs = new ToggleButton[Face.values().length];
    private final ScrollPane scroll = new ScrollPane();
    private Face face = Face.IN;

    /**
     * @param scenes what stands above the sources
     * @param faceChosen told of a press on a face's name
     * @param sourceChosen told of the id of a source
     * @param seek told of a reel frame to go to
     * @param playhead the place that is shown
     * @param columnChosen told when another deliverable is in focus
     * @param ladders asked for steps of quality
     * @param pictures shows what findings are about
     */
    SheetPane(Session session, Dialogs ask, ScenesPane scenes, Consumer<Face> faceChosen, Consumer<String> sourceChosen, LongConsumer seek,
            LongSupplier playhead,
            Runnable columnChosen, Runnable ladders, FindingsPane.Pictures pictures) {
        thumbnails = new Thumbnails(session.viewer()::later, Platform::runLater);
        in = new InFace(session, ask, thumbnails, scenes, sourceChosen);
        reel = new ReelFace(session, ask, thumbnails, seek, playhead);
        targets = new TargetBar(session, ask);
        out = new OutFace(session, ask, columnChosen, ladders, targets::open);
        findings = new FindingsPane(session, ask, thumbnails, pictures);
        getStyleClass().add("sheet");
        HBox names = new HBox();
        names.getStyleClass().add("faces");
        for (Face each : Face.values()) {
            String word = WORDS.say(each.name().toLowerCase(Locale.ROOT));
            ToggleButton tab = Controls.toggle(word);
            tab.setId("face-" + each.name().toLowerCase(Locale.ROOT));
            tab.setOnAction(_ -> faceChosen.accept(each));
            if (each == Face.REEL) {
                takeSources(tab, session, faceChosen);
            }
            tabs[each.ordinal()] = tab;
            names.getChildren().add(tab);
        }
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        TallScroll below = new TallScroll(findings, () -> Math.min(findings.most(), getHeight() * MOST_FINDINGS));
        below.setMinHeight(Region.USE_PREF_SIZE);
        below.setMaxHeight(Region.USE_PREF_SIZE);
        setTop(names);
        // Lists go through their rows themselves; the sheet is gone through as a whole. All stay in the scene: what comes into it anew is
        // styled anew, which takes longer than everything else about it.
        scroll.setContent(out);
        setCenter(new StackPane(in, reel, scroll));
        setBottom(new VBox(out.sentence(), targets, below));
    }

    /** A source that is dropped here goes to the end of the reel. */
    private static void takeSources(ToggleButton tab, Session session, Consumer<Face> faceChosen) {
        tab.setOnMouseDragEntered(
                e -> Dragged.of(e).filter(Dragged.OfSources.class::isInstance).ifPresent(_ -> tab.getStyleClass().add("drop-here")));
        tab.setOnMouseDragExited(_ -> tab.getStyleClass().removeAll("drop-here"));
        tab.setOnMouseDragReleased(e -> {
            if (Dragged.of(e).orElse(null) instanceof Dragged.OfSources(List<String> ids)) {
                List<Edit> added = ids.stream().filter(id -> session.watch().table(id) != null).map(ReelEdits::addItem).toList();
                if (!added.isEmpty()) {
                    session.edit(Edit.together(added));
                }
                faceChosen.accept(Face.REEL);
            }
        });
    }

    Face face() {
        return face;
    }

    void setFace(Face other) {
        face = other;
        scroll.setVvalue(0);
    }

    /** Opens a group of what is chosen. */
    void open(String group) {
        if (face == Face.IN) {
            in.open(group);
        } else {
            reel.open(group);
        }
    }

    /** The place of the one item that is chosen on the Reel face; -1 for none. */
    int chosenItem() {
        return face == Face.REEL ? reel.chosenItem() : -1;
    }

    /** Chooses an item of the reel, or none with -1. */
    void chooseItem(int place) {
        reel.chooseItem(place);
    }

    /** Whether its pictures are there. */
    boolean isSettled() {
        return thumbnails.isThere();
    }

    OutFace out() {
        return out;
    }

    /**
     * Shows everything anew; what had the keyboard keeps it, with what was typed but not yet entered.
     *
     * @return whether what had the keyboard is gone
     */
    boolean show(String selectedSource) {
        Node owner = getScene() == null ? null : getScene().getFocusOwner();
        String id = owner != null && isInside(owner) ? owner.getId() : null;
        String typed = owner instanceof TextField field ? Entry.open(field) : null;
        int caret = owner instanceof TextField field ? field.getCaretPosition() : 0;
        front();
        switch (face) {
            case IN -> in.show(selectedSource);
            case REEL -> reel.show();
            case OUT -> out.show();
        }
        around();
        boolean taken = owner != null && owner.getScene() == null || id != null && getScene().getFocusOwner() != owner;
        return (taken || !Parts.isShown(owner)) && !giveBack(id, typed, caret);
    }

    /**
     * Brings the face to the front as it was shown last.
     *
     * @return whether what had the keyboard is gone
     */
    boolean turn() {
        Node owner = getScene() == null ? null : getScene().getFocusOwner();
        front();
        around();
        return !Parts.isShown(owner);
    }

    private void front() {
        for (Face each : Face.values()) {
            tabs[each.ordinal()].setSelected(each == face);
        }
        Parts.present(in, face == Face.IN);
        Parts.present(reel, face == Face.REEL);
        Parts.present(scroll, face == Face.OUT);
    }

    private void around() {
        // On the Out face targets are added at the head of the sheet.
        boolean sheeted = face == Face.OUT && out.isSheet();
        Parts.present(targets, !sheeted);
        Parts.present(out.sentence(), sheeted);
        targets.show();
        findings.show();
    }

    /** What the keyboard goes to part by part: the list or the grid, what is set of the chosen one, the targets, the findings. */
    Stream<Node> parts() {
        Region shown = switch (face) {
            case IN -> in;
            case REEL -> reel;
            case OUT -> out;
        };
        return Stream.of(shown.lookup(face == Face.OUT ? "#out-grid" : ".rows"), shown.lookup(".chosen"), targets, findings);
    }

    /** Brings the keyboard to the first finding. */
    void goToFindings() {
        findings.go();
    }

    /** Shows other findings; all else stays as it stands. */
    void showFindings() {
        if (face == Face.OUT) {
            out.showFindings();
        }
        findings.show();
    }

    private boolean giveBack(String id, String typed, int caret) {
        Node again = id == null ? null : Parts.byId(this, id);
        if (again == null || !Parts.isShown(again)) {
            return false;
        }
        // From the root on: colours are looked up there.
        getScene().getRoot().applyCss();
        again.requestFocus();
        if (again instanceof TextField field && typed != null) {
            if (!field.getText().equals(typed)) {
                field.setText(typed);
            }
            field.positionCaret(Math.min(caret, field.getLength()));
        }
        return true;
    }

    private boolean isInside(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at == this) {
                return true;
            }
        }
        return false;
    }
}
