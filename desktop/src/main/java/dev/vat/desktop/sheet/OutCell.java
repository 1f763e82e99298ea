package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Look;
import dev.vat.core.finding.Finding;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.DropPlace;
import dev.vat.desktop.session.Session;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.Tooltip;

/** A value of one deliverable. What it shows is brought up to date in place: a cell that is made anew is styled anew, which takes long. */
final class OutCell extends Label {

    private static final Words WORDS = Words.of(OutCell.class);

    private static final String HERE = "here";

    private final Session session;
    private final OutRow row;
    private final String deliverable;
    /** How the value itself is shown, whatever is found about it. */
    private List<String> styles = List.of();

    /** @param row null under a heading @param deliverable its id */
    OutCell(Session session, OutRow row, Deliverable deliverable) {
        this.session = session;
        this.row = row;
        this.deliverable = deliverable.id();
        getStyleClass().add("cell");
        setMaxSize(Double.MAX_VALUE, Double.MAX_VALUE);
        setMinWidth(0);
        setWrapText(true);
        if (row == null) {
            return;
        }
        setId("cell-" + row.id() + "-" + deliverable.id());
        setTooltip(new Tooltip());
        if (row == FactRow.NAME) {
            setTextOverrun(OverrunStyle.CENTER_ELLIPSIS);
        }
        if (row.id().equals("look")) {
            DropPlace.on(this, WORDS.say("lutOf", deliverable.title()), OutCell::isTable,
                    files -> session.edit(DeliverableEdits.setLook(deliverable.id(), Look.of(files.getFirst()))));
        }
    }

    private static boolean isTable(List<Path> files) {
        return files.size() == 1 && files.getFirst().toString().toLowerCase(Locale.ROOT).endsWith(".cube");
    }

    /** Shows the value that a deliverable has now. */
    void show(ResolvedReel programme, Deliverable now) {
        Optional<String> value = row.value(session, programme, now);
        say(value.orElse(row.absence()));
        styles = new ArrayList<>();
        if (value.isEmpty()) {
            styles.add("absent");
        }
        if (row.differs(now)) {
            styles.add("differs");
        }
        if (now.off()) {
            styles.add("off");
        }
        judge();
    }

    /** Shows what stands in the way now. */
    void judge() {
        Optional<Finding> finding = session.findings().all().stream().filter(f -> row.isJudgedBy(f.id()) && deliverable.equals(f.target()))
                .findFirst();
        List<String> all = new ArrayList<>(styles);
        finding.map(Finding::severity).ifPresent(severity -> {
            switch (severity) {
                case BLOCKER -> all.add("fault");
                case REQUEST -> all.add("request");
                case WARNING -> all.add("warn");
                case NOTE -> {}
            }
        });
        style(all);
        getTooltip().setText(finding.map(Finding::text).orElse(getText()));
    }

    /** How many of the rows that are folded here aren't as the target has them. @param open whether they aren't folded */
    void show(OutRow.Group group, Deliverable now, boolean open) {
        style(List.of(open ? "heading" : "folded"));
        if (open) {
            say("");
        } else if (group == OutRow.Group.FORECAST) {
            say(session.forecasts().of(now).isPresent() ? WORDS.say("byTestEncodes") : WORDS.say("roughOnly"));
        } else {
            long differ = group.rows().stream().filter(each -> each.differs(now)).count();
            say(differ == 0 ? WORDS.say("asTheTarget") : WORDS.say("differ", differ));
        }
    }

    /** Whether it has the keyboard. */
    void setHere(boolean here) {
        if (here != getStyleClass().contains(HERE)) {
            if (here) {
                getStyleClass().add(HERE);
            } else {
                getStyleClass().remove(HERE);
            }
        }
    }

    private void say(String words) {
        if (!words.equals(getText())) {
            setText(words);
        }
    }

    private void style(List<String> more) {
        List<String> all = new ArrayList<>(List.of("label", "cell"));
        all.addAll(more);
        if (getStyleClass().contains(HERE)) {
            all.add(HERE);
        }
        if (!all.equals(getStyleClass())) {
            getStyleClass().setAll(all);
        }
    }
}
