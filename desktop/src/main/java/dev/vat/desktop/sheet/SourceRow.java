package dev.vat.desktop.sheet;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.project.Source;
import dev.vat.core.reel.ReelPart;
import dev.vat.core.reel.ReelPlan;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One source as found: its picture, its name, its state, its figures. */
final class SourceRow extends HBox {

    private final Session session;
    private final Source source;
    private final FrameTable table;

    /** @param word what tells it from its kin; empty for a source by itself */
    SourceRow(Session session, Thumbnails thumbnails, Source source, String word) {
        this.session = session;
        this.source = source;
        this.table = session.table(source.id());
        Label name = Parts.label(word.isEmpty() ? source.name() : word, "strong");
        name.setMinWidth(0);
        Label state = Parts.label("", "state");
        state.setId("state-" + source.id());
        state.setMinWidth(Region.USE_PREF_SIZE);
        state(state);
        VBox words = new VBox(Parts.row(name, Parts.space(), state), figures());
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMinWidth(0);
        getChildren().addAll(thumbnails.of(source, table), words);
        getStyleClass().add("source-line");
    }

    /** Whether something about a source needs to be looked at. */
    static boolean hasTrouble(Session session, Source source) {
        FrameTable table = session.table(source.id());
        return session.watch().trouble(source.id()).isPresent() || table != null
                && (!wrongWords(source, table).isEmpty() || !session.watch().review(source.id()).marked().isEmpty());
    }

    private void state(Label label) {
        Optional<String> trouble = session.watch().trouble(source.id());
        if (table == null) {
            label.setText(trouble.orElse(session.watch().clip(source.id()).map(_ -> "sound").orElse("looking")));
            trouble.ifPresent(_ -> mark(label, Icon.BLOCKER, "fault"));
            return;
        }
        String wrong = wrongWords(source, table);
        int suspects = session.watch().review(source.id()).marked().size();
        String suspicious = suspects == 0 ? "" : suspects + " to look at";
        if (session.watch().isChecking(source.id())) {
            label.setText("checking " + session.watch().checked(source.id()) + " of " + table.sequence().count()
                    + (wrong.isEmpty() ? "" : ", " + wrong));
        } else if (!wrong.isEmpty()) {
            label.setText(wrong + (suspicious.isEmpty() ? "" : ", " + suspicious));
            boolean onlyArriving = table.counts().keySet().stream().noneMatch(s -> s.isFault() && s != FrameState.ARRIVING)
                    && session.watch().isWatched(source.id());
            mark(label, onlyArriving ? Icon.NOTE : Icon.BLOCKER, onlyArriving ? "pending" : "fault");
        } else if (!suspicious.isEmpty()) {
            label.setText(suspicious);
            mark(label, Icon.WARNING, "warn");
        } else if (table.isChecked()) {
            label.setText("all good");
            mark(label, Icon.PROVEN, "good");
        } else {
            label.setText("check stopped");
        }
    }

    private static String wrongWords(Source source, FrameTable table) {
        long missing = missing(source, table);
        String present = table.faults().stream().collect(Collectors.groupingBy(FrameTable.Fault::state, TreeMap::new,
                Collectors.counting())).entrySet().stream().map(e -> e.getValue() + " " + e.getKey().label())
                .collect(Collectors.joining(", "));
        return (missing == 0 ? "" : missing + " missing" + (present.isEmpty() ? "" : ", ")) + present;
    }

    private static long missing(Source source, FrameTable table) {
        Sequence sequence = table.sequence();
        ResumeAdvice advice = source.reading().expected() == null ? ResumeAdvice.of(table)
                : ResumeAdvice.of(table, source.reading().expected());
        return advice.missing().count();
    }

    private static void mark(Label label, Icon icon, String style) {
        label.setGraphic(icon.node());
        label.getStyleClass().add(style);
    }

    private Region figures() {
        FlowPane figures = new FlowPane();
        figures.getStyleClass().add("figures");
        List<String> words = new ArrayList<>();
        Optional<ClipFacts> clip = session.watch().clip(source.id());
        if (table == null) {
            clip.ifPresentOrElse(c -> {
                words.add(c.seconds().toFixed(3) + " s");
                c.sounds().forEach(s -> words.add(s.describe()));
            }, () -> words.add(source.folder().absolute()));
        } else {
            Sequence s = table.sequence();
            if (!s.pattern().isSingle() || s.kind().isMovie()) {
                words.add(s.pattern().number(s.first()) + " to " + s.pattern().number(s.last()) + (s.step() == 1 ? "" : " by " + s.step()));
            }
            words.add(s.kind().isMovie() ? s.count() + " frames" : s.count() == 1 ? "1 file" : s.count() + " files");
            long frames = ReelPlan.of(List.of(ReelPart.of(source.id(), table, source.reading()))).count();
            words.add(source.reading().rateOf(table).map(r -> r.seconds(frames).toFixed(3) + " s at " + r.label()).orElse("no rate yet"));
            words.add(table.format().map(this::look)
                    .orElse(table.counts().getOrDefault(FrameState.UNCHECKED, 0) > 0 ? "" : "nothing could be decoded"));
            clip.filter(c -> !c.sounds().isEmpty()).ifPresent(c -> words.add("sound " + c.sounds().getFirst().layout()));
        }
        words.stream().filter(w -> !w.isEmpty()).forEach(w -> figures.getChildren().add(Parts.label(w, "mono")));
        return figures;
    }

    private String look(PictureFormat format) {
        return format.size() + "   " + format.depth() + (format.linear() ? " linear" : "") + "   alpha "
                + source.reading().picture().alphaOf(table).label();
    }

}
