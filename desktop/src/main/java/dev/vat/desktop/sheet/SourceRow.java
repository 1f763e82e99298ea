package dev.vat.desktop.sheet;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.project.Source;
import dev.vat.core.source.ClipFacts;
import dev.vat.core.source.FrameState;
import dev.vat.core.source.FrameTable;
import dev.vat.core.source.ResumeAdvice;
import dev.vat.core.source.Sequence;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/**
 * One source as found: its picture, which goes through its frames as the pointer moves across it, its name, its facts, its state, and the
 * frames to render again ready to copy.
 */
final class SourceRow extends RowLine {

    private static final Words WORDS = Words.of(SourceRow.class);

    private static final int LONGEST = 24;

    private final Session session;
    private final Thumbnails thumbnails;
    private final StackPane picture;
    private final Label state = Parts.label("", "state");
    private final Button again = Parts.small("", "", this::copy);
    private final Tooltip ranges = new Tooltip();
    private Source source;
    private FrameTable table;
    private SourceState shown;
    private ResumeAdvice advice;

    SourceRow(Session session, Thumbnails thumbnails) {
        this.session = session;
        this.thumbnails = thumbnails;
        this.picture = thumbnails.empty();
        state.setMinWidth(Region.USE_PREF_SIZE);
        again.setTooltip(ranges);
        VBox right = new VBox(state, again);
        right.setAlignment(Pos.CENTER_RIGHT);
        right.setMinWidth(Region.USE_PREF_SIZE);
        picture.addEventHandler(MouseEvent.MOUSE_MOVED, e -> scrub(e.getX() / Thumbnails.WIDTH));
        picture.addEventHandler(MouseEvent.MOUSE_EXITED, _ -> thumbnails.fill(picture, source, table));
        line().getChildren().addAll(picture, words(), right);
    }

    /** Says what is known of a source now. @param word what tells it from its kin; empty for a source by itself */
    void show(Source source, String word) {
        FrameTable now = session.watch().table(source.id());
        if (!source.equals(this.source) || now != table) {
            this.source = source;
            this.table = now;
            thumbnails.fill(picture, source, now);
            stand("source-" + source.id());
            state.setId("state-" + source.id());
            again.setId("copy-ranges-" + source.id());
        }
        say(word.isEmpty() ? source.name() : word, source.name() + "\n" + source.folder().absolute(), facts());
        SourceState state = SourceState.of(session, source, now);
        if (!state.equals(shown)) {
            shown = state;
            state.show(this.state);
        }
        again();
    }

    private void scrub(double share) {
        if (table != null && table.sequence().count() > 1) {
            int index = Math.clamp((long) (share * table.sequence().count()), 0, table.sequence().count() - 1);
            if (table.stateAt(index) == FrameState.GOOD) {
                thumbnails.fill(picture, source, table, table.sequence().number(index));
            }
        }
    }

    /** What has to be rendered again, to be copied by one press. */
    private void again() {
        advice = table == null || table.sequence().pattern().isSingle() ? null : session.watch().advice(source);
        boolean wanted = advice != null && !advice.wanted().isEmpty();
        Parts.present(again, wanted);
        if (wanted) {
            String text = advice.toText(table.sequence().pattern());
            again.setText(text.length() <= LONGEST ? WORDS.say("copy", text) : WORDS.say("copyFrameNumbers", advice.wanted().count()));
            ranges.setText(WORDS.say("toRenderAgain", text));
        }
    }

    private void copy() {
        String text = advice.toText(table.sequence().pattern());
        Clips.copy(text);
        session.say(WORDS.say("copied", text));
    }

    private String facts() {
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
                words.add(s.pattern().number(s.first()) + "-" + s.pattern().number(s.last())
                        + (s.step() == 1 ? "" : WORDS.say("by", s.step())));
            }
            words.add(WORDS.say("frames", s.count()));
            table.format().ifPresentOrElse(f -> look(f, words),
                    () -> words.add(table.counts().getOrDefault(FrameState.UNCHECKED, 0) > 0 ? "" : WORDS.say("nothingCouldBeDecoded")));
            source.reading().rateOf(table).ifPresent(r -> words.add(WORDS.say("fps", r.label())));
            clip.filter(c -> !c.sounds().isEmpty()).ifPresent(c -> words.add(WORDS.say("sound", c.sounds().getFirst().layout())));
        }
        // A fact is never broken over two lines.
        return words.stream().filter(w -> !w.isEmpty()).map(w -> w.replace(' ', '\u00a0')).collect(Collectors.joining("  "));
    }

    private void look(PictureFormat format, List<String> words) {
        words.add(format.size().toString());
        words.add(format.depth().toString());
        AlphaKind alpha = source.reading().picture().alphaOf(table);
        if (alpha != AlphaKind.NONE) {
            words.add(WORDS.say("hasAlpha"));
        }
        if (format.layers().size() > 1) {
            words.add(WORDS.say("layers", format.layers().size()));
        }
    }
}
