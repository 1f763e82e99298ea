package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.Labeled;
import javafx.scene.control.OverrunStyle;
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
            press("target-" + target);
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
        run(() -> window.mainView().compare("compare-source-s2"));
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
        for (String group : on(() -> window.mainView().lookupAll(".fold").stream().map(Node::getId).toList())) {
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
                .filter(l -> l.lookup(".text") instanceof Text text && !text.getText().equals(l.getText()))
                .map(l -> l.getId() + " '" + l.getText() + "' as '" + ((Text) l.lookup(".text")).getText() + "'")
                .toList();
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
            if (!isInside()) {
                cut.add(screen + ": the page is taller than the window");
            }
        });
        assertThat(cut).isEmpty();
    }
}
