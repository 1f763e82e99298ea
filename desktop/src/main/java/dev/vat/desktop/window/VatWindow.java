package dev.vat.desktop.window;

import dev.vat.desktop.look.Appearance;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.session.Session;
import dev.vat.protocol.storage.Places;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;

/** One window with its session, from opening to closing. On the interface's thread only, but for {@link #run}. */
public final class VatWindow {

    private static final String REGION_CACHE_OFF = "prism.disableRegionCaching";

    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;

    private final Stage stage;
    private final Session session;
    private final MainView mainView;
    private final Dialogs ask;
    private boolean wasMaking;
    private boolean unseen;

    /** @param ask null for the system's own dialogs */
    public VatWindow(Stage stage, Places places, Dialogs ask) {
        this.stage = stage;
        this.ask = ask == null ? new FxAsk(stage) : ask;
        Appearance.loadFaces();
        session = new Session(places, Platform::runLater);
        session.viewer().wake();
        Appearance.dress(session.settings().dark());
        mainView = new MainView(session, this.ask);
        stage.setScene(new Scene(mainView, WIDTH, HEIGHT));
        stage.setTitle("Vat");
        stage.setMinWidth(900);
        stage.setMinHeight(560);
        stage.setOnCloseRequest(this::closeAsked);
        stage.setOnShown(_ -> mainView.focusBand());
        stage.focusedProperty().addListener((_, _, focused) -> {
            unseen &= !focused;
            showTitle();
        });
        session.addListener(this::showTitle);
    }

    /** How far a run is, and that it ended while nobody looked: to be seen from among other windows. */
    private void showTitle() {
        boolean free = session.runs().isFree();
        unseen |= free && wasMaking && !stage.isFocused();
        wasMaking = !free;
        String words = session.runs().going().map(line -> Math.round(100 * line.share()) + " % made").orElse(unseen ? "done" : "");
        stage.setTitle(words.isEmpty() ? "Vat" : words + ", Vat");
    }

    /**
     * Starts the toolkit, shows a window, and waits until it is closed.
     *
     * @param first told of the session when the window is there
     * @return the exit code
     */
    public static int run(Places places, Consumer<Session> first) {
        CountDownLatch closed = new CountDownLatch(1);
        try {
            startToolkit(() -> {
                Stage stage = new Stage();
                VatWindow window = new VatWindow(stage, places, null);
                stage.setOnHidden(_ -> {
                    window.close();
                    closed.countDown();
                });
                stage.show();
                first.accept(window.session);
            });
        } catch (UnsupportedOperationException | UnsatisfiedLinkError e) {
            System.err.println("vat: the window can't be opened on this display (" + e.getMessage()
                    + "). The commands work without one: vat --help");
            return 1;
        }
        try {
            closed.await();
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
        Platform.exit();
        return 0;
    }

    /**
     * Starts the toolkit, once for a process. @param first done on the interface's thread
     *
     * @throws UnsupportedOperationException if there is no display
     */
    public static void startToolkit(Runnable first) {
        // Without a graphics card, backgrounds kept as pictures are drawn slower than anew: gaps of 150 ms while a run takes all cores.
        if (System.getProperty(REGION_CACHE_OFF) == null) {
            System.setProperty(REGION_CACHE_OFF, "true");
        }
        Platform.startup(first);
    }

    private void closeAsked(WindowEvent e) {
        Entry.settle(stage.getScene());
        if (!session.runs().isFree() && ask.leaving() == Dialogs.Leaving.KEEP_WORKING) {
            e.consume();
        }
    }

    public Session session() {
        return session;
    }

    public MainView mainView() {
        return mainView;
    }

    public Stage stage() {
        return stage;
    }

    public void close() {
        mainView.close();
        session.close();
    }
}
