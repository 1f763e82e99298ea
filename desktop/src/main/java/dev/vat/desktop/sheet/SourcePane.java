package dev.vat.desktop.sheet;

import dev.vat.core.project.Source;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Fields;
import dev.vat.desktop.look.Folds;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** What is chosen among the sources: its name, what can be done with it, and how it is taken, in groups that open. */
final class SourcePane extends VBox {

    private static final Words WORDS = Words.of(SourcePane.class);

    private final Session session;
    private final Dialogs ask;
    private final ChosenPane pane = new ChosenPane("reading");
    private String shown;

    SourcePane(Session session, Dialogs ask) {
        this.session = session;
        this.ask = ask;
        getChildren().add(pane);
    }

    /** @param chosen one source or several */
    void show(List<Source> chosen) {
        Parts.present(this, !chosen.isEmpty());
        if (chosen.isEmpty()) {
            shown = null;
            return;
        }
        List<Folds.Group> groups = groups(chosen);
        String first = chosen.getFirst().id();
        if (!first.equals(shown) && lacksRate(chosen)) {
            pane.open("timing");
        }
        // What isn't known yet may lack its rate as soon as it is.
        shown = groups.isEmpty() ? null : first;
        pane.show(chosen.size() == 1 ? chosen.getFirst().name() : WORDS.say("sourcesChosen", chosen.size()), acts(chosen), groups);
    }

    private boolean lacksRate(List<Source> chosen) {
        FrameTable table = session.watch().table(chosen.getFirst().id());
        return chosen.size() == 1 && table != null && chosen.getFirst().reading().rateOf(table).isEmpty();
    }

    /** Opens a group of the chosen source. */
    void open(String group) {
        pane.open(group);
    }

    private List<Node> acts(List<Source> chosen) {
        SourceMenu acts = new SourceMenu(session, ask, chosen);
        List<Node> buttons = new ArrayList<>();
        if (acts.canAdd()) {
            ToggleButton watch = Controls.toggle(chosen.size() == 1 ? WORDS.say("watchFolder") : WORDS.say("watchFolders"));
            watch.setId("watch-folder");
            watch.getStyleClass().add("remedy");
            watch.setMinWidth(Region.USE_PREF_SIZE);
            watch.setSelected(acts.isWatched());
            watch.setTooltip(new Tooltip(WORDS.say("newFramesAreLookedIntoAs")));
            watch.setOnAction(_ -> acts.watch(watch.isSelected()));
            buttons.addAll(List.of(Parts.small("add-item", WORDS.say("addToReel"), acts::addToReel), watch));
        }
        Button more = Parts.small("source-menu", WORDS.say("more"), () -> {});
        Menus.opens(more, acts::menu);
        buttons.add(more);
        return buttons;
    }

    private List<Folds.Group> groups(List<Source> chosen) {
        if (chosen.size() == 1) {
            FrameTable table = session.watch().table(chosen.getFirst().id());
            return table == null ? List.of() : new SourceGroups(session, chosen.getFirst(), table).groups();
        }
        SourceMenu acts = new SourceMenu(session, ask, chosen);
        return acts.canAdd() ? List.of(Folds.Group.of("timing", WORDS.say("frameRate"), rates(chosen), () -> {
            List<Node> values = new ArrayList<>(List.of(Fields.choice("rate", Rate.USUAL.toArray(Rate[]::new), null, Rate::label,
                    acts::setRate)));
            return List.of(Fields.field(WORDS.say("frameRate"), WORDS.say("ofAll", chosen.size()), values.toArray(Node[]::new)));
        })) : List.of();
    }

    private String rates(List<Source> chosen) {
        List<String> rates = chosen.stream().filter(s -> session.watch().table(s.id()) != null)
                .map(s -> s.reading().rateOf(session.watch().table(s.id())).map(Rate::label).orElse(WORDS.say("noneYet"))).distinct()
                .toList();
        return rates.size() == 1 ? WORDS.say("fps", rates.getFirst()) : String.join(", ", rates);
    }
}
