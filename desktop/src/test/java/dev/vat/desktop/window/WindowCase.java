package dev.vat.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import dev.vat.core.reel.Reel;
import dev.vat.desktop.TestFrames;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.sheet.Scrolls;
import dev.vat.desktop.shell.DesktopShell;
import dev.vat.protocol.storage.Places;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.logging.Handler;
import java.util.logging.LogRecord;
import java.util.logging.Logger;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.DragEvent;
import javafx.scene.input.Dragboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.TransferMode;
import javafx.stage.Stage;
import javafx.stage.Window;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mockito;

/** The real window, driven by a robot; dialogs are answered from what a test lays down beforehand. */
abstract class WindowCase {

    private static boolean started;

    @TempDir
    Path folder;

    final Answers answers = new Answers();
    private final List<String> styleTrouble = new ArrayList<>();
    private final Handler styleWatch = new Handler() {
        @Override
        public void publish(LogRecord line) {
            styleTrouble.add(line.getMessage());
        }

        @Override
        public void flush() {}

        @Override
        public void close() {}
    };
    /** What the desktop around the window is told; written and read on the interface's thread. */
    final List<String> told = new ArrayList<>();
    final DesktopShell desktop = new DesktopShell() {
        @Override
        public void progress(double share) {
            told.add("progress");
        }

        @Override
        public void ended() {
            told.add("ended");
        }

        @Override
        public void say(String title, String words) {
            told.add(title + " / " + words);
        }

        @Override
        public void close() {}
    };
    Places places;
    VatWindow window;
    Hand hand;

    @BeforeAll
    static void start() throws Exception {
        if (!started) {
            started = true;
            CompletableFuture<Void> up = new CompletableFuture<>();
            Platform.setImplicitExit(false);
            Platform.startup(() -> up.complete(null));
            up.get();
        }
    }

    @BeforeEach
    void openWindow() throws Exception {
        Logger.getLogger("javafx.css").addHandler(styleWatch);
        places = TestFrames.places(folder);
        window = on(() -> {
            Stage stage = new Stage();
            VatWindow made = new VatWindow(stage, places, answers, _ -> desktop);
            stage.setX(0);
            stage.setY(0);
            stage.show();
            return made;
        });
        hand = Hand.over(window.stage());
        hand.rest();
    }

    @AfterEach
    void closeWindow() throws Exception {
        on(() -> {
            window.close();
            window.stage().hide();
            return null;
        });
        Logger.getLogger("javafx.css").removeHandler(styleWatch);
        assertThat(styleTrouble).as("style sheets look nothing up in vain").isEmpty();
    }

    static <T> T on(Callable<T> act) throws Exception {
        return Hand.on(act);
    }

    Session session() {
        return window.session();
    }

    void await(Callable<Boolean> condition) throws Exception {
        hand.await(condition);
    }

    /** Waits until nothing is checked, drawn or refreshed any more. */
    void settle() throws Exception {
        await(() -> !session().watch().isChecking() && window.mainView().isSettled());
        hand.rest();
    }

    /** Files let go over the window, as from the system's file manager. */
    void drop(Path... paths) throws Exception {
        Dragboard board = Mockito.mock(Dragboard.class);
        Mockito.when(board.hasFiles()).thenReturn(true);
        Mockito.when(board.getFiles()).thenReturn(Arrays.stream(paths).map(Path::toFile).toList());
        on(() -> {
            for (var type : List.of(DragEvent.DRAG_OVER, DragEvent.DRAG_DROPPED)) {
                javafx.event.Event.fireEvent(window.mainView(),
                        new DragEvent(type, board, 400, 400, 400, 400, TransferMode.COPY, null, null, null));
            }
            return null;
        });
        await(() -> !session().search().isGoing());
        settle();
    }

    /** What is to be seen under an id comes before what another face keeps. */
    Node node(String id) {
        Set<Node> all = window.mainView().lookupAll("#" + id);
        return all.stream().filter(Parts::isShown).findFirst().orElseGet(() -> all.stream().findFirst().orElse(null));
    }

    boolean isThere(String id) {
        Node node = node(id);
        return node != null && Parts.isShown(node) && node.getScene() != null;
    }

    /** Whether a source stands in the list, though it may be scrolled out of sight. */
    boolean isListed(String source) throws Exception {
        return on(() -> ((ListView<?>) node("sources")).getItems().stream().anyMatch(row -> row.toString().contains("id=" + source + ",")));
    }

    /** Opens the groups of what is chosen one after the other until something stands there. */
    void reveal(String id) throws Exception {
        settle();
        for (String group : on(() -> isThere(id) ? List.<String>of() : folds())) {
            fire(group);
            if (on(() -> isThere(id))) {
                return;
            }
        }
    }

    /** The groups that can be opened where one is. */
    List<String> folds() {
        return window.mainView().lookupAll(".fold").stream().filter(Parts::isShown).map(Node::getId).toList();
    }

    /** Types into a field and presses Enter. */
    void enter(String id, String text) throws Exception {
        reveal(id);
        await(() -> isThere(id));
        run(() -> {
            node(id).requestFocus();
            ((TextField) node(id)).setText(text);
        });
        type(KeyCode.ENTER);
        settle();
    }

    Reel reel() throws Exception {
        return on(() -> session().project().currentReel().orElseThrow());
    }

    String text(String id) throws Exception {
        return on(() -> ((Labeled) node(id)).getText());
    }

    /** Presses with the mouse. */
    void press(String id) throws Exception {
        if (!isThere(id)) {
            reveal(id);
        }
        await(() -> isThere(id));
        settle();
        run(() -> Scrolls.reveal(node(id)));
        hand.moveTo(node(id)).click();
    }

    /** Fires a button that may be scrolled out of sight. */
    void fire(String id) throws Exception {
        if (!id.startsWith("group-")) {
            reveal(id);
        }
        await(() -> node(id) instanceof ButtonBase);
        run(() -> ((ButtonBase) node(id)).fire());
    }

    void run(Runnable act) throws Exception {
        on(() -> {
            act.run();
            return null;
        });
        hand.rest();
    }

    /** Strikes these keys one after the other. */
    void type(KeyCode... keys) throws Exception {
        for (KeyCode key : keys) {
            hand.push(key);
        }
    }

    /** Does what an open menu offers. */
    void choose(String item) throws Exception {
        on(() -> {
            for (Window window : Window.getWindows()) {
                if (window instanceof ContextMenu menu && find(menu.getItems(), item) != null) {
                    find(menu.getItems(), item).getOnAction().handle(null);
                    menu.hide();
                    return null;
                }
            }
            throw new AssertionError("nothing offers " + item);
        });
        // A menu that closes gives the window back what it took, once it is closed.
        hand.rest();
        run(() -> window.stage().requestFocus());
        settle();
    }

    /** Does what a button's menu offers. */
    void choose(String button, String item) throws Exception {
        press(button);
        choose(item);
    }

    /** Opens a group of settings. */
    void open(String group) throws Exception {
        await(() -> node("group-" + group) instanceof ToggleButton);
        if (!on(() -> ((ToggleButton) node("group-" + group)).isSelected())) {
            press("group-" + group);
        }
    }

    private static MenuItem find(List<MenuItem> items, String id) {
        for (MenuItem item : items) {
            MenuItem inside = item instanceof Menu menu ? find(menu.getItems(), id) : null;
            if (id.equals(item.getId()) || inside != null) {
                return inside != null ? inside : item;
            }
        }
        return null;
    }

    void made() throws Exception {
        await(() -> session().runs().isIdle() && !session().runs().lines().isEmpty());
        settle();
    }
}
