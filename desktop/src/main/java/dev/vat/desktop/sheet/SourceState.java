package dev.vat.desktop.sheet;

import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.session.Session;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.control.Label;

/**
 * How a source stands, in words.
 *
 * @param icon that goes before them, or null
 * @param style of both, or empty
 */
record SourceState(String words, Icon icon, String style) {

    private static final Words WORDS = Words.of(SourceState.class);

    /** @param table null for a source that isn't there, or a sound */
    static SourceState of(Session session, Source source, FrameTable table) {
        Optional<String> trouble = session.watch().trouble(source.id());
        if (table == null) {
            return trouble.map(why -> new SourceState(why, Icon.BLOCKER, "fault"))
                    .orElseGet(() -> plain(session.watch().clip(source.id()).map(_ -> WORDS.say("sound")).orElse(WORDS.say("looking"))));
        }
        String wrong = wrongWords(session, source, table);
        int suspects = session.watch().review(source.id()).marked().size();
        String suspicious = suspects == 0 ? "" : WORDS.say("toLookAt", suspects);
        if (session.watch().isChecking(source.id())) {
            return plain(WORDS.say("checkingOf", session.watch().checked(source.id()), table.sequence().count(),
                    (wrong.isEmpty() ? "" : ", " + wrong)));
        }
        if (!wrong.isEmpty()) {
            boolean waiting = session.watch().advice(source).isOnlyToCome(table);
            return new SourceState(wrong + (suspicious.isEmpty() ? "" : ", " + suspicious), waiting ? Icon.NOTE : Icon.BLOCKER,
                    waiting ? "pending" : "fault");
        }
        if (!suspicious.isEmpty()) {
            return new SourceState(suspicious, Icon.WARNING, "warn");
        }
        return table.isChecked() ? new SourceState(WORDS.say("allGood"), Icon.PROVEN, "good") : plain(WORDS.say("checkStopped"));
    }

    /** Whether something about a source needs to be looked at. */
    static boolean hasTrouble(Session session, Source source) {
        FrameTable table = session.watch().table(source.id());
        return session.watch().trouble(source.id()).isPresent() || table != null
                && (!wrongWords(session, source, table).isEmpty() || !session.watch().review(source.id()).marked().isEmpty());
    }

    void show(Label label) {
        label.setText(words);
        label.setGraphic(icon == null ? null : icon.node());
        label.getStyleClass().removeAll("fault", "pending", "warn", "good");
        if (!style.isEmpty()) {
            label.getStyleClass().add(style);
        }
    }

    private static SourceState plain(String words) {
        return new SourceState(words, null, "");
    }

    private static String wrongWords(Session session, Source source, FrameTable table) {
        ResumeAdvice advice = session.watch().adviceOnAll(source);
        long toCome = advice.toCome(table.sequence());
        long missing = advice.missing().count() - toCome;
        String present = table.faults().stream().collect(Collectors.groupingBy(FrameTable.Fault::state, TreeMap::new,
                Collectors.counting())).entrySet().stream().map(e -> e.getValue() + " " + e.getKey().label())
                .collect(Collectors.joining(", "));
        return Stream.of(missing == 0 ? "" : WORDS.say("missing", missing), present, toCome == 0 ? "" : WORDS.say("toCome", toCome))
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining(", "));
    }
}
