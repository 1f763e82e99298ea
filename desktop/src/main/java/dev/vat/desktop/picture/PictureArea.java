package dev.vat.desktop.picture;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.desktop.look.Icon;
import dev.vat.desktop.strip.Player;
import dev.vat.desktop.strip.Strip;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.LongConsumer;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.image.ImageView;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Background;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.ImagePattern;
import javafx.scene.shape.Rectangle;

/**
 * The picture: what will be in the file, made by the viewer process at the shown size, with what is needed to play it.
 */
public final class PictureArea extends BorderPane {

    private final Player player;
    private final FramePump pump;
    private final PixelRing ring = new PixelRing();
    private final ImageView image = new ImageView();
    private final Region checker = new Region();
    private final Label trouble = new Label();
    private final Pane stage = new Pane(checker, image, trouble);
    private final Label whose = new Label();
    private final Label number = new Label();
    private final Label timecode = new Label();
    private final Label remark = new Label();
    private final Label scale = new Label();
    private final Label dropped = new Label();
    private final Label facts = new Label();
    private final Button play = new Button();
    private final ToggleButton loop = new ToggleButton("Loop");
    private final ToggleButton every = new ToggleButton("Every frame");
    private final ToggleButton actual = new ToggleButton("1:1");
    private final ToggleButton alpha = new ToggleButton("Alpha");
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            pulse(now);
        }
    };
    private LongConsumer onPlace = _ -> { };
    private Rgb ground;
    private Message.As as;
    private String groundName = "";
    private long shownPlace = -1;
    private Optional<Message.Subject> shownSubject = Optional.empty();
    private Message.Shape shownWish;
    private boolean wasPlaying;
    private double panX;
    private double panY;
    private double pressX;
    private double pressY;

    public PictureArea(Viewer viewer, Player player) {
        this.player = player;
        this.pump = new FramePump(viewer);
        setId("picture");
        getStyleClass().add("picture");
        stage.getStyleClass().add("picture-stage");
        stage.setMinSize(0, 0);
        stage.setClip(new Rectangle());
        checker.setBackground(new Background(new BackgroundFill(checks(), null, null)));
        trouble.getStyleClass().add("picture-trouble");
        trouble.setId("picture-trouble");
        trouble.setWrapText(true);
        setTop(head());
        setCenter(stage);
        setBottom(foot());
        stage.widthProperty().addListener(_ -> refresh());
        stage.heightProperty().addListener(_ -> refresh());
        stage.setOnMousePressed(e -> {
            pressX = e.getX() - panX;
            pressY = e.getY() - panY;
        });
        stage.setOnMouseDragged(e -> {
            panX = e.getX() - pressX;
            panY = e.getY() - pressY;
            arrange();
        });
        timer.start();
    }

    /** A checker of eight pixels, in two greys without hue. */
    private static ImagePattern checks() {
        WritableImage tile = new WritableImage(16, 16);
        for (int y = 0; y < 16; y++) {
            for (int x = 0; x < 16; x++) {
                tile.getPixelWriter().setColor(x, y, Color.gray((x < 8) == (y < 8) ? .70 : .55));
            }
        }
        return new ImagePattern(tile, 0, 0, 16, 16, false);
    }

    private HBox head() {
        number.getStyleClass().addAll("mono", "at");
        number.setId("picture-number");
        timecode.getStyleClass().addAll("mono", "dim");
        whose.getStyleClass().add("strong");
        remark.getStyleClass().add("dim");
        scale.getStyleClass().add("dim");
        remark.setMinWidth(0);
        HBox head = new HBox(whose, number, timecode, remark, space(), scale);
        head.getStyleClass().add("bar");
        return head;
    }

    private HBox foot() {
        play.setGraphic(Icon.PLAY.node());
        play.setId("play");
        play.setAccessibleText("Play");
        play.setTooltip(new Tooltip("Play (Space)"));
        play.setOnAction(_ -> togglePlay());
        loop.setId("loop");
        loop.setSelected(true);
        loop.setOnAction(_ -> player.setLoop(loop.isSelected()));
        every.setId("every-frame");
        every.setTooltip(new Tooltip("Show every frame, even if that is slower than the rate (E)"));
        every.setOnAction(_ -> player.setEveryFrame(every.isSelected()));
        actual.setId("actual-size");
        actual.setTooltip(new Tooltip("One stored pixel on one pixel of the screen (1)"));
        actual.setOnAction(_ -> {
            panX = 0;
            panY = 0;
            refresh();
        });
        alpha.setId("show-alpha");
        alpha.setTooltip(new Tooltip("Alpha as grey, white is opaque (A)"));
        alpha.setOnAction(_ -> refresh());
        dropped.getStyleClass().addAll("mono", "dim");
        dropped.setId("dropped");
        dropped.setMinWidth(Region.USE_PREF_SIZE);
        facts.getStyleClass().addAll("mono", "dim");
        facts.setMinWidth(0);
        HBox foot = new HBox(button("to-start", Icon.BACK, "First frame (Home)", () -> seek(player.first())),
                button("step-back", Icon.STEP_BACK, "One frame back (Left)", () -> step(-1)), play,
                button("step-forward", Icon.STEP_FORWARD, "One frame on (Right)", () -> step(1)),
                button("to-end", Icon.FORWARD, "Last frame (End)", () -> seek(player.last())), loop, every, actual, alpha,
                space(), dropped, facts);
        foot.getStyleClass().addAll("bar", "transport");
        foot.setAlignment(Pos.CENTER_LEFT);
        // Where room is short, the facts at the end give way, never what can be pressed.
        foot.getChildren().stream().filter(ButtonBase.class::isInstance)
                .forEach(b -> ((ButtonBase) b).setMinWidth(Region.USE_PREF_SIZE));
        return foot;
    }

    private static Button button(String id, Icon icon, String words, Runnable act) {
        Button button = new Button();
        button.setId(id);
        button.setGraphic(icon.node());
        button.setAccessibleText(words);
        button.setTooltip(new Tooltip(words));
        button.setOnAction(_ -> act.run());
        return button;
    }

    private static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        return space;
    }

    /** Told of the place whenever another picture is shown. */
    public void setOnPlace(LongConsumer listener) {
        onPlace = listener;
    }

    /**
     * @param heading whose picture this is: {@code source}, {@code reel}, {@code as in H.264 for the web}
     * @param behind the colour behind transparent places, or null for a checker
     * @param file the deliverable that it is shown as, or null
     */
    public void show(Strip strip, String heading, Rgb behind, Message.As file) {
        player.setStrip(strip);
        ground = behind;
        as = file;
        groundName = heading;
        pump.setStrip(strip);
        refresh();
    }

    public void togglePlay() {
        player.play(!player.isPlaying());
    }

    public void seek(long place) {
        player.seek(place);
    }

    public void step(long by) {
        player.step(by);
    }

    public void toggleEveryFrame() {
        every.fire();
    }

    public void toggleActualSize() {
        actual.fire();
    }

    public void toggleAlpha() {
        alpha.fire();
    }

    public void toggleLoop() {
        loop.fire();
    }

    /** Whether the picture on the screen is the one at the playhead, at its right size. */
    public boolean isSettled() {
        Strip strip = player.strip();
        return strip == null || strip.count() == 0 || shownPlace == player.place() && isShown(strip, shownPlace);
    }

    private boolean isShown(Strip strip, long place) {
        return shownWish != null && strip.size().map(size -> wish(strip, size)).filter(shownWish::equals).isPresent()
                && shownSubject.equals(strip.subject(place));
    }

    private void refresh() {
        Rectangle clip = (Rectangle) stage.getClip();
        clip.setWidth(stage.getWidth());
        clip.setHeight(stage.getHeight());
        words();
    }

    private void pulse(long now) {
        Strip strip = player.strip();
        if (strip == null || strip.count() == 0) {
            image.setImage(null);
            checker.setVisible(false);
            shownWish = null;
            return;
        }
        if (player.isPlaying() != wasPlaying) {
            wasPlaying = player.isPlaying();
            play.setGraphic((wasPlaying ? Icon.PAUSE : Icon.PLAY).node());
        }
        Size size = strip.size().orElse(null);
        if (size == null || stage.getWidth() < 8 || stage.getHeight() < 8) {
            return;
        }
        pump.setWish(wish(strip, size));
        long due = player.due(now);
        if (due == shownPlace && isShown(strip, due)) {
            if (player.isPlaying()) {
                pump.want(player.next(due), player);
            }
            return;
        }
        pump.want(due, player);
        long take = pump.latestArrived(due).filter(p -> p > shownPlace && player.isPlaying()).orElse(due);
        pump.arrived(take).ifPresent(picture -> put(take, picture));
    }

    private void put(long place, CompletableFuture<ShownPicture> arrived) {
        if (arrived.isCancelled()) {
            return;
        }
        if (arrived.isCompletedExceptionally()) {
            image.setImage(null);
            checker.setVisible(false);
            trouble.setText(arrived.exceptionNow().getMessage());
        } else {
            try (ShownPicture picture = arrived.join()) {
                image.setImage(ring.put(picture));
            }
            trouble.setText("");
            checker.setVisible(ground == null && player.strip().transparent() && !alpha.isSelected());
        }
        shownPlace = place;
        shownSubject = player.strip().subject(place);
        shownWish = pump.wish();
        player.shown(place);
        arrange();
        words();
        onPlace.accept(place);
    }

    private Message.Shape wish(Strip strip, Size size) {
        Size seen = strip.pixelAspect().seen(size);
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        double fit = actual.isSelected() ? 1 : Math.min(stage.getWidth() * density / seen.width(), stage.getHeight() * density / seen.height());
        int width = (int) Math.clamp(Math.round(seen.width() * fit), 1, 4096);
        int height = (int) Math.clamp(Math.round(seen.height() * fit), 1, 2304);
        return new Message.Shape(width, height, strip.transparent() ? ground : null, alpha.isSelected(), as);
    }

    private void arrange() {
        if (image.getImage() == null) {
            trouble.setPrefWidth(Math.max(0, stage.getWidth() - 80));
            trouble.relocate(40, stage.getHeight() / 2 - 20);
            return;
        }
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        double width = image.getImage().getWidth() / density;
        double height = image.getImage().getHeight() / density;
        image.setFitWidth(width);
        image.setFitHeight(height);
        double x = Math.round((stage.getWidth() - width) / 2 + (actual.isSelected() ? panX : 0));
        double y = Math.round((stage.getHeight() - height) / 2 + (actual.isSelected() ? panY : 0));
        image.relocate(x, y);
        checker.resizeRelocate(x, y, width, height);
        player.strip().size().ifPresent(size -> scale.setText((actual.isSelected() ? "1:1" : "fit "
                + Math.round(100 * width * density / player.strip().pixelAspect().seen(size).width()) + " %") + ", sRGB display"));
    }

    private void words() {
        Strip strip = player.strip();
        if (strip == null || strip.count() == 0) {
            for (Label label : new Label[] {whose, number, timecode, remark, scale, dropped, facts, trouble}) {
                label.setText("");
            }
            return;
        }
        long place = player.place();
        whose.setText(groundName);
        number.setText(strip.number(place));
        timecode.setText(strip.rate().map(rate -> Timecode.of(place, rate) + "  " + seconds(rate, place)).orElse("no rate yet"));
        remark.setText(strip.remark(place));
        dropped.setText(player.dropped() == 0 ? "" : player.dropped() + " dropped");
        facts.setText(strip.describe());
    }

    private static String seconds(Rate rate, long place) {
        return rate.seconds(place).toFixed(3) + " s";
    }

    public void close() {
        timer.stop();
        pump.close();
    }
}
