package dev.vat.desktop.picture;

import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.look.Controls;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.look.Menus;
import dev.vat.desktop.look.Parts;
import dev.vat.protocol.ViewerMessage;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/**
 * The bar under the picture: playing, and how the picture is looked at. Every way of looking is a switch that its key presses; what is seen
 * of them is a menu each for the view and for the speed.
 */
final class Transport extends HBox {

    private static final Words WORDS = Words.of(Transport.class);

    private static final List<Rational> SPEEDS = List.of(Rational.ONE, Rational.of(1, 2), Rational.of(1, 4));

    private final Player player;
    private final Button play = Controls.button("");
    private final ToggleButton loop = toggle("loop", WORDS.say("loop"), WORDS.say("beginAgainAtTheEndShift"));
    private final ToggleButton every = toggle("every-frame", WORDS.say("everyFrame"), WORDS.say("showEveryFrameEvenIfThat"));
    private final ToggleButton backwards = toggle("backwards", WORDS.say("backwards"), WORDS.say("playFromTheEndToTheStart"));
    private final Button speed = Controls.button(WORDS.say("speed"));
    private final ToggleButton actual = toggle("actual-size", "1:1", WORDS.say("oneStoredPixelOnOnePixel"));
    private final ToggleButton alpha = toggle("show-alpha", WORDS.say("alpha"), WORDS.say("alphaAsGreyWhiteIsOpaque"));
    private final ToggleButton odd = toggle("show-odd", WORDS.say("oddValues"), WORDS.say("marksWhereSamplesAreNoNumber"));
    private final ToggleButton safe = toggle("safe-areas", WORDS.say("safeAreas"), WORDS.say("whatViewersSeeOfTheAction"));
    private final ToggleButton values = toggle("show-values", WORDS.say("values"), WORDS.say("theSamplesUnderThePointer"));
    private final Button compare = Controls.button(WORDS.say("compare"));
    private final Button ground = Controls.button(WORDS.say("ground"));
    private final Button sound = Controls.button("");
    private final Label dropped = new Label();
    private final Label facts = Parts.name("", "mono", "dim");
    private final Button view = Controls.button(WORDS.say("view"));
    private final Button pace = Controls.button("");
    private final HBox looks;
    private final HBox switches;
    private boolean wasPlaying;

    /**
     * @param again told when the picture has to be shown in another way
     * @param nextGround told to put another colour behind transparent places
     * @param otherSound told to switch sound on or off
     * @param compare told to offer what the picture can be held against, beside the button
     */
    Transport(Player player, Runnable again, Runnable nextGround, Runnable otherSound, Consumer<Node> compare) {
        this.player = player;
        play.setGraphic(Icon.PLAY.node());
        play.setId("play");
        play.setAccessibleText(WORDS.say("play"));
        play.setTooltip(new Tooltip(WORDS.say("playSpace")));
        play.setOnAction(_ -> player.play(!player.isPlaying()));
        loop.setSelected(true);
        loop.setOnAction(_ -> player.setLoop(loop.isSelected()));
        every.setOnAction(_ -> player.setEveryFrame(every.isSelected()));
        backwards.setOnAction(_ -> player.setBackwards(backwards.isSelected()));
        speed.setId("speed");
        speed.setTooltip(new Tooltip(WORDS.say("fullHalfQuarterSpeedS")));
        speed.setOnAction(_ -> nextSpeed());
        actual.setOnAction(_ -> again.run());
        alpha.setOnAction(_ -> again.run());
        odd.setOnAction(_ -> again.run());
        safe.setOnAction(_ -> again.run());
        values.setOnAction(_ -> again.run());
        this.compare.setId("compare-with");
        this.compare.setTooltip(new Tooltip(WORDS.say("compareItWithAnotherPicture")));
        this.compare.setOnAction(_ -> compare.accept(this.compare));
        ground.setId("ground");
        ground.setTooltip(new Tooltip(WORDS.say("checkerBlackWhiteOrGrey")));
        ground.setOnAction(_ -> nextGround.run());
        sound.setId("sound");
        sound.setTooltip(new Tooltip(WORDS.say("soundWhilePlayingAtFull")));
        sound.setOnAction(_ -> otherSound.run());
        showSound(Optional.empty());
        dropped.getStyleClass().addAll("mono", "dim");
        dropped.setId("dropped");
        dropped.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(button("to-start", Icon.BACK, WORDS.say("firstFrameHome"), () -> player.seek(player.first())),
                button("step-back", Icon.STEP_BACK, WORDS.say("oneFrameBackLeft"), () -> player.step(-1)), play,
                button("step-forward", Icon.STEP_FORWARD, WORDS.say("oneFrameOnRight"), () -> player.step(1)),
                button("to-end", Icon.FORWARD, WORDS.say("lastFrameEnd"), () -> player.seek(player.last())), loop, pace, sound,
                Parts.space(), dropped, facts);
        switches = Parts.row(every, backwards, speed, actual, safe, alpha, odd, values, ground);
        menu(view, "view", WORDS.say("howThePictureIsLookedAt"), this::views);
        menu(pace, "pace", WORDS.say("howFastItPlaysAndWhichWay"), this::paces);
        every.selectedProperty().addListener((_, _, _) -> words());
        backwards.selectedProperty().addListener((_, _, _) -> words());
        for (ToggleButton each : List.of(actual, safe, alpha, odd, values)) {
            each.selectedProperty().addListener((_, _, _) -> words());
        }
        words();
        looks = Parts.row(this.compare, view);
        looks.getStyleClass().add("transport");
        getStyleClass().addAll("bar", "transport");
        setAlignment(Pos.CENTER_LEFT);
        // Where room is short, the facts at the end give way, never what can be pressed.
        all().filter(ButtonBase.class::isInstance)
                .forEach(b -> ((ButtonBase) b).setMinWidth(Region.USE_PREF_SIZE));
    }

    private static ToggleButton toggle(String id, String text, String words) {
        ToggleButton toggle = Controls.toggle(text);
        toggle.setId(id);
        toggle.setTooltip(new Tooltip(words));
        return toggle;
    }

    private static Button button(String id, Icon icon, String words, Runnable act) {
        Button button = Controls.button("");
        button.setId(id);
        button.setGraphic(icon.node());
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        button.setOnAction(_ -> act.run());
        return button;
    }

    private void nextSpeed() {
        setSpeed(SPEEDS.get((SPEEDS.indexOf(player.speed()) + 1) % SPEEDS.size()));
    }

    private void setSpeed(Rational speed) {
        player.setSpeed(speed);
        words();
    }

    /** Shows how fast and in which direction it plays now. */
    void showPace() {
        backwards.setSelected(player.isBackwards());
        words();
    }

    /** How the picture is looked at, for the bar above it. */
    HBox looks() {
        return looks;
    }

    void fire(String id) {
        all().filter(n -> id.equals(n.getId())).findFirst().ifPresent(n -> ((ButtonBase) n).fire());
    }

    private Stream<Node> all() {
        return Stream.of(this, looks, switches).flatMap(box -> box.getChildren().stream());
    }

    private static void menu(Button button, String id, String words, Supplier<List<MenuItem>> items) {
        button.setId(id);
        button.setTooltip(new Tooltip(words));
        Menus.opens(button, () -> {
            ContextMenu menu = new ContextMenu();
            menu.getItems().addAll(items.get());
            return menu;
        });
    }

    private List<MenuItem> views() {
        List<MenuItem> items = new ArrayList<>();
        for (ToggleButton each : List.of(actual, safe, alpha, odd, values)) {
            if (each.isManaged()) {
                items.add(item(each));
            }
        }
        if (ground.isManaged()) {
            items.add(Controls.item("look-ground", WORDS.say("groundB", ground.getText()), ground::fire));
        }
        return items;
    }

    private List<MenuItem> paces() {
        List<MenuItem> items = new ArrayList<>();
        for (Rational each : SPEEDS) {
            CheckMenuItem item = Controls.checked(words(each));
            item.setId("speed-" + each.denominator());
            item.setSelected(player.speed().equals(each));
            item.setOnAction(_ -> setSpeed(each));
            items.add(item);
        }
        items.addAll(List.of(item(every), item(backwards)));
        return items;
    }

    private static CheckMenuItem item(ToggleButton each) {
        CheckMenuItem item = Controls.checked(each.getText() + "    " + each.getTooltip().getText());
        item.setId("look-" + each.getId());
        item.setSelected(each.isSelected());
        item.setOnAction(_ -> each.fire());
        return item;
    }

    /** What is other than usual is said on the menus themselves. */
    private void words() {
        List<String> seen = Stream.of(actual, safe, alpha, odd, values).filter(ToggleButton::isSelected).map(ToggleButton::getText)
                .toList();
        view.setText(seen.isEmpty() ? WORDS.say("view")
                : seen.size() > 1 ? WORDS.say("viewMore", seen.size()) : WORDS.say("view2", seen.getFirst()));
        pace.setText(words(player.speed()) + (backwards.isSelected() ? WORDS.say("backwards2") : "")
                + (every.isSelected() ? WORDS.say("everyFrame2") : ""));
    }

    private static String words(Rational speed) {
        return speed.equals(Rational.ONE) ? WORDS.say("fullSpeed")
                : speed.compareTo(Rational.ONE) > 0 ? WORDS.say("timesSpeed", speed)
                        : speed.equals(Rational.of(1, 2)) ? WORDS.say("halfSpeed") : WORDS.say("quarterSpeed");
    }

    boolean isEveryFrame() {
        return every.isSelected();
    }

    /** @param words what can be heard, or empty where there is no sound */
    void showSound(Optional<String> words) {
        Parts.present(sound, words.isPresent());
        words.ifPresent(sound::setText);
    }

    boolean isActualSize() {
        return actual.isSelected();
    }

    boolean showsValues() {
        return values.isSelected();
    }

    boolean showsSafeAreas() {
        return safe.isSelected();
    }

    ViewerMessage.Showing look() {
        return alpha.isSelected() ? ViewerMessage.Showing.ALPHA
                : odd.isSelected() ? ViewerMessage.Showing.ODD : ViewerMessage.Showing.COLOUR;
    }

    /**
     * @param transparent whether there is anything to see a ground through
     * @param floating whether samples could be something that is no colour
     */
    void show(String groundName, boolean transparent, boolean floating, String pace, String words) {
        if (player.isPlaying() != wasPlaying) {
            wasPlaying = player.isPlaying();
            play.setGraphic((wasPlaying ? Icon.PAUSE : Icon.PLAY).node());
        }
        ground.setText(groundName);
        Parts.present(ground, transparent);
        Parts.present(odd, floating);
        dropped.setText(pace);
        facts.setText(words);
    }
}
