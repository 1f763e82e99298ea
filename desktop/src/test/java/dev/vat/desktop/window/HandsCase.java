package dev.vat.desktop.window;

import static javafx.scene.input.KeyCode.*;

import dev.vat.core.delivery.Catalogue;
import dev.vat.core.reel.Item;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.desktop.TestFrames;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;

/** What is done in the window by any hand, from the empty window to files that are handed over, and how its outcome is known. */
abstract class HandsCase extends ScreenCase {

    /** What is done, and what has come about then. */
    record Gesture(String name, Act act, Callable<Boolean> done) {}

    interface Act {
        void by(Way way) throws Exception;
    }

    final List<Gesture> gestures = new ArrayList<>();

    void gesture(String name, Act act, Callable<Boolean> done) {
        gestures.add(new Gesture(name, act, done));
    }

    private static KeyCode[] keys(KeyCode... keys) {
        return keys;
    }

    String band() throws Exception {
        return text("band-name");
    }

    String number() throws Exception {
        return text("picture-number");
    }

    List<String> items() throws Exception {
        return session().project().currentReel().map(r -> r.items().stream().map(Item::source).toList()).orElse(List.of());
    }

    int rows(String list) {
        return ((ListView<?>) node(list)).getItems().size();
    }

    int chosen(String list) {
        return ((ListView<?>) node(list)).getSelectionModel().getSelectedItems().size();
    }

    Rate rate(String source) {
        return session().project().source(source).orElseThrow().reading().rate();
    }
    FrameRange range(String source) {
        return session().project().source(source).orElseThrow().reading().range();
    }

    String cell(String row, String column) throws Exception {
        return text("cell-" + row + "-" + column);
    }

    void bringIn() throws Exception {
        for (String shot : List.of("dunes", "kite", "pier")) {
            answers.folder = TestFrames.png(folder, shot, 40);
            Path one = answers.folder;
            gesture("add " + shot, way -> way.command("open-frames", keys(CONTROL, SHIFT, I), "add", "menu-open-frames"),
                    () -> session().project().sources().stream().anyMatch(s -> s.folder().path().equals(one)));
        }
    }

    void onSources() {
        gesture("choose a source", way -> way.row("sources", 0), () -> band().startsWith("dunes"));
        gesture("choose another", way -> way.row("sources", 1), () -> band().startsWith("kite"));
        gesture("choose a frame rate", way -> way.press("rate-25"), () -> Rate.FPS_25.equals(rate("s2")));
        gesture("type a range", way -> way.enter("range", "5-30"),
                () -> range("s2") != null && range("s2").count() == 26);
        gesture("undo", way -> way.command("undo", keys(CONTROL, Z), "undo"),
                () -> range("s2") == null);
        gesture("redo", way -> way.command("redo", keys(CONTROL, SHIFT, Z), "redo"),
                () -> range("s2") != null);
        gesture("open a group", way -> way.press("group-missing"), () -> isThere("gap-hold-previous"));
        gesture("choose what missing frames become", way -> way.press("gap-hold-previous"),
                () -> session().project().source("s2").orElseThrow().reading().gap().name().equals("HOLD"));
        gesture("choose several", way -> {
            way.row("sources", 0);
            way.rowToo("sources", 1);
        }, () -> chosen("sources") == 2);
        gesture("a rate for several, from their menu", way -> {
            way.menu("source-s1");
            way.choose("source-rates", "set-rate-30");
        }, () -> Rate.of(30).equals(rate("s1")) && Rate.of(30).equals(rate("s2")));
        gesture("find a source by its name", way -> {
            way.into("filter");
            hand.write("pier");
        }, () -> rows("sources") == 1);
        gesture("see all again", way -> {
            way.into("filter");
            for (int i = 0; i < "pier".length(); i++) {
                hand.push(BACK_SPACE);
            }
        }, () -> rows("sources") == 3);
    }

    void onThePicture() {
        gesture("leave the field", way -> {
            if (way instanceof ByKeys keys) {
                keys.part("band");
            } else {
                way.row("sources", 0);
            }
        }, () -> !node("filter").isFocused());
        gesture("go to the last frame", way -> way.command("last", keys(END), "to-end"), () -> number().equals("0040"));
        gesture("go to the first frame", way -> way.command("first", keys(HOME), "to-start"), () -> number().equals("0001"));
        gesture("step on", way -> way.command("forward", keys(RIGHT), "step-forward"), () -> number().equals("0002"));
        gesture("play", way -> way.command("shuttle-on", keys(L), "play"), () -> window.mainView().steering().playing().isPresent());
        gesture("stop", way -> way.command("shuttle-stop", keys(K), "play"), () -> window.mainView().steering().playing().isEmpty());
        gesture("see the safe areas", way -> way.command("safe", keys(G), "view", "look-safe-areas"),
                () -> text("view").toLowerCase().contains("safe"));
        gesture("see one pixel on one", way -> way.command("actual", keys(DIGIT1), "view", "look-actual-size"),
                () -> text("view").contains("2"));
    }

    void onTheReel() {
        gesture("go to the reel", way -> way.command("reel", keys(CONTROL, DIGIT2), "face-reel"), () -> isThere("items"));
        gesture("choose an item", way -> way.row("items", 1), () -> chosen("items") == 1);
        gesture("duplicate it", way -> {
            way.menu("item-1");
            way.choose("item-duplicate");
        }, () -> items().size() == 4);
        gesture("a dissolve into it", way -> {
            way.row("items", 1);
            way.menu("item-1");
            way.choose("item-joints", "join-dissolve");
        }, () -> session().project().currentReel().orElseThrow().items().get(1).joint() != null);
        gesture("move it", way -> {
            if (way instanceof ByKeys) {
                way.strike(ALT, DOWN);
            } else {
                way.press("item-menu");
                way.choose("item-later");
            }
        }, () -> session().project().currentReel().orElseThrow().items().get(2).joint() != null);
        gesture("remove one", way -> {
            way.row("items", 3);
            if (way instanceof ByKeys) {
                way.strike(DELETE);
            } else {
                way.press("remove-item");
            }
        }, () -> items().size() == 3);
        gesture("add black", way -> way.press("add-black"), () -> items().size() == 4);
        gesture("the rate of the whole reel", way -> {
            if (isThere("whole-reel")) {
                way.press("whole-reel");
            }
            way.press("group-rate");
            way.press("reel-rate-25");
        }, () -> Rate.FPS_25.equals(session().project().currentReel().orElseThrow().rate()));
    }

    void onDeliverables() {
        gesture("go to the deliverables", way -> way.command("out", keys(CONTROL, DIGIT3), "face-out"), () -> isThere("out-face"));
        gesture("say who it is for", way -> way.press("target-web-h264"), () -> session().deliverable("web-h264").isPresent());
        gesture("add a second one", way -> {
            way.press("add-target");
            String recipient = Catalogue.EDIT_PRORES_HQ.recipient();
            String first = Catalogue.targets().stream().filter(t -> t.recipient().equals(recipient)).findFirst().orElseThrow().id();
            way.choose("for-" + first, "choose-edit-prores-hq");
        }, () -> session().deliverable("edit-prores-hq").isPresent());
        gesture("type a size into its cell", way -> {
            toCell(way, "size", "web-h264");
            settle();
            hand.write("64x36");
            hand.rest();
            way.strike(ENTER);
        }, () -> cell("size", "web-h264").equals("64x36"));
        gesture("the same in all columns", way -> {
            way.menu("cell-size-web-h264");
            way.choose("cell-to-all");
        }, () -> cell("size", "edit-prores-hq").equals("64x36"));
        gesture("duplicate a column", way -> {
            way.press("column-menu-web-h264");
            way.choose("column-duplicate");
        }, () -> session().project().deliverables().size() == 3);
        gesture("remove it", way -> way.press("drop-web-h264-2"), () -> session().project().deliverables().size() == 2);
        gesture("type where files go", way -> way.enter("folder", folder.resolve("to").toString()),
                () -> session().project().folder().path().equals(folder.resolve("to")));
    }

    void toCell(Way way, String row, String column) throws Exception {
        if (way instanceof ByKeys keys) {
            keys.walk("out-grid");
            for (int i = 0; i < 60 && !isLit("cell-" + row + "-" + column); i++) {
                way.strike(DOWN);
            }
        } else {
            way.press("cell-" + row + "-" + column);
        }
    }

    boolean isLit(String cell) throws Exception {
        return on(() -> node(cell) != null && node(cell).getStyleClass().contains("here"));
    }

    void onFiles(List<String> files) {
        gesture("make the files", way -> {
            way.command("make", keys(CONTROL, ENTER), "make");
            made();
        }, () -> files.stream().allMatch(f -> Files.isRegularFile(folder.resolve("to").resolve(f))));
        gesture("see a receipt", way -> {
            if (way instanceof ByKeys keys) {
                keys.part("open-hand-over");
            }
            way.press("receipt-web-h264");
        }, () -> isThere("receipt"));
        gesture("leave it", way -> way.command("leave-page", keys(ESCAPE), "close-receipt"), () -> !isThere("receipt"));
        gesture("compare", way -> {
            way.command("compare", keys(C), "compare-with");
            way.choose("compare-sources", "compare-source-s1");
        }, () -> isThere("compare-close"));
        gesture("end the comparison", way -> way.command("end-compare", keys(ESCAPE), "compare-close"), () -> !isThere("compare-close"));
        gesture("see what was delivered", way -> way.command("history", keys(CONTROL, H), "open-history"), () -> isThere("history"));
        gesture("leave the history", way -> way.command("leave-page", keys(ESCAPE), "close-history"), () -> !isThere("history"));
        gesture("put a hand-over together", way -> way.press("open-hand-over"), () -> isThere("set-film-0"));
        gesture("say where to", way -> way.press("set-folder"), () -> text("set-folder").endsWith("handed"));
        gesture("hand over", way -> {
            way.enter("set-name", "Kite Week");
            way.press("set-make");
            await(() -> isThere("set-reveal"));
        }, () -> Files.isDirectory(folder.resolve("handed").resolve("Kite Week")));
        gesture("leave the hand-over", way -> way.command("leave-page", keys(ESCAPE), "close-hand-over"), () -> !isThere("set-film-0"));
        gesture("find a target by a word", way -> {
            way.command("search", keys(CONTROL, SPACE), "search");
            hand.write("prores 4444");
            settle();
            if (way instanceof ByKeys) {
                way.strike(ENTER);
            } else {
                way.press("command-add-alpha-prores-4444");
            }
        }, () -> session().deliverable("alpha-prores-4444").isPresent());
        gesture("find a command by a word", way -> {
            way.command("search", keys(CONTROL, SPACE), "search");
            hand.write("settings");
            settle();
            if (way instanceof ByKeys) {
                way.strike(ENTER);
            } else {
                way.press("command-settings");
            }
        }, () -> isThere("close-settings"));
        gesture("leave the settings", way -> way.command("leave-page", keys(ESCAPE), "close-settings"), () -> !isThere("close-settings"));
    }
}
