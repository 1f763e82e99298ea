package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Ground;
import dev.vat.core.finding.Finding;
import dev.vat.core.finding.Remedy;
import dev.vat.core.finding.Rule;
import dev.vat.core.finding.Severity;
import dev.vat.core.picture.Rgb;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.project.Edit;
import dev.vat.core.project.Edits;
import dev.vat.core.project.Place;
import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.engine.run.AuxiliaryFiles;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What stands in the way or is worth knowing, each with its remedies as buttons. */
public final class FindingsPane extends VBox {

    private static final Words WORDS = Words.of(FindingsPane.class);

    private static final double CLOSED = 96;
    private static final double OPEN = 200;
    /** As many as anybody reads at once. */
    private static final int FEW = 40;

    private final Session session;
    private final Dialogs ask;
    private final Pictures pictures;
    private final Thumbnails thumbnails;
    private final Set<String> opened = new HashSet<>();
    private boolean unfolded;
    private int most = FEW;
    /** What the lines say, in their order, and what they act on, by place: edits are made anew with each judging, words mostly stay. */
    private List<Said> said = List.of();
    private List<Alike> shown = List.of();

    /** Shows what a finding is about. */
    public interface Pictures {

        /** A frame of a source, given by its id. */
        void goTo(String source, long frame);

        /** The same, with the reel beside it. */
        void holdAgainstReel(String source, long frame);
    }

    public FindingsPane(Session session, Dialogs ask, Thumbnails thumbnails, Pictures pictures) {
        this.session = session;
        this.ask = ask;
        this.pictures = pictures;
        this.thumbnails = thumbnails;
        setId("findings");
        getStyleClass().add("findings");
    }

    /** All that a line shows. @param pictures of which its pair is made, or null */
    private record Said(String id, Severity severity, String text, String evidence, List<String> remedies, FrameTable pictures) {}

    public void show() {
        List<Finding> all = session.findings().all().stream().filter(f -> f.rule() != Rule.NOTHING_IN).toList();
        List<Alike> groups = Alike.of(all.stream().filter(f -> f.severity() != Severity.NOTE).toList(), session::deliverable);
        List<Alike> notes = Alike.of(all.stream().filter(f -> f.severity() == Severity.NOTE).toList(), session::deliverable);
        shown = Stream.concat(groups.stream().limit(most), unfolded ? notes.stream().limit(most) : Stream.of()).toList();
        List<Said> now = Stream.concat(Stream.of(counts(groups.size(), notes.size())), shown.stream().map(this::said)).toList();
        // Lines that say the same stay where they are, under the pointer, and what somebody has opened of them stays open.
        if (!now.equals(said)) {
            said = now;
            lay(groups.size(), notes.size());
        }
    }

    private Said counts(int groups, int notes) {
        return new Said("", Severity.NOTE, groups + " " + notes + " " + most + " " + unfolded, "", List.of(), null);
    }

    private Said said(Alike group) {
        Finding first = group.first();
        return new Said(first.id(), first.severity(), group.text(), first.evidence(), first.remedies().stream().map(Remedy::label).toList(),
                first.pair() == null ? null : session.watch().table(first.source()));
    }

    private void lay(int findings, int notes) {
        List<Node> lines = new ArrayList<>();
        int few = Math.min(findings, most);
        for (int i = 0; i < few; i++) {
            lines.add(line(i));
        }
        if (findings > most) {
            lines.add(Parts.small("more-findings", WORDS.say("moreFindingsShow", findings - most, Math.min(FEW, findings - most)), () -> {
                most += FEW;
                show();
            }));
        }
        if (notes > 0) {
            ToggleButton fold = fold(notes);
            if (lines.isEmpty()) {
                lines.add(fold);
            } else {
                ((HBox) ((VBox) lines.getFirst()).getChildren().getFirst()).getChildren().add(fold);
            }
        }
        for (int i = few; i < shown.size(); i++) {
            lines.add(line(i));
        }
        getChildren().setAll(lines);
        Parts.present(this, !lines.isEmpty());
    }

    /** Brings the keyboard to the first finding's remedy. */
    public void go() {
        Node first = lookup(".remedy");
        if (first != null) {
            first.requestFocus();
            Scrolls.reveal(first);
        }
    }

    /** How tall it may be before it is scrolled: a little, unless somebody wants to see more. */
    public double most() {
        return opened.isEmpty() && !unfolded ? CLOSED : OPEN;
    }

    private ToggleButton fold(int notes) {
        ToggleButton fold = Controls.toggle(Integer.toString(notes));
        String words = WORDS.say("notes", notes);
        fold.setAccessibleText(words);
        fold.setTooltip(new Tooltip(WORDS.say("worthKnowingNothingToBe", words)));
        fold.setId("notes");
        fold.setSelected(unfolded);
        fold.getStyleClass().addAll("remedy", "notes-fold");
        fold.setMinWidth(Region.USE_PREF_SIZE);
        fold.setGraphic(Icon.NOTE.node());
        fold.setOnAction(_ -> {
            unfolded = fold.isSelected();
            show();
        });
        return fold;
    }

    /** @param place of the finding among those that are shown */
    private VBox line(int place) {
        Alike group = shown.get(place);
        Finding finding = group.first();
        Icon icon = switch (finding.severity()) {
            case BLOCKER -> Icon.BLOCKER;
            case REQUEST -> Icon.REQUEST;
            case WARNING -> Icon.WARNING;
            case NOTE -> Icon.NOTE;
        };
        Region glyph = icon.node();
        Label text = Parts.wrapped(group.text(), "finding-text");
        text.setMinWidth(0);
        HBox.setHgrow(text, Priority.ALWAYS);
        text.setMaxWidth(Double.MAX_VALUE);
        HBox line = new HBox(glyph, text);
        line.getStyleClass().add("finding-line");
        VBox whole = new VBox(line);
        whole.getStyleClass().addAll("finding", finding.severity().id());
        whole.setId("finding-" + finding.id());
        Label meaning = Parts.wrapped(finding.rule().meaning(), "note", "evidence");
        meaning.setId("meaning-" + finding.id());
        VBox details = new VBox(meaning);
        if (!finding.evidence().isEmpty() && finding.severity() != Severity.NOTE) {
            details.getChildren().add(Parts.wrapped(finding.evidence(), "note", "evidence"));
        }
        Source about = finding.pair() == null ? null : session.project().source(finding.source()).orElse(null);
        if (about != null && session.watch().table(about.id()) != null) {
            details.getChildren().add(pair(finding.pair(), about, session.watch().table(about.id())));
        }
        if (!finding.remedies().isEmpty()) {
            line.getChildren().add(button(place, 0));
        }
        if (finding.remedies().size() > 1) {
            FlowPane buttons = Parts.choices("evidence");
            for (int i = 1; i < finding.remedies().size(); i++) {
                buttons.getChildren().add(button(place, i));
            }
            details.getChildren().add(buttons);
        }
        line.getChildren().add(more(finding, details));
        whole.getChildren().add(details);
        whole.setAccessibleText(finding.severity().label() + ": " + group.text());
        return whole;
    }

    /** Shows or hides what else there is to a finding: what it means, what it was found by, and its other remedies. */
    private ToggleButton more(Finding finding, VBox details) {
        String key = finding.id() + " " + finding.source() + " " + finding.target();
        ToggleButton more = Controls.toggle("");
        more.setId("more-" + finding.id());
        more.setGraphic(Icon.DOWN.node());
        more.getStyleClass().addAll("remedy", "small");
        more.setAccessibleText(WORDS.say("moreAbout", finding.text()));
        more.setSelected(opened.contains(key));
        Parts.present(details, more.isSelected());
        more.setOnAction(_ -> {
            if (!opened.remove(key)) {
                opened.add(key);
            }
            Parts.present(details, more.isSelected());
        });
        return more;
    }

    /** The frame in question and the one to hold it against, side by side. */
    private HBox pair(Finding.Pair pair, Source source, FrameTable table) {
        HBox pictures = Parts.row();
        pictures.getStyleClass().add("evidence");
        for (long frame : new long[] {pair.beside(), pair.frame()}) {
            pictures.getChildren().addAll(thumbnails.of(source, table, frame),
                    Parts.label(table.sequence().pattern().number(frame), "mono"));
        }
        return pictures;
    }

    private Button button(int place, int index) {
        Alike group = shown.get(place);
        return Parts.small("remedy-" + group.first().id() + "-" + index, group.remedies(index).getFirst().label(),
                () -> apply(shown.get(place).remedies(index)));
    }

    /** The same remedy for one deliverable, or for several. */
    private void apply(List<Remedy> remedies) {
        switch (remedies.getFirst()) {
            case Remedy.Apply _ -> session.edit(Edit.together(remedies.stream().map(r -> ((Remedy.Apply) r).edit()).toList()));
            case Remedy.CopyText copy -> Clips.copy(copy.text());
            case Remedy.GoTo(String _, String source, long frame) -> pictures.goTo(source, frame);
            case Remedy.HoldAgainstReel(String _, String source, long frame) -> pictures.holdAgainstReel(source, frame);
            case Remedy.ChooseFolder _ -> ask.folder(WORDS.say("whereTheFilesGo"), session.folderOf(session.project()))
                    .ifPresent(folder -> session.edit(Edits.setFolder(Place.of(folder))));
            case Remedy.ChooseFace face -> ask.file(WORDS.say("aFaceForWordsInPictures"), WORDS.say("fontFiles"), AuxiliaryFiles.FONTS)
                    .ifPresent(file -> session.edit(face.with().apply(file.toString())));
            case Remedy.ChooseColour colour -> ask
                    .colour(WORDS.say("behindTransparentPlaces", session.deliverable(colour.target()).map(d -> d.title()).orElse("")),
                            session.deliverable(colour.target())
                                    .map(d -> d.flatten() instanceof Ground.Colour(Rgb now) ? now : Rgb.BLACK).orElse(Rgb.BLACK))
                    .ifPresent(chosen -> session.edit(Edit.together(remedies.stream()
                            .map(r -> DeliverableEdits.setFlatten(((Remedy.ChooseColour) r).target(), new Ground.Colour(chosen)))
                            .toList())));
        }
    }
}
