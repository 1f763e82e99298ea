package dev.vat.desktop.window;

import dev.vat.core.product.OperatingSystem;
import dev.vat.core.words.Words;
import dev.vat.desktop.look.Appearance;
import dev.vat.desktop.look.Emblem;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.session.RunLine;
import dev.vat.desktop.session.Session;
import dev.vat.desktop.shell.DesktopShell;
import dev.vat.engine.storage.UserSettings;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.stage.Screen;
import javafx.stage.Stage;
import javafx.stage.WindowEvent;

/** One window with its session, from opening to closing. On the interface's thread only, but for {@link #run}. */
public final class VatWindow {

    private static final Words WORDS = Words.of(VatWindow.class);

    private static final String REGION_CACHE_OFF = "prism.disableRegionCaching";

    private static final List<String> TEXT_SIZES = List.of("glass.gtk.uiScale", "glass.win.uiScale");

    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;

    private final Stage stage;
    private final Session session;
    private final MainView mainView;
    private final Dialogs ask;
    private final WindowMemory memory;
    private Path project;
    private boolean unseen;
    private boolean closed;
    private final DesktopShell shell;
    private final RunNews news;

    /** On the desktop that it is opened on. @param ask null for the system's own dialogs */
    public VatWindow(Stage stage, Places places, Dialogs ask) {
        this(stage, places, ask, DesktopShell::here);
    }

    /** @param ask null for the system's own dialogs @param around the desktop that is told of runs, by what a press on what it says does */
    VatWindow(Stage stage, Places places, Dialogs ask, Function<Runnable, DesktopShell> around) {
        shell = around.apply(() -> Platform.runLater(this::toFront));
        news = new RunNews(shell);
        this.stage = stage;
        this.ask = ask == null ? new FxAsk(stage) : ask;
        Appearance.loadFaces();
        session = new Session(places, Platform::runLater);
        Appearance.dress(Appearance.isDark(session.settings()));
        mainView = new MainView(session, this.ask);
        stage.setScene(new Scene(mainView, WIDTH, HEIGHT));
        if (OperatingSystem.here() == OperatingSystem.MACOS) {
            mainView.addSystemMenus();
        }
        stage.setTitle("Vat");
        stage.setMinWidth(900);
        stage.setMinHeight(560);
        stage.setOnCloseRequest(this::closeAsked);
        stage.setOnShown(_ -> {
            mainView.focusBand();
            // Not before: both want the same cores.
            Platform.runLater(session.viewer()::wake);
            Platform.runLater(() -> stage.getIcons().setAll(Emblem.images()));
        });
        stage.focusedProperty().addListener((_, _, focused) -> {
            unseen &= !focused;
            showTitle();
        });
        session.addListener(this::showTitle);
        session.addListener(this::projectMayHaveChanged);
        memory = new WindowMemory(places.config());
        memory.last().ifPresent(this::place);
        if (session.settings().textPercent() != null) {
            fitScreen();
        }
    }

    /** Where text is large, a window of the usual size may be larger than the screen. */
    private void fitScreen() {
        Rectangle2D room = Screen.getPrimary().getVisualBounds();
        stage.setWidth(Math.min(memory.last().map(WindowState::width).orElse(WIDTH), room.getWidth()));
        stage.setHeight(Math.min(memory.last().map(WindowState::height).orElse(HEIGHT), room.getHeight()));
    }

    /** Where it was, as far as there still is a screen. */
    private void place(WindowState state) {
        if (Screen.getScreensForRectangle(state.x(), state.y(), state.width(), state.height()).isEmpty()) {
            return;
        }
        stage.setX(state.x());
        stage.setY(state.y());
        stage.setWidth(state.width());
        stage.setHeight(state.height());
        stage.setMaximized(state.maximized());
    }

    /** Another project is shown as it was left. */
    private void projectMayHaveChanged() {
        Path now = session.files().file();
        if (!Objects.equals(now, project)) {
            if (project != null) {
                memory.keep(project, mainView.state(stage));
            }
            project = now;
            memory.of(now).filter(_ -> now != null).ifPresent(mainView::restore);
        }
    }

    /** How far a run is, and that it ended while nobody looked: to be seen from among other windows. */
    private void showTitle() {
        OptionalDouble share = session.runs().going().stream().mapToDouble(RunLine::share).findFirst();
        unseen |= news.update(share, session.runs().isFree(), stage.isFocused(),
                () -> session.runs().lines().stream().limit(1).allMatch(line -> line.isProven() && !line.isUnfinished()),
                session.project().name()) && !stage.isFocused();
        String run = session.runs().going().map(line -> WORDS.say("made", Math.round(100 * line.share())))
                .orElse(unseen ? WORDS.say("done") : "");
        String name = session.project().isEmpty() ? "" : session.project().name() + (session.files().isSaved() ? "" : WORDS.say("saving"));
        stage.setTitle(Stream.of(run, name, "Vat").filter(w -> !w.isEmpty()).collect(Collectors.joining(", ")));
    }

    /**
     * Starts the toolkit, shows a window, and waits until it is closed.
     *
     * @param first told of the window when it is there
     * @return the exit code
     */
    public static int run(Places places, Consumer<VatWindow> first) {
        CountDownLatch closed = new CountDownLatch(1);
        setTextSize(places);
        try {
            startToolkit(() -> {
                Stage stage = new Stage();
                VatWindow window = new VatWindow(stage, places, null);
                stage.setOnHidden(_ -> {
                    window.close();
                    closed.countDown();
                });
                stage.show();
                first.accept(window);
            });
        } catch (UnsupportedOperationException | UnsatisfiedLinkError e) {
            System.err.println(WORDS.say("vatTheWindowCantBeOpened", e.getMessage()));
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

    /** As large as the user wants it; the toolkit asks for it once, when it starts. */
    private static void setTextSize(Places places) {
        try {
            Integer percent = UserSettings.load(places.settings()).textPercent();
            if (percent != null) {
                for (String property : TEXT_SIZES) {
                    System.setProperty(property, Math.clamp(percent, 80, 300) + "%");
                }
            }
        } catch (IOException e) {
            System.err.println(WORDS.say("vatTheSettingsCantBeRead", e.getMessage()));
        }
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

    /** Over all other windows, as far as the desktop lets it. */
    public void toFront() {
        stage.setIconified(false);
        stage.toFront();
        stage.requestFocus();
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
        if (!closed) {
            closed = true;
            memory.keep(project, mainView.state(stage));
        }
        mainView.close();
        session.close();
        shell.close();
    }
}
