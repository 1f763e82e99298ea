package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.project.DeliverableEdits;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.look.Contrast;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.OverrunStyle;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;

/** Every screen of the window, one after the other, and what can be seen on each. */
abstract class ScreenCase extends WindowCase {

    /** Done on each screen, with its name. */
    interface Look {
        void at(String screen) throws Exception;
    }

    void tour(Look look) throws Exception {
        look.at("empty");
        Path kite = TestFrames.png(folder, "kite_with_a_long_name", 12);
        Files.delete(kite.resolve("kite_with_a_long_name.0004.png"));
        TestFrames.old(Files.write(kite.resolve("kite_with_a_long_name.0007.png"), new byte[0]));
        drop(kite);
        drop(TestFrames.png(folder, "dunes", 12, 96, 54, true));
        drop(TestFrames.png(folder, "pier", 12));
        look.at("in");
        groups("in", look);
        run(() -> session().chooseRate(Rate.FPS_25));
        for (String target : List.of("web-h264", "edit-prores-hq", "alpha-prores-4444")) {
            if (isThere("target-" + target)) {
                press("target-" + target);
            } else {
                run(() -> session().edit(DeliverableEdits.addTarget(Catalogue.target(target))));
            }
        }
        press("face-reel");
        look.at("reel");
        groups("whole reel", look);
        press("item-1");
        look.at("item");
        groups("item", look);
        press("face-out");
        look.at("out");
        press("to-more");
        look.at("out, more");
        run(() -> window.mainView().steering().compare("compare-source-s2"));
        settle();
        look.at("comparison");
        run(() -> window.mainView().press("end-compare"));
        for (String page : List.of("settings", "help", "keys", "history", "hand-over-set", "repack", "runs", "search")) {
            run(() -> window.mainView().press(page));
            settle();
            look.at(page);
        }
    }

    private void groups(String of, Look look) throws Exception {
        for (String group : on(this::folds)) {
            fire(group);
            settle();
            look.at(of + ", " + group);
        }
    }

    private static void walk(Node node, List<Node> into) {
        if (node.isVisible()) {
            into.add(node);
            if (node instanceof Parent parent) {
                parent.getChildrenUnmodifiable().forEach(child -> walk(child, into));
            }
        }
    }

    List<Node> shown() throws Exception {
        return on(() -> {
            List<Node> all = new ArrayList<>();
            walk(window.stage().getScene().getRoot(), all);
            return all;
        });
    }

    /** What is shown of each label's words where that isn't all of them; names that are cut in the middle have the whole in a tooltip. */
    List<String> cut() throws Exception {
        return shown().stream().filter(Labeled.class::isInstance).map(Labeled.class::cast)
                .filter(l -> l.getText() != null && !l.getText().isEmpty() && l.getTextOverrun() != OverrunStyle.CENTER_ELLIPSIS)
                .filter(l -> l.lookup(".text") instanceof Text text && !text.getText().equals(l.getText())
                        && text.getText().endsWith(l.getEllipsisString()))
                .map(l -> l.getId() + " '" + l.getText() + "' as '" + ((Text) l.lookup(".text")).getText() + "'")
                .toList();
    }

    /** Contents that are wider than the pane that goes up and down through them: their right edge can't be reached. */
    List<String> tooWide() throws Exception {
        return shown().stream().filter(ScrollPane.class::isInstance).map(ScrollPane.class::cast)
                .filter(pane -> pane.getHbarPolicy() == ScrollPane.ScrollBarPolicy.NEVER && pane.isFitToWidth() && pane.getContent() != null
                        && pane.getContent().getLayoutBounds().getWidth() > pane.getViewportBounds().getWidth() + 1)
                .map(pane -> pane.getContent() + " is " + pane.getContent().getLayoutBounds().getWidth() + " wide in "
                        + pane.getViewportBounds().getWidth())
                .toList();
    }

    /** Words that stand out too little from what they stand on: below 4.5:1, as WCAG 2.2 measures it. */
    List<String> faint() throws Exception {
        return on(() -> {
            List<Node> all = new ArrayList<>();
            walk(window.stage().getScene().getRoot(), all);
            return all.stream().filter(Text.class::isInstance).map(Text.class::cast).filter(t -> !t.getText().isBlank() && !isOff(t))
                    .filter(t -> t.getFill() instanceof Color ink && under(t) instanceof Color ground && Contrast.of(ink, ground) < 4.5)
                    .map(t -> "'" + t.getText() + "' " + t.getFill() + " on " + under(t)).toList();
        });
    }

    private static boolean isOff(Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.isDisabled() || at.getOpacity() < 1) {
                return true;
            }
        }
        return false;
    }

    /** The colour that lies under a node, or null where that is a picture. */
    private static Color under(Node node) {
        for (Parent at = node.getParent(); at != null; at = at.getParent()) {
            if (at instanceof Region region && region.getBackground() != null && !region.getBackground().getFills().isEmpty()
                    && region.getBackground().getFills().getLast().getFill() instanceof Color fill && fill.isOpaque()) {
                return fill;
            }
        }
        return null;
    }

    /** Whether all of the page is inside of the window. */
    private boolean isInside() throws Exception {
        return on(() -> {
            double tall = window.stage().getScene().getHeight();
            return node("project-name").localToScene(0, 0).getY() >= 0
                    && node("runs").localToScene(node("runs").getBoundsInLocal()).getMaxY() <= tall + 1;
        });
    }

    void nothingIsCut(double width, double height) throws Exception {
        run(() -> {
            window.stage().setWidth(width);
            window.stage().setHeight(height);
        });
        TreeSet<String> cut = new TreeSet<>();
        tour(screen -> {
            cut().forEach(words -> cut.add(screen + ": " + words));
            tooWide().forEach(pane -> cut.add(screen + ": " + pane));
            if (!isInside()) {
                cut.add(screen + ": the page is taller than the window");
            }
        });
        assertThat(cut).isEmpty();
    }
}
