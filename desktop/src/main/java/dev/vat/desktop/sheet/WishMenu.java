package dev.vat.desktop.sheet;

import dev.vat.core.delivery.Target;
import dev.vat.core.delivery.Wish;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Menus;
import java.util.List;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.CustomMenuItem;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.StackPane;
import javafx.scene.text.Text;

/** Asks what a file must be able to do, and offers the targets that can; where none can, what stands in the way and the nearest two. */
final class WishMenu {

    private static final Words WORDS = Words.of(WishMenu.class);

    private static final double WIDTH = 460;
    private static final int MOST = 8;
    private static final String EXAMPLE = WORDS.say("alphaPlaysInBrowsersSmall");

    private final Dialogs ask;
    private final Consumer<Target> choose;

    /** @param choose told which target was taken */
    WishMenu(Dialogs ask, Consumer<Target> choose) {
        this.ask = ask;
        this.choose = choose;
    }

    void open(Node at) {
        ask.text(WORDS.say("whatMustTheFileBeAbleTo"), EXAMPLE).filter(text -> !text.isBlank()).ifPresent(text -> {
            ContextMenu menu = new ContextMenu();
            menu.setId("wish-menu");
            fill(menu, text);
            Menus.above(at, menu);
        });
    }

    private void fill(ContextMenu menu, String text) {
        Wish.Answer answer;
        try {
            answer = Wish.answer(Wish.parse(text));
        } catch (IllegalArgumentException e) {
            menu.getItems().add(said(e.getMessage()));
            return;
        }
        List<String> left = Wish.notUnderstood(text);
        if (!left.isEmpty()) {
            menu.getItems().add(said(WORDS.say("notUnderstood", String.join(", ", left))));
        }
        answer.obstacles().forEach(obstacle -> menu.getItems().add(said(obstacle)));
        if (!answer.nearest().isEmpty()) {
            menu.getItems().addAll(new SeparatorMenuItem(), said(WORDS.say("theNearestTwo")));
        }
        answer.nearest().forEach(near -> menu.getItems().add(target(near.target(), near.words())));
        answer.meeting().stream().limit(MOST).forEach(target -> menu.getItems().add(target(target, target.title() + ". " + target.why())));
    }

    private static MenuItem said(String words) {
        CustomMenuItem item = new CustomMenuItem(wide(words), false);
        item.getStyleClass().add("said");
        return item;
    }

    private MenuItem target(Target target, String words) {
        CustomMenuItem item = new CustomMenuItem(wide(words));
        item.setId("wish-" + target.id());
        item.setOnAction(_ -> choose.accept(target));
        return item;
    }

    /** A menu asks how tall its lines are before it knows how wide: only plain text with its own width answers right. */
    private static StackPane wide(String words) {
        Text text = new Text(words);
        text.setWrappingWidth(WIDTH);
        text.getStyleClass().add("menu-words");
        return new StackPane(text);
    }
}
