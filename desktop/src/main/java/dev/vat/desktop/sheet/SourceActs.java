package dev.vat.desktop.sheet;

import dev.vat.core.project.Edits;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.project.Source;
import dev.vat.core.project.SourceEdits;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.SequencePattern;
import dev.vat.core.time.FrameRange;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** What can be done with a source. */
final class SourceActs extends VBox {

    private static final int LONGEST = 26;

    private final Session session;
    private final Dialogs ask;
    private final Source source;

    /** @param table null for a source that isn't there, or a sound */
    SourceActs(Session session, Dialogs ask, Source source, FrameTable table) {
        this.session = session;
        this.ask = ask;
        this.source = source;
        getStyleClass().add("reading-part");
        FlowPane acts = Parts.choices();
        if (table != null && !table.sequence().pattern().isSingle()) {
            renderAgain(acts, table);
            filling(acts);
        }
        if (table != null) {
            if (session.watch().isChecking(source.id())) {
                acts.getChildren().add(Parts.button("stop-check", "Stop checking", () -> session.watch().cancel(source.id())));
            } else {
                acts.getChildren().add(Parts.button("check-again", "Check again", () -> session.watch().again(source)));
            }
            session.previews().of(source).filter(p -> p.idle() != null).map(p -> FrameRange.of(p.range().first(), p.idle()))
                    .filter(busy -> !busy.equals(source.reading().range()))
                    .ifPresent(busy -> acts.getChildren()
                            .add(Parts.button("keep-moving", "Nothing moves after " + busy.last() + ": take " + busy,
                                    () -> session.edit(SourceEdits.setRange(source.id(), busy)))));
            acts.getChildren().add(Parts.button("add-item", "Add to reel", () -> session.edit(ReelEdits.addItem(source.id()))));
        }
        acts.getChildren().add(Parts.button("reveal-source", "Show folder", () -> ask.reveal(source.folder().path())));
        acts.getChildren().add(Parts.button("replace-source", "Replace\u2026", this::replace));
        if (table == null) {
            acts.getChildren().add(Parts.button("find-source", "Find it again\u2026", this::findAgain));
        }
        acts.getChildren().add(Parts.button("remove-source", "Remove", () -> session.edit(Edits.removeSource(source.id()))));
        getChildren().add(acts);
    }

    private void renderAgain(FlowPane acts, FrameTable table) {
        SequencePattern pattern = table.sequence().pattern();
        ResumeAdvice advice = ResumeAdvice.of(table, source.reading());
        if (!advice.wanted().isEmpty()) {
            String ranges = advice.toText(pattern);
            acts.getChildren().add(Parts.button("copy-ranges", "Copy " + shortened(ranges), () -> Clips.copy(ranges)));
            acts.getChildren()
                    .add(Parts.button("copy-list", "Copy as list", () -> Clips.copy(advice.toList(pattern))));
        }
        // Nobody says of a whole shot what would come after it.
        boolean more = source.reading().expected() != null || session.watch().isWatched(source.id()) || !advice.wanted().isEmpty();
        advice.next().stream().filter(_ -> table.isChecked() && more)
                .forEach(next -> acts.getChildren().add(Parts.label("next to render " + pattern.number(next), "note")));
    }

    private void filling(FlowPane acts) {
        ToggleButton watch = Controls.toggle("Watch the folder");
        watch.setId("watch-folder");
        watch.setSelected(session.watch().isWatched(source.id()));
        watch.setOnAction(_ -> session.watch().watch(source, watch.isSelected()));
        acts.getChildren().add(watch);
        if (watch.isSelected() && !session.project().deliverables().isEmpty()) {
            ToggleButton arm = Controls.toggle("Make it when complete");
            arm.setId("make-when-complete");
            arm.setSelected(session.making().waitsForFrames());
            arm.setOnAction(_ -> {
                if (arm.isSelected()) {
                    session.making().makeWhenComplete();
                } else {
                    session.making().disarm();
                }
            });
            acts.getChildren().add(arm);
        }
    }

    private void findAgain() {
        ask.folder("Where " + source.name() + " lies now", source.folder().path().getParent())
                .ifPresent(folder -> session.search().relink(source, folder));
    }

    private void replace() {
        ask.folder("What " + source.name() + " is replaced by", source.folder().path())
                .ifPresent(folder -> session.search().replace(source, folder));
    }

    private static String shortened(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST - 2) + "\u2026";
    }
}
