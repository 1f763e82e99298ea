package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.words.Words;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.look.Appearance;
import dev.vat.desktop.picture.Playback;
import dev.vat.desktop.runs.RunsPane;
import dev.vat.desktop.session.Session;
import dev.vat.engine.storage.UserSettings;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.stage.Stage;

/** What is done with the window itself: its parts, its faces, its pages and its look. */
final class WindowCommands {

    private static final Words WORDS = Words.of(WindowCommands.class);

    private final MainView view;
    private final Session session;
    private final WindowLayout layout;
    private final Navigation navigation;
    private final Player player;
    private final Playback playback;

    WindowCommands(MainView view, Session session, WindowLayout layout, Navigation navigation, Player player, Playback playback) {
        this.view = view;
        this.session = session;
        this.layout = layout;
        this.navigation = navigation;
        this.player = player;
        this.playback = playback;
    }

    void addTo(Commands commands, CommandSearch search, WindowParts parts, RunsPane runs) {
        Documents documents = view.documents();
        SheetPane sheet = view.sheet();
        commands.under(WORDS.say("window"))
                .add("leave-page", WORDS.say("leaveThePage"), key(KeyCode.ESCAPE), () -> documents.open() != null, documents::leave)
                .add("search", WORDS.say("findSomethingToDoByItsWords"), control(KeyCode.SPACE), search::open)
                .under(WORDS.say("help"))
                .add("help", WORDS.say("helpOnWhatHasTheKeyboard"), key(KeyCode.F1),
                        () -> documents.help(HelpFocus.topic(view.getScene().getFocusOwner(), sheet.face())))
                .add("keys", WORDS.say("sheetOfAllKeys"), key(KeyCode.F1, KeyCombination.SHIFT_DOWN), () -> documents.help("keys"))
                .under(WORDS.say("window"))
                .add("in", WORDS.say("showTheSources"), control(KeyCode.DIGIT1), () -> navigation.choose(SheetPane.Face.IN))
                .add("reel", WORDS.say("showTheReel"), control(KeyCode.DIGIT2), () -> navigation.choose(SheetPane.Face.REEL))
                .add("out", WORDS.say("showTheDeliverables"), control(KeyCode.DIGIT3), () -> navigation.choose(SheetPane.Face.OUT))
                .add("findings", WORDS.say("goToTheFindings"), control(KeyCode.DIGIT4), () -> !session.findings().all().isEmpty(),
                        sheet::goToFindings)
                .add("next-part", WORDS.say("toTheNextPartOfTheWindow"), key(KeyCode.F6),
                        () -> parts.go(view.getScene().getFocusOwner(), true))
                .add("previous-part", WORDS.say("toThePartOfTheWindowBefore"), key(KeyCode.F6, KeyCombination.SHIFT_DOWN),
                        () -> parts.go(view.getScene().getFocusOwner(), false))
                .add("widen", WORDS.say("widenTheSheetOverThePicture"), key(KeyCode.W, KeyCombination.SHIFT_DOWN), layout::widen)
                .add("runs", WORDS.say("showOrHideAllRuns"), control(KeyCode.R), runs::toggle);
    }

    /** After those of the picture: Escape leaves a selection and a comparison first. */
    void addLastTo(Commands commands, BooleanSupplier hasPicture, BooleanSupplier hasReel) {
        commands.under(WORDS.say("window"))
                .add("picture-only", WORDS.say("fillTheWindowWithThePicture"), key(KeyCode.W), hasPicture, layout::togglePictureOnly)
                .add("watch-reel", WORDS.say("watchTheWholeReelAndNothing"), key(KeyCode.F), hasReel, this::watchReel)
                .add("leave-picture", WORDS.say("leaveThePictureAloneInThe"), key(KeyCode.ESCAPE), layout::isPictureOnly,
                        layout::togglePictureOnly)
                .add("full-screen", WORDS.say("fillTheScreen"), key(KeyCode.F11), this::toggleFullScreen)
                .add("dark", WORDS.say("darkOrLight"), control(KeyCode.D),
                        () -> session.remember(session.settings()
                                .withScheme(Appearance.isDark(session.settings()) ? UserSettings.Scheme.LIGHT : UserSettings.Scheme.DARK)))
                .add("settings", WORDS.say("settings"), control(KeyCode.COMMA), view.documents()::settings);
    }

    /** The director's view: the reel from its start, with nothing around it. A second time leads back. */
    private void watchReel() {
        if (!layout.isPictureOnly()) {
            navigation.choose(SheetPane.Face.REEL);
            view.refresh();
            player.clearLoopRange();
            playback.seek(0);
            if (!player.isPlaying()) {
                playback.toggle();
            }
        }
        layout.togglePictureOnly();
    }

    private void toggleFullScreen() {
        if (view.getScene().getWindow() instanceof Stage window) {
            window.setFullScreen(!window.isFullScreen());
        }
    }
}
