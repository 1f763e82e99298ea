package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.delivery.Deliverable;
import dev.vat.core.delivery.Preset;
import dev.vat.core.delivery.Target;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.setting.DeliverableSettings;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.DropPlace;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Predicate;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;

/** Who the file is for: a press picks a target, another lets it go. The usual ones stand open, all others by recipient in a menu. */
public final class TargetBar extends FlowPane {

    private static final Words WORDS = Words.of(TargetBar.class);

    private static final List<Target> USUAL = List.of(Catalogue.WEB_H264, Catalogue.EDIT_PRORES_HQ, Catalogue.ALPHA_PRORES_4444);

    private final Session session;
    private final WishMenu wishes;
    private List<String> shown;

    public TargetBar(Session session, Dialogs ask) {
        this.session = session;
        this.wishes = new WishMenu(ask, target -> {
            if (!isThere(target)) {
                choose(target);
            }
        });
        setId("targets");
        getStyleClass().addAll("choices", "target-bar");
        // What is shown must not change while it is being laid out.
        widthProperty().addListener((_, _, _) -> Platform.runLater(this::fit));
    }

    /** Made anew only when other targets are chosen: an open menu would close. */
    public void show() {
        List<String> chosen = session.project().deliverables().stream().map(Deliverable::target).toList();
        if (chosen.equals(shown)) {
            return;
        }
        shown = chosen;
        getChildren().setAll(Parts.label(WORDS.say("for"), "note"));
        for (Target target : Catalogue.targets()) {
            if (USUAL.contains(target) || isThere(target)) {
                ToggleButton button = Controls.toggle(target.title());
                button.setId("target-" + target.id());
                button.setSelected(isThere(target));
                button.setTooltip(new Tooltip(target.why()));
                button.setOnAction(_ -> choose(target));
                DropPlace.on(button, WORDS.say("addAndMakeAs", target.title()), files -> {
                    if (!isThere(target)) {
                        choose(target);
                    }
                    session.search().bringIn(files);
                });
                getChildren().add(button);
            }
        }
        getChildren().add(others());
        fit();
    }

    /** Targets that aren't taken stand here on one line, as many as there is room for; the menu has all of them. */
    private void fit() {
        if (getScene() == null || getWidth() <= 0) {
            return;
        }
        applyCss();
        double wide = snappedLeftInset() + snappedRightInset() - getHgap()
                + getChildren().stream().mapToDouble(each -> each.prefWidth(-1) + getHgap()).sum();
        for (Node each : getChildren().reversed()) {
            if (each instanceof ToggleButton target) {
                Parts.present(target, target.isSelected() || wide <= getWidth());
                wide -= target.isManaged() ? 0 : target.prefWidth(-1) + getHgap();
            }
        }
    }

    private boolean isThere(Target target) {
        return session.project().deliverables().stream().anyMatch(d -> d.target().equals(target.id()));
    }

    private void choose(Target target) {
        session.edit(isThere(target) ? DeliverableEdits.removeTarget(target.id()) : DeliverableEdits.addTarget(target));
    }

    private Button others() {
        Button button = Controls.button(WORDS.say("more"));
        button.setId("all-targets");
        button.setTooltip(new Tooltip(WORDS.say("allTargetsByWhoTheFileIs")));
        return Menus.opensAbove(button, () -> all(button));
    }

    /** All targets by recipient, by need, or from a preset. */
    public void open(Node at) {
        Menus.below(at, all(at));
    }

    private ContextMenu all(Node at) {
        ContextMenu menu = new ContextMenu();
        menu.getItems().addAll(menus(this::isThere, this::choose));
        MenuItem wish = item(WORDS.say("findATargetByNeed"), () -> wishes.open(at));
        wish.setId("by-wish");
        menu.getItems().addAll(presets(), wish);
        return menu;
    }

    /** Kept columns, each with what it changes of its target, and one that lies on the clipboard as text. */
    private Menu presets() {
        Menu menu = Controls.menu(WORDS.say("presets"));
        for (Preset preset : session.presets().all()) {
            Menu of = Controls.menu(preset.name() + "   " + String.join("; ", DeliverableSettings.changes(preset.column())));
            of.getItems().addAll(item(WORDS.say("addItsColumn"), () -> session.edit(DeliverableEdits.addPreset(preset))),
                    item(WORDS.say("copyAsText"), () -> Clips.copy(preset.toText())),
                    item(WORDS.say("delete"), () -> session.presets().forget(preset)));
            menu.getItems().add(of);
        }
        menu.getItems().add(item(WORDS.say("pasteAPresetThatWasCopied"), () -> session.presets().paste(Clips.text())));
        return menu;
    }

    private static MenuItem item(String text, Runnable act) {
        MenuItem item = Controls.item(text);
        item.setOnAction(_ -> act.run());
        return item;
    }

    private static List<Menu> menus(Predicate<Target> there, Consumer<Target> choose) {
        Map<String, Menu> menus = new LinkedHashMap<>();
        for (Target target : Catalogue.targets()) {
            CheckMenuItem item = Controls.checked(target.title());
            item.setId("choose-" + target.id());
            item.setSelected(there.test(target));
            item.setOnAction(_ -> choose.accept(target));
            menus.computeIfAbsent(target.recipient(), title -> {
                Menu menu = Controls.menu(title);
                menu.setId("for-" + target.id());
                return menu;
            }).getItems().add(item);
        }
        return List.copyOf(menus.values());
    }
}
