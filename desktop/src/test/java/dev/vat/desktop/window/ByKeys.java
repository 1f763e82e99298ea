package dev.vat.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;

/** The mouse lies in a drawer. */
final class ByKeys extends Way {

    ByKeys(WindowCase window) {
        super(window);
    }

    private String focus() throws Exception {
        return WindowCase.on(() -> Optional.ofNullable(window.window.stage().getScene().getFocusOwner()).map(Node::getId).orElse(""));
    }

    /** Goes on to the part of the window that begins with this. */
    void part(String id) throws Exception {
        for (int i = 0; i < STOPS && !focus().equals(id); i++) {
            strike(KeyCode.F6);
        }
    }

    /** Goes to a control without pressing it. */
    void walk(String id) throws Exception {
        go(id);
    }

    /** Tab after Tab, as somebody does who sees where the focus is: backwards where that is nearer. */
    private void go(String id) throws Exception {
        node(id);
        window.settle();
        String start = focus();
        if (start.equals(id)) {
            return;
        }
        boolean back = isNearerBackwards(id);
        for (int i = 0; i < STOPS; i++) {
            if (back) {
                strike(KeyCode.SHIFT, KeyCode.TAB);
            } else {
                strike(KeyCode.TAB);
            }
            // Of choices of which one is taken only that one is a stop; arrows go on to the others.
            for (int on = 0; isAmong(id) && on < STOPS; on++) {
                strike(KeyCode.RIGHT);
            }
            if (focus().equals(id)) {
                return;
            }
        }
        throw new AssertionError("Tab never comes to " + id + " from " + start);
    }

    /** Somebody who looks at the window sees on which side a thing lies. */
    private boolean isNearerBackwards(String id) throws Exception {
        return WindowCase.on(() -> {
            List<Node> stops = new ArrayList<>();
            stops(window.window.stage().getScene().getRoot(), stops);
            int from = stops.indexOf(window.window.stage().getScene().getFocusOwner());
            int on = Math.floorMod(stops.indexOf(window.node(id)) - from, stops.size());
            return from >= 0 && on > stops.size() / 2;
        });
    }

    private static void stops(Node node, List<Node> into) {
        if (node.isVisible() && !node.isDisabled()) {
            if (node.isFocusTraversable()) {
                into.add(node);
            }
            if (node instanceof Parent parent) {
                parent.getChildrenUnmodifiable().forEach(child -> stops(child, into));
            }
        }
    }

    private boolean isAmong(String id) throws Exception {
        return WindowCase.on(() -> window.window.stage().getScene().getFocusOwner() instanceof ToggleButton here
                && here.getToggleGroup() != null && !here.getId().equals(id) && window.node(id) instanceof ToggleButton there
                && here.getToggleGroup() == there.getToggleGroup());
    }

    @Override
    void press(String id) throws Exception {
        go(id);
        if (!WindowCase
                .on(() -> window.node(id) instanceof ToggleButton choice && choice.getToggleGroup() != null && choice.isSelected())) {
            strike(KeyCode.SPACE);
        }
        window.settle();
    }

    @Override
    void choose(String... path) throws Exception {
        for (int i = 0; i < path.length; i++) {
            String id = path[i];
            hand.await(() -> offered(id).isPresent());
            for (int down = 0; !isLit(id); down++) {
                if (down > STOPS) {
                    throw new AssertionError("no arrow comes to " + id);
                }
                strike(KeyCode.DOWN);
            }
            strike(i < path.length - 1 ? KeyCode.RIGHT : KeyCode.ENTER);
            hand.rest();
        }
        // A key that comes before the menu is gone would be the menu's.
        hand.await(() -> offered(path[path.length - 1]).isEmpty());
        window.settle();
    }

    private boolean isLit(String id) throws Exception {
        return offered(id).map(n -> n.getPseudoClassStates().contains(PseudoClass.getPseudoClass("focused"))).orElse(false);
    }

    @Override
    void menu(String row) throws Exception {
        strike(KeyCode.SHIFT, KeyCode.F10);
    }

    @Override
    void row(String list, int place) throws Exception {
        go(list);
        strike(KeyCode.HOME);
        for (int i = 0; i < place; i++) {
            strike(KeyCode.DOWN);
        }
        window.settle();
    }

    @Override
    void rowToo(String list, int place) throws Exception {
        strike(KeyCode.SHIFT, KeyCode.DOWN);
        window.settle();
    }

    @Override
    void into(String field) throws Exception {
        go(field);
        strike(KeyCode.CONTROL, KeyCode.A);
    }

    @Override
    void leave() throws Exception {
        strike(KeyCode.TAB);
    }

    @Override
    void command(String id, KeyCode[] keys, String... button) throws Exception {
        strike(keys);
        window.settle();
    }
}
