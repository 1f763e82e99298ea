package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.words.Words;
import dev.vat.desktop.band.BandColours;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.look.Appearance;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.picture.PictureArea;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.runs.RunsPane;
import dev.vat.desktop.session.Session;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;

/** The whole window: arranges its parts, knows what is looked at, and brings every change to the screen once a pulse. */
public final class MainView extends StackPane {

    private static final Words WORDS = Words.of(MainView.class);

    private final Session session;
    private final BandColours dyes = new BandColours();
    private final Player player = new Player();
    private final Commands commands = new Commands();
    private final WindowKeys keys;
    private final HeadBar head;
    private final BandPane band;
    private final SheetPane sheet;
    private final ScenesPane scenes;
    private final PreviewActs previews;
    private final PictureArea picture;
    private final RunsPane runs;
    private final Welcome welcome;
    private final CommandSearch search;
    private final WordsBars words;
    private final NoticeLine notices;
    private final ShownPage stage;
    private final WindowLayout layout;
    private final Navigation navigation = new Navigation(this);
    private final LookedAt looked;
    private final Documents documents;
    private final WindowParts parts = new WindowParts(this::parts);
    private final ShownSheet shownSheet;
    private boolean refreshAsked;
    private boolean mouseDown;
    private boolean dressedDark;
    private boolean closed;

    public MainView(Session session, Dialogs ask) {
        this.session = session;
        picture = new PictureArea(session.viewer(), player, session.places().cache().resolve("played"), session.settings().pictureBytes(),
                () -> !session.watch().isChecking());
        band = new BandPane(session, player, dyes, picture.playback()::seek);
        previews = new PreviewActs(session, player, picture, navigation);
        scenes = new ScenesPane(session, previews, previews::selected);
        sheet = new SheetPane(session, ask, scenes, navigation::choose, navigation::choose, picture.playback()::seek, player::place,
                this::refreshLater, () -> press("try-steps"), navigation);
        shownSheet = new ShownSheet(session, sheet);
        looked = new LookedAt(session, sheet);
        documents = new Documents(session, ask, () -> commands.keys(), navigation);
        stage = new ShownPage(documents, this::focusBand);
        keys = new WindowKeys(this::getScene, commands, documents);
        runs = new RunsPane(session, ask, navigation);
        notices = new NoticeLine(session);
        StackPane right = new StackPane(stage, notices);
        layout = new WindowLayout(sheet, right, runs);
        search = new CommandSearch(commands, new WindowPlaces(session, sheet, documents, navigation::goToSource, () -> {
            navigation.choose(SheetPane.Face.OUT);
            refresh();
        })::all, this::leaveSearch);
        addCommands(ask);
        head = new HeadBar(session, commands);
        words = new WordsBars(session);
        layout.addAbove(head, words, band);
        welcome = new Welcome(session, () -> press("open-frames"));
        picture.setOnWave(peaks -> band.band().setWave(peaks));
        picture.setOnCached(places -> band.band().setCached(places));
        picture.setOnPlace(place -> {
            band.band().setPlace(place, player.isPlaying());
            band.band().setPlaying(player.isPlaying());
        });
        picture.setOnDragged(looked);
        picture.setLaidOut(new ShownLayout(session, sheet, player::place));
        picture.comparison().setOnChange(this::refreshLater);
        picture.setOnCompare(button -> new CompareMenu(session, picture.comparison()::begin).show(button, player.strip()));
        getChildren().addAll(layout, search);
        setId("shell");
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (!search.isVisible()) {
                keys.press(e);
            }
        });
        sceneProperty().subscribe(keys::watch);
        addEventFilter(MouseEvent.MOUSE_PRESSED, e -> {
            Entry.leave(getScene(), e.getTarget());
            mouseDown = true;
            keys.pointerUsed();
        });
        addEventFilter(MouseEvent.MOUSE_RELEASED, _ -> {
            mouseDown = false;
            refreshLater();
        });
        new Drops(session, this, stage, right);
        session.addListener(this::refreshLater);
        session.previews().setOnCaptured(previews::play);
        session.scenes().look();
        dress();
        refresh();
    }

    /** Keys mean what comes first of those that can be done: Escape leaves a page, then a selection, then the picture alone. */
    private void addCommands(Dialogs ask) {
        PictureCommands pictures = new PictureCommands(session, player, picture, band, layout::isPictureOnly);
        ReelCommands reels = new ReelCommands(session, ask, looked, pictures::hasPicture);
        WindowCommands window = new WindowCommands(this, session, layout, navigation, player, picture.playback());
        new ProjectCommands(session, ask, looked, documents, previews, player, () -> sheet.out().focused(), this::make).addTo(commands);
        window.addTo(commands, search, parts, runs);
        reels.addTo(commands);
        pictures.addTo(commands);
        window.addLastTo(commands, pictures::hasPicture, reels::hasReel);
    }

    /** A second press before the checks are through takes the first one back. What was typed and can't be used is dealt with first. */
    private void make() {
        TextField refused = Entry.settle(getScene()).orElse(null);
        if (refused != null) {
            refused.requestFocus();
            session.say(WORDS.say("cantBeUsed", refused.getText(), refused.getAccessibleHelp()));
        } else if (session.making().isArmed()) {
            session.making().disarm();
        } else {
            session.making().make();
        }
    }

    private Stream<Node> parts() {
        return Stream.concat(Stream.concat(Stream.of(head, band.band()), sheet.parts()), Stream.of(stage, runs));
    }

    // ---- what stands in it

    SheetPane sheet() {
        return sheet;
    }

    LookedAt looked() {
        return looked;
    }

    Documents documents() {
        return documents;
    }

    PreviewActs previews() {
        return previews;
    }

    // ---- bringing changes to the screen

    /** Another face is turned to: the sheet is shown anew. */
    void showAnew() {
        shownSheet.forget();
        refreshLater();
    }

    void refreshLater() {
        if (!refreshAsked) {
            refreshAsked = true;
            Platform.runLater(this::refresh);
        }
    }

    /** Waits while the mouse is down: a button that is made anew under it would never be pressed. */
    void refresh() {
        refreshAsked = false;
        if (mouseDown || closed) {
            return;
        }
        looked.keepToWhatIsThere();
        dress();
        head.show();
        words.show();
        notices.show();
        FrameTrack strip = looked.strip().orElse(null);
        picture.show(strip, looked.heading(), looked.ground(), looked.as());
        band.show(picture.comparison().onBand(strip));
        if (shownSheet.show(looked.source())) {
            focusBand();
        }
        sheet.out().showProgress();
        scenes.showProgress();
        documents.refresh();
        previews.showing(strip);
        runs.show();
        boolean empty = session.project().sources().isEmpty();
        if (empty) {
            welcome.show();
        }
        stage.show(empty && !looked.isFile() ? welcome : picture);
    }

    private void dress() {
        boolean dark = Appearance.isDark(session.settings());
        if (dressedDark != dark || dark != dyes.isDark()) {
            dressedDark = dark;
            Appearance.dress(dressedDark);
            dyes.setDark(dressedDark);
        }
    }

    private void leaveSearch() {
        search.setVisible(false);
        band.band().requestFocus();
    }

    /** All commands as menus. */
    List<Menu> systemMenus() {
        return commands.menus();
    }

    /** All commands in the menu bar of a system that has one. */
    void addSystemMenus() {
        MenuBar bar = new MenuBar(systemMenus().toArray(Menu[]::new));
        bar.setUseSystemMenuBar(true);
        layout.addMenuBar(bar);
    }

    /** How the window is now. @param stage it stands in */
    WindowState state(Stage stage) {
        return new WindowState(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized(), layout.divider(),
                sheet.face().name(), looked.source(), sheet.out().folded());
    }

    /** Shows what was shown when the window was left. */
    void restore(WindowState state) {
        layout.setDivider(state.divider());
        sheet.out().fold(state.folded());
        Arrays.stream(SheetPane.Face.values()).filter(f -> f.name().equals(state.face())).findFirst().ifPresent(sheet::setFace);
        if (state.source() != null && session.project().source(state.source()).isPresent()) {
            looked.choose(state.source());
        }
        showAnew();
    }

    /** Gives the keyboard to the band, so that keys mean frames from the start. */
    void focusBand() {
        band.band().requestFocus();
    }

    /** Carries a command out by its id, as its key does. */
    public void press(String command) {
        commands.named(command).run();
    }

    /** Whether a command can be carried out now. */
    boolean can(String command) {
        return commands.named(command).enabled().getAsBoolean();
    }

    /** What band and picture show, or null. */
    FrameTrack strip() {
        return player.strip();
    }

    /** Goes to a place of what is shown. */
    public void seek(long place) {
        picture.playback().seek(place);
    }

    /** What is done and read from outside. */
    public Steering steering() {
        return new Steering(session, player, picture, sheet, navigation);
    }

    /** Whether what should be on the screen is there: no picture under way, nothing left to refresh. */
    public boolean isSettled() {
        return !refreshAsked && (documents.open() != null || stage.isOn(welcome)
                || picture.isSettled() && band.band().isSettled() && sheet.isSettled());
    }

    /** Lets go of what the window holds; the session is closed by its owner. */
    public void close() {
        closed = true;
        picture.close();
    }
}
