package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.control;
import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.proof.Receipt;
import dev.vat.core.run.RunPlan;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.BandColours;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.MovieStrip;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.look.Appearance;
import dev.vat.desktop.look.Dialogs;
import dev.vat.desktop.look.Entry;
import dev.vat.desktop.look.Parts;
import dev.vat.desktop.picture.PictureArea;
import dev.vat.desktop.preview.ScenesPane;
import dev.vat.desktop.runs.RunsPane;
import dev.vat.desktop.session.Session;
import dev.vat.engine.storage.UserSettings;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.SplitPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

/** The whole window: arranges its parts, knows what is looked at, and brings every change to the screen once a pulse. */
public final class MainView extends StackPane {

    private static final Words WORDS = Words.of(MainView.class);

    private static final double DIVIDER = .47;
    private static final double WIDE = .74;

    /** What the sheet was last built for: it isn't built anew for a run's progress. */
    private record Seen(long revision, long judgement, SheetPane.Face face, String source) {

        /** Whether nothing but findings has changed since. */
        boolean differsByFindings(Seen before) {
            return before != null && equals(new Seen(before.revision, judgement, before.face, before.source));
        }
    }

    private final Session session;
    private final Dialogs ask;
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
    private final VBox top = new VBox();
    private final StackPane stage = new StackPane();
    private final SplitPane middle = new SplitPane();
    private final BorderPane page = new BorderPane();
    private final LookedAt looked;
    private final Documents documents;
    private final PictureCommands pictures;
    private final ReelCommands reels;
    private final WindowParts parts = new WindowParts(this::parts);
    private Seen lastSeen;
    /** A face that is turned to again with nothing new is only brought to the front. */
    private final Map<SheetPane.Face, Seen> shownOn = new EnumMap<>(SheetPane.Face.class);
    private Node beforePage;
    private boolean refreshAsked;
    private boolean mouseDown;
    private boolean pictureOnly;
    private boolean dressedDark;
    private boolean closed;

    public MainView(Session session, Dialogs ask) {
        this.session = session;
        this.ask = ask;
        picture = new PictureArea(session.viewer(), player, session.pictureCache(), session.settings().pictureBytes(),
                () -> !session.watch().isChecking());
        band = new BandPane(session, player, dyes, picture::seek);
        previews = new PreviewActs(session, player, picture, new PreviewActs.PreviewHost() {
            @Override
            public void source(String id) {
                sheet.setFace(SheetPane.Face.IN);
                choose(id);
            }

            @Override
            public void reel() {
                choose(SheetPane.Face.REEL);
            }

            @Override
            public void story(String scene, String camera) {
                documents.story(scene, camera, previews);
            }

            @Override
            public void watch(FrameTrack strip, String title) {
                looked.watch(strip, title);
                documents.close();
                refresh();
            }

            @Override
            public void picture() {
                documents.close();
                refreshLater();
            }
        });
        scenes = new ScenesPane(session, previews, previews::selected);
        sheet = new SheetPane(session, ask, scenes, this::choose, this::choose, picture::seek, player::place, this::refreshLater,
                () -> press("try-steps"), this::goTo);
        looked = new LookedAt(session, sheet);
        documents = new Documents(session, ask, () -> commands.keys(), new Documents.DocumentHost() {
            @Override
            public void watch(Path file, Receipt receipt, long place) {
                MainView.this.watch(file, receipt, place);
            }

            @Override
            public void watch(RunPlan plan, String target, Path file) {
                MainView.this.watch(plan, target, file);
            }

            @Override
            public void changed() {
                refreshLater();
            }
        });
        keys = new WindowKeys(this::getScene, commands, documents);
        runs = new RunsPane(session, ask, new RunsPane.RunActions() {
            @Override
            public void watch(RunPlan plan, String target, Path file) {
                MainView.this.watch(plan, target, file);
            }

            @Override
            public void receipt(Path file) {
                documents.receipt(file, false);
            }

            @Override
            public void history() {
                documents.history();
            }

            @Override
            public void handOver() {
                documents.handOver();
            }
        });
        pictures = new PictureCommands(session, player, picture, band, () -> pictureOnly);
        reels = new ReelCommands(session, ask, looked, pictures::hasPicture);
        new ProjectCommands(session, ask, looked, documents, previews, player, () -> sheet.out().focused(), this::make).addTo(commands);
        addCommands();
        reels.addTo(commands);
        pictures.addTo(commands);
        addWindowCommands();
        head = new HeadBar(session, commands);
        welcome = new Welcome(session, () -> press("open-frames"));
        search = new CommandSearch(commands, new WindowPlaces(session, sheet, documents, this::goToSource, () -> {
            choose(SheetPane.Face.OUT);
            refresh();
        })::all, this::leaveSearch);
        picture.setOnWave(peaks -> band.band().setWave(peaks));
        picture.setOnCached(places -> band.band().setCached(places));
        picture.setOnPlace(place -> {
            band.band().setPlace(place, player.isPlaying());
            band.band().setPlaying(player.isPlaying());
        });
        picture.setOnDragged(looked);
        picture.setLaidOut(new ShownLayout(session, sheet, player::place));
        picture.setOnCompared(this::refreshLater);
        picture.setOnCompare(button -> new CompareMenu(session, picture::compare).show(button, player.strip()));
        words = new WordsBars(session);
        notices = new NoticeLine(session);
        StackPane right = new StackPane(stage, notices);
        sheet.setMinWidth(400);
        right.setMinWidth(300);
        middle.getItems().addAll(sheet, right);
        middle.setDividerPositions(DIVIDER);
        top.getChildren().addAll(head, words, band);
        page.setTop(top);
        page.setCenter(middle);
        page.setBottom(runs);
        getChildren().addAll(page, search);
        setId("shell");
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (!search.isVisible()) {
                keys.press(e);
            }
        });
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

    private void addCommands() {
        commands.under(WORDS.say("window"))
                .add("leave-page", WORDS.say("leaveThePage"), key(KeyCode.ESCAPE), () -> documents.open() != null, documents::leave)
                .add("search", WORDS.say("findSomethingToDoByItsWords"), control(KeyCode.SPACE), () -> search.open())
                .under(WORDS.say("help"))
                .add("help", WORDS.say("helpOnWhatHasTheKeyboard"), key(KeyCode.F1),
                        () -> documents.help(HelpFocus.topic(getScene().getFocusOwner(), sheet.face())))
                .add("keys", WORDS.say("sheetOfAllKeys"), key(KeyCode.F1, KeyCombination.SHIFT_DOWN), () -> documents.help("keys"))
                .under(WORDS.say("window")).add("in", WORDS.say("showTheSources"), control(KeyCode.DIGIT1), () -> choose(SheetPane.Face.IN))
                .add("reel", WORDS.say("showTheReel"), control(KeyCode.DIGIT2), () -> choose(SheetPane.Face.REEL))
                .add("out", WORDS.say("showTheDeliverables"), control(KeyCode.DIGIT3), () -> choose(SheetPane.Face.OUT))
                .add("findings", WORDS.say("goToTheFindings"), control(KeyCode.DIGIT4), () -> !session.findings().all().isEmpty(),
                        () -> sheet.goToFindings())
                .add("next-part", WORDS.say("toTheNextPartOfTheWindow"), key(KeyCode.F6), () -> parts.go(getScene().getFocusOwner(), true))
                .add("previous-part", WORDS.say("toThePartOfTheWindowBefore"), key(KeyCode.F6, KeyCombination.SHIFT_DOWN),
                        () -> parts.go(getScene().getFocusOwner(), false))
                .add("widen", WORDS.say("widenTheSheetOverThePicture"), key(KeyCode.W, KeyCombination.SHIFT_DOWN),
                        this::widen)
                .add("runs", WORDS.say("showOrHideAllRuns"), control(KeyCode.R), () -> runs.toggle());
    }

    /** After those of the picture: Escape leaves a selection and a comparison first. */
    private void addWindowCommands() {
        commands.under(WORDS.say("window"))
                .add("picture-only", WORDS.say("fillTheWindowWithThePicture"), key(KeyCode.W), pictures::hasPicture,
                        this::togglePictureOnly)
                .add("watch-reel", WORDS.say("watchTheWholeReelAndNothing"), key(KeyCode.F), reels::hasReel, this::watchReel)
                .add("leave-picture", WORDS.say("leaveThePictureAloneInThe"), key(KeyCode.ESCAPE), () -> pictureOnly,
                        this::togglePictureOnly)
                .add("full-screen", WORDS.say("fillTheScreen"), key(KeyCode.F11), this::toggleFullScreen)
                .add("dark", WORDS.say("darkOrLight"), control(KeyCode.D), () -> session.remember(
                        session.settings().withScheme(isDark(session) ? UserSettings.Scheme.LIGHT : UserSettings.Scheme.DARK)))
                .add("settings", WORDS.say("settings"), control(KeyCode.COMMA), () -> documents.settings());
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

    // ---- what is looked at

    private void choose(SheetPane.Face face) {
        sheet.setFace(face);
        lastSeen = null;
        looked.leaveFile();
        documents.close();
        refreshLater();
    }

    private void choose(String source) {
        looked.choose(source);
        documents.close();
        refreshLater();
    }

    /** Shows a frame of a source, by its own number. */
    private void goTo(String source, long frame) {
        sheet.setFace(SheetPane.Face.IN);
        choose(source);
        refresh();
        if (player.strip() != null) {
            picture.seek(player.strip().placeOf(frame));
        }
    }

    private void watch(RunPlan plan, String target, Path file) {
        plan.files().stream().filter(f -> f.target().equals(target)).findFirst().ifPresent(f -> {
            looked.watch(new MovieStrip(file, f.expected()), f.title());
            documents.close();
            refreshLater();
        });
    }

    /** A frame of a finished file. */
    private void watch(Path file, Receipt read, long place) {
        looked.watch(new MovieStrip(file, read.planned()), read.targetTitle());
        documents.close();
        refresh();
        picture.seek(place);
    }

    // ---- bringing changes to the screen

    private void refreshLater() {
        if (!refreshAsked) {
            refreshAsked = true;
            Platform.runLater(this::refresh);
        }
    }

    /** Waits while the mouse is down: a button that is made anew under it would never be pressed. */
    private void refresh() {
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
        band.show(picture.onBand(strip));
        Seen seen = new Seen(session.revision(), session.judgement(), sheet.face(), looked.source());
        if (!seen.equals(lastSeen)) {
            boolean onlyFindings = seen.differsByFindings(lastSeen);
            boolean asBefore = seen.equals(shownOn.put(seen.face, seen));
            lastSeen = seen;
            if (onlyFindings) {
                sheet.showFindings();
            } else if (asBefore ? sheet.turn() : sheet.show(looked.source())) {
                focusBand();
            }
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
        Node shown = documents.open() != null ? documents.open() : empty && !looked.isFile() ? welcome : picture;
        if (!stage.getChildren().contains(shown)) {
            boolean page = shown == documents.open();
            if (page && beforePage == null) {
                beforePage = getScene() == null ? null : getScene().getFocusOwner();
            }
            stage.getChildren().setAll(shown);
            if (page) {
                documents.takeKeyboard();
            } else if (beforePage != null) {
                giveBack();
            }
        }
    }

    /** The keyboard goes back to where it was before a page was read. */
    private void giveBack() {
        if (beforePage.getScene() == getScene() && Parts.isShown(beforePage)) {
            beforePage.requestFocus();
        } else {
            focusBand();
        }
        beforePage = null;
    }

    /** Whether the colours are the dark ones, as chosen or as the system has them. */
    static boolean isDark(Session session) {
        return switch (session.settings().scheme()) {
            case LIGHT -> false;
            case DARK -> true;
            case SYSTEM -> Appearance.isSystemDark();
        };
    }

    private void dress() {
        boolean dark = isDark(session);
        if (dressedDark != dark || dark != dyes.isDark()) {
            dressedDark = dark;
            Appearance.dress(dressedDark);
            dyes.setDark(dressedDark);
        }
    }

    // ---- places to go to

    private void goToSource(String id) {
        sheet.setFace(SheetPane.Face.IN);
        choose(id);
    }

    private void leaveSearch() {
        search.setVisible(false);
        band.band().requestFocus();
    }

    /** The sheet takes most of the window, until it is asked again. */
    private void widen() {
        boolean wide = middle.getDividerPositions()[0] > (DIVIDER + WIDE) / 2;
        middle.setDividerPositions(wide ? DIVIDER : WIDE);
    }

    private void togglePictureOnly() {
        pictureOnly = !pictureOnly;
        page.setTop(pictureOnly ? null : top);
        page.setBottom(pictureOnly ? null : runs);
        if (pictureOnly) {
            middle.getItems().remove(sheet);
        } else {
            middle.getItems().addFirst(sheet);
            middle.setDividerPositions(DIVIDER);
        }
    }

    /** The director's view: the reel from its start, with nothing around it. A second time leads back. */
    private void watchReel() {
        if (!pictureOnly) {
            choose(SheetPane.Face.REEL);
            refresh();
            player.clearLoopRange();
            picture.seek(0);
            if (!player.isPlaying()) {
                picture.togglePlay();
            }
        }
        togglePictureOnly();
    }

    private void toggleFullScreen() {
        if (getScene().getWindow() instanceof Stage window) {
            window.setFullScreen(!window.isFullScreen());
        }
    }

    /** All commands as menus. */
    List<Menu> systemMenus() {
        return commands.menus();
    }

    /** All commands in the menu bar of a system that has one. */
    void addSystemMenus() {
        MenuBar bar = new MenuBar(systemMenus().toArray(Menu[]::new));
        bar.setUseSystemMenuBar(true);
        top.getChildren().addFirst(bar);
    }

    /** How the window is now. @param stage it stands in */
    WindowState state(Stage stage) {
        double divider = middle.getDividers().isEmpty() ? DIVIDER : middle.getDividers().getFirst().getPosition();
        return new WindowState(stage.getX(), stage.getY(), stage.getWidth(), stage.getHeight(), stage.isMaximized(), divider,
                sheet.face().name(), looked.source(), sheet.out().folded());
    }

    /** Shows what was shown when the window was left. */
    void restore(WindowState state) {
        middle.setDividerPositions(Math.clamp(state.divider(), .2, .8));
        sheet.out().fold(state.folded());
        Arrays.stream(SheetPane.Face.values()).filter(f -> f.name().equals(state.face())).findFirst().ifPresent(sheet::setFace);
        if (state.source() != null && session.project().source(state.source()).isPresent()) {
            looked.choose(state.source());
        }
        lastSeen = null;
        refreshLater();
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

    /** What plays, once a frame of it is on the screen. */
    public Optional<String> playing() {
        return Optional.ofNullable(player.strip()).filter(_ -> player.isPlaying() && picture.isShowing()).map(FrameTrack::title);
    }

    /** Goes to a place of what is shown. */
    public void seek(long place) {
        picture.seek(place);
    }

    /** Holds the picture against what the menu offers under an id. */
    public void compare(String offered) {
        new CompareMenu(session, picture::compare).choose(offered);
    }

    /** Whether a comparison that goes on has been measured through; so is none. */
    public boolean isMeasured() {
        return picture.comparison().map(CompareBar::isMeasured).orElse(true);
    }

    /** Whether the waveform of what is heard is drawn; so is none. */
    public boolean isSoundDrawn() {
        return picture.isSoundDrawn();
    }

    /** Chooses a source by its id, as a press on its row does. */
    public void selectSource(String id) {
        choose(id);
    }

    /** Chooses an item of the reel by its place, or with -1 the whole reel, as a press on its row does. */
    public void selectItem(int place) {
        sheet.chooseItem(place);
    }

    /** Opens a group of the settings of what is chosen. */
    public void openGroup(String id) {
        sheet.open(id);
    }

    /** Whether what should be on the screen is there: no picture under way, nothing left to refresh. */
    public boolean isSettled() {
        return !refreshAsked && (documents.open() != null || stage.getChildren().contains(welcome)
                || picture.isSettled() && band.band().isSettled() && sheet.isSettled());
    }

    /** Lets go of what the window holds; the session is closed by its owner. */
    public void close() {
        closed = true;
        picture.close();
    }
}
