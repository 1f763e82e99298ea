package dev.vat.desktop.sheet;

import dev.vat.core.project.Edit;
import dev.vat.core.project.ReelEdits;
import dev.vat.core.reel.Joint;
import dev.vat.core.resolved.PlanText;
import dev.vat.core.resolved.ResolvedReel;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Clips;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.session.Session;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntConsumer;
import java.util.function.IntFunction;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;

/** What can be done with one item of the reel or with several at once. */
final class ItemMenu {

    private static final Words WORDS = Words.of(ItemMenu.class);

    private static final long USUAL_JOINT = 12;

    private final Session session;
    private final ResolvedReel programme;
    private final List<Integer> chosen;
    private final IntConsumer moved;

    /** @param chosen places in the reel, ascending @param moved told of the place to which one went */
    ItemMenu(Session session, ResolvedReel programme, List<Integer> chosen, IntConsumer moved) {
        this.session = session;
        this.programme = programme;
        this.chosen = chosen;
        this.moved = moved;
    }

    ContextMenu menu() {
        ContextMenu menu = new ContextMenu();
        List<MenuItem> items = menu.getItems();
        items.add(Controls.item("item-duplicate", WORDS.say("duplicate"), this::duplicate));
        items.add(joints());
        items.add(new SeparatorMenuItem());
        MenuItem earlier = Controls.item("item-earlier", WORDS.say("earlierAltUp"), () -> move(-1));
        earlier.setDisable(!canMove(-1));
        MenuItem later = Controls.item("item-later", WORDS.say("laterAltDown"), () -> move(1));
        later.setDisable(!canMove(1));
        items.addAll(List.of(earlier, later));
        if (chosen.size() == 1) {
            items.add(Controls.item("copy-item-plan", WORDS.say("copyItsPlanFrameByFrame"), () -> {
                Clips.copy(PlanText.of(programme, chosen.getFirst()));
                session.say(WORDS.say("theItemsPlanIsOnTheClipboard"));
            }));
        }
        items.add(new SeparatorMenuItem());
        items.add(Controls.item("item-remove", WORDS.say("removeDelete"), this::remove));
        return menu;
    }

    void duplicate() {
        all(WORDS.say("duplicatingItems", chosen.size()), ReelEdits::repeatItem);
    }

    void remove() {
        all(WORDS.say("removingItems", chosen.size()), ReelEdits::removeItem);
    }

    boolean canMove(int by) {
        return chosen.size() == 1 && chosen.getFirst() + by >= 0 && chosen.getFirst() + by < programme.reel().items().size();
    }

    void move(int by) {
        if (canMove(by)) {
            int from = chosen.getFirst();
            session.edit(ReelEdits.moveItem(from, from + by));
            moved.accept(from + by);
        }
    }

    private Menu joints() {
        Menu joints = Controls.menu(WORDS.say("transitionIn"));
        joints.setId("item-joints");
        joints.getItems().addAll(Controls.item("join-cut", WORDS.say("cut"), () -> join(null)),
                Controls.item("join-dissolve", WORDS.say("dissolveFrames", USUAL_JOINT), () -> join(Joint.Kind.DISSOLVE)),
                Controls.item("join-dip", WORDS.say("dipFrames", USUAL_JOINT), () -> join(Joint.Kind.DIP)));
        return joints;
    }

    private void join(Joint.Kind kind) {
        all(WORDS.say("changeOfTransition"), place -> ReelEdits.joinItem(place, kind == null ? null : new Joint(kind, USUAL_JOINT, null)));
    }

    /** One edit of all of them, undone as one; the last first, so that the places of the others stay. */
    private void all(String name, IntFunction<Edit> edit) {
        if (!chosen.isEmpty()) {
            List<Integer> places = new ArrayList<>(chosen);
            places.sort(Comparator.reverseOrder());
            List<Edit> edits = places.stream().map(edit::apply).toList();
            session.edit(edits.size() == 1 ? edits.getFirst() : Edit.together(name, edits));
        }
    }
}
