package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Framing;
import dev.vat.core.delivery.Look;
import dev.vat.core.delivery.Preset;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.setting.Choice;
import dev.vat.core.setting.Setting;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.session.Session;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;

/** What a cell or a column's heading offers to choose from. What can't be chosen stands there with its reason. */
final class OutMenus {

    private static final Words WORDS = Words.of(OutMenus.class);

    private final Session session;
    private final Dialogs ask;

    OutMenus(Session session, Dialogs ask) {
        this.session = session;
        this.ask = ask;
    }

    /** What a setting offers, by families where it has any. */
    ContextMenu choices(Setting setting, Deliverable deliverable) {
        ContextMenu menu = new ContextMenu();
        menu.setId(setting.id() + "-menu");
        Map<String, Menu> families = new LinkedHashMap<>();
        for (Choice choice : setting.choices(OutRow.view(session), deliverable)) {
            CheckMenuItem item = choice(choice.id(), choice.title(), choice.chosen(),
                    () -> session.edit(setting.edit(deliverable.id(), choice.change())));
            item.setDisable(choice.refusal() != null);
            if (choice.family() == null) {
                menu.getItems().add(item);
                continue;
            }
            families.computeIfAbsent(choice.family(), title -> {
                Menu family = Controls.menu(title);
                family.setId("family-" + choice.id().substring(choice.id().indexOf('-') + 1));
                menu.getItems().add(family);
                return family;
            }).getItems().add(item);
        }
        if (setting.id().equals("fit") && deliverable.settings().framing().cutsOff()) {
            menu.getItems().add(Controls.item("column-keep-at", WORDS.say("keepAPlaceBetween"), () -> keepAt(deliverable)));
        }
        return menu;
    }

    /** Asks for the file of a look. */
    void look(Deliverable deliverable) {
        ask.file(WORDS.say("aTableOfColoursFor", deliverable.title()), WORDS.say("tablesOfColours"), List.of("cube"))
                .ifPresent(file -> session.edit(DeliverableEdits.setLook(deliverable.id(), Look.of(file))));
    }

    /** Asks for a place by its percentage; dragging the picture does the same. */
    private void keepAt(Deliverable deliverable) {
        Framing framing = deliverable.settings().framing();
        Rational now = framing.across() == null ? Rational.of(1, 2) : framing.across();
        ask.text(WORDS.say("whichPlaceToKeepInPercent"), now.times(100).toDecimal(1))
                .filter(text -> !text.isBlank()).ifPresent(text -> {
                    try {
                        Rational where = Rational.parse(text.strip().replace(',', '.').replace("%", "").strip())
                                .dividedBy(Rational.of(100));
                        if (where.signum() < 0 || where.compareTo(Rational.ONE) > 0) {
                            throw new IllegalArgumentException(WORDS.say("isNoPlaceFrom0To100Percent", text));
                        }
                        session.edit(DeliverableEdits.setFraming(deliverable.id(), framing.withLook(where, where)));
                    } catch (IllegalArgumentException e) {
                        session.fail(e.getMessage() + ".");
                    }
                });
    }

    /** What can be done with a whole column. */
    ContextMenu column(Deliverable deliverable) {
        String id = deliverable.id();
        return new ContextMenu(
                Controls.item("column-off", deliverable.off() ? WORDS.say("switchItOn") : WORDS.say("switchItOffForNow"),
                        () -> session.edit(DeliverableEdits.switchOff(id, !deliverable.off()))),
                Controls.item("column-duplicate", WORDS.say("duplicate"), () -> session.edit(DeliverableEdits.duplicate(id))),
                Controls.item("column-left", WORDS.say("moveLeft"), () -> session.edit(DeliverableEdits.moveDeliverable(id, -1))),
                Controls.item("column-right", WORDS.say("moveRight"), () -> session.edit(DeliverableEdits.moveDeliverable(id, 1))),
                Controls.item("column-as-target", WORDS.say("allAsTheTargetHasIt"), () -> session.edit(DeliverableEdits.setAsTarget(id))),
                Controls.item("column-keep-preset", WORDS.say("keepAsAPreset"),
                        () -> ask.text(WORDS.say("keepThisColumnAsAPreset"), deliverable.title())
                                .filter(name -> !name.isBlank()).ifPresent(name -> session.presets().keep(name, deliverable))),
                Controls.item("column-copy-preset", WORDS.say("copyAsText"),
                        () -> Clips.copy(Preset.of(deliverable.title(), deliverable).toText())),
                Controls.item("column-remove", WORDS.say("remove"), () -> session.edit(DeliverableEdits.removeDeliverable(id))));
    }

    private static CheckMenuItem choice(String id, String text, boolean selected, Runnable act) {
        CheckMenuItem item = Controls.checked(text);
        item.setId(id);
        item.setSelected(selected);
        item.setOnAction(_ -> act.run());
        return item;
    }
}
