package dev.vat.desktop.picture;

import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.desktop.strip.Player;
import dev.vat.desktop.strip.Strip;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.viewer.Viewer;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.animation.AnimationTimer;
import javafx.scene.control.Label;
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

    /** What is done with a picture that is cut off and dragged while the whole of its frame is seen. */
    public interface Dragged {
        Dragged NOTHING = new Dragged() {
            @Override
            public Placement.Room room() {
                return Placement.Room.NONE;
            }

            @Override
            public void by(double rightwards, double downwards) {
            }
        };

        /** How far it can be dragged from where it lies. */
        Placement.Room room();

        /** It was let go. @param rightwards by how much of its frame's width @param downwards by how much of its height */
        void by(double rightwards, double downwards);
    }

    private static final long MOST_ON_DISK = 4L << 30;
    private static final List<Rgb> GROUNDS = List.of(Rgb.BLACK, Rgb.WHITE, new Rgb(128, 128, 128));

    private final Player player;
    private final FramePump pump;
    private final PixelRing ring = new PixelRing();
    private final ImageView image = new ImageView();
    private final Region checker = new Region();
    private final Label trouble = new Label();
    private final SafeAreas safe = new SafeAreas();
    private final Pane stage = new Pane(checker, image, safe, trouble);
    private final Label whose = new Label();
    private final Label number = new Label();
    private final Label timecode = new Label();
    private final Label remark = new Label();
    private final Label scale = new Label();
    private final Transport transport;
    private final PlayPace pace;
    private final PictureSound sound;
    private final AnimationTimer timer = new AnimationTimer() {
        @Override
        public void handle(long now) {
            pulse(now);
        }
    };
    private final BooleanSupplier mayFill;
    private final Slide slide = new Slide(image);
    private LongConsumer onPlace = _ -> { };
    private Consumer<BitSet> onCached = _ -> { };
    private Consumer<float[]> onWave = _ -> { };
    private Rgb ground;
    private Message.As as;
    private String groundName = "";
    private long shownPlace = -1;
    private Optional<Message.Subject> shownSubject = Optional.empty();
    private Message.Shape shownWish;
    private Rgb lookedThrough;
    private boolean throughChecker = true;
    private long nextMarks;
    private double panX;
    private double panY;
    private double pressX;
    private double pressY;

    /**
     * @param cache where played pictures may be kept on disk
     * @param memory bytes for played pictures
     * @param mayFill whether the machine has time to fetch pictures that nobody asked for yet
     */
    public PictureArea(Viewer viewer, Player player, Path cache, long memory, BooleanSupplier mayFill) {
        this.player = player;
        this.mayFill = mayFill;
        this.pump = new FramePump(viewer, new FrameCache(cache, memory, MOST_ON_DISK));
        this.pace = new PlayPace(player, pump);
        this.sound = new PictureSound(viewer, cache, peaks -> onWave.accept(peaks));
        this.transport = new Transport(player, () -> {
            panX = 0;
            panY = 0;
            arrange();
            refresh();
        }, this::nextGround, () -> {
            sound.toggle();
            words();
        });
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
        setBottom(transport);
        stage.widthProperty().addListener(_ -> refresh());
        stage.heightProperty().addListener(_ -> refresh());
        stage.setOnMousePressed(e -> {
            pressX = e.getX() - panX;
            pressY = e.getY() - panY;
            slide.press(e.getX(), e.getY());
        });
        stage.setOnMouseDragged(e -> {
            panX = e.getX() - pressX;
            panY = e.getY() - pressY;
            arrange();
            if (!transport.isActualSize()) {
                slide.drag(e.getX(), e.getY());
            }
        });
        stage.setOnMouseReleased(_ -> slide.release());
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
        for (Label label : new Label[] {whose, number, timecode}) {
            label.setMinWidth(Region.USE_PREF_SIZE);
        }
        HBox head = new HBox(whose, number, timecode, remark, space(), transport.looks(), scale);
        head.getStyleClass().add("bar");
        return head;
    }

    private static Region space() {
        Region space = new Region();
        HBox.setHgrow(space, Priority.ALWAYS);
        return space;
    }

    public void setOnDragged(Dragged listener) {
        slide.of(listener);
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
        sound.show(strip);
        refresh();
    }

    public void togglePlay() {
        player.play(!player.isPlaying());
        pace.rest();
    }

    public void seek(long place) {
        player.seek(place);
    }

    public void step(long by) {
        player.step(by);
    }

    /** Presses a button of the transport by its id. */
    public void press(String id) {
        transport.fire(id);
    }

    /** Plays the first or last three seconds over and over. */
    public void playEnd(boolean first) {
        Strip strip = player.strip();
        if (strip == null || strip.count() < 2) {
            return;
        }
        long frames = Math.max(1, strip.rate().orElse(Rate.FPS_25).perSecond().times(3).round());
        long from = first ? 0 : Math.max(0, strip.count() - frames);
        player.setLoopRange(from, Math.min(strip.count() - 1, from + frames - 1));
        player.seek(from);
        player.play(true);
    }

    /** Checker, black, white and grey in turn: a wrong alpha kind shows as a fringe against one of them. */
    private void nextGround() {
        int now = throughChecker ? -1 : GROUNDS.indexOf(lookedThrough);
        throughChecker = now + 1 == GROUNDS.size();
        lookedThrough = throughChecker ? null : GROUNDS.get(now + 1);
        refresh();
    }

    private Rgb behind() {
        return throughChecker ? ground : lookedThrough;
    }

    private String groundWords() {
        return throughChecker ? "Checker" : lookedThrough.equals(Rgb.BLACK) ? "On black" : lookedThrough.equals(Rgb.WHITE) ? "On white" : "On grey";
    }

    /** Told of the highest sample at each place, or of null without sound. */
    public void setOnWave(Consumer<float[]> listener) {
        onWave = listener;
    }

    /** Told now and then which places would play without waiting. */
    public void setOnCached(Consumer<BitSet> listener) {
        onCached = listener;
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
        sound.follow(player, !transport.isEveryFrame(), !pace.words().isEmpty());
        if (strip == null || strip.count() == 0) {
            image.setImage(null);
            checker.setVisible(false);
            shownWish = null;
            return;
        }
        Size size = strip.size().orElse(null);
        if (size == null || stage.getWidth() < 8 || stage.getHeight() < 8) {
            return;
        }
        pump.setWish(wish(strip, size));
        long due = player.due(now);
        if (player.isPlaying()) {
            play(due, now);
        } else {
            pace.rest();
            if (due != shownPlace || !isShown(strip, due)) {
                pump.want(due, player);
                show(due);
            } else if (mayFill.getAsBoolean()) {
                pump.want(due, player);
            }
        }
        if (now > nextMarks) {
            nextMarks = now + 400_000_000L;
            onCached.accept(pump.cached());
            words();
        }
    }

    private void play(long due, long now) {
        boolean there = shownPlace == player.place() && isShown(player.strip(), shownPlace);
        pump.want(there ? player.next(player.place()) : player.place(), player);
        if (due == shownPlace && isShown(player.strip(), due)) {
            return;
        }
        long place = pace.placeToShow(due, now);
        if (place >= 0) {
            show(place);
        }
    }

    private boolean show(long place) {
        Optional<String> why = pump.trouble(place);
        if (why.isPresent()) {
            image.setImage(null);
            checker.setVisible(false);
            trouble.setText(why.get());
        } else {
            Optional<ByteBuffer> pixels = pump.picture(place);
            if (pixels.isEmpty()) {
                return false;
            }
            slide.settle();
            image.setImage(ring.put(pixels.get(), pump.wish().width(), pump.wish().height()));
            trouble.setText("");
            checker.setVisible(behind() == null && player.strip().transparent() && transport.look() != Message.Look.ALPHA);
        }
        shownPlace = place;
        shownSubject = player.strip().subject(place);
        shownWish = pump.wish();
        player.shown(place);
        arrange();
        words();
        onPlace.accept(place);
        return true;
    }

    private Message.Shape wish(Strip strip, Size size) {
        Size seen = seen(strip, size);
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        double fit = transport.isActualSize() ? 1 : Math.min(stage.getWidth() * density / seen.width(), stage.getHeight() * density / seen.height());
        int width = (int) Math.clamp(Math.round(seen.width() * fit), 1, 4096);
        int height = (int) Math.clamp(Math.round(seen.height() * fit), 1, 2304);
        return new Message.Shape(width, height, strip.transparent() ? behind() : null, transport.look(), as);
    }

    /** The shape that is shown: the strip's own, or that of the file it is shown as. */
    private Size seen(Strip strip, Size size) {
        return as == null ? strip.pixelAspect().seen(size) : as.pixelAspect().seen(as.size());
    }

    private void arrange() {
        if (image.getImage() == null || player.strip() == null) {
            safe.setVisible(false);
            trouble.setPrefWidth(Math.max(0, stage.getWidth() - 80));
            trouble.relocate(40, stage.getHeight() / 2 - 20);
            return;
        }
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        double width = image.getImage().getWidth() / density;
        double height = image.getImage().getHeight() / density;
        image.setFitWidth(width);
        image.setFitHeight(height);
        double x = Math.round((stage.getWidth() - width) / 2 + (transport.isActualSize() ? panX : 0));
        double y = Math.round((stage.getHeight() - height) / 2 + (transport.isActualSize() ? panY : 0));
        image.relocate(x, y);
        checker.resizeRelocate(x, y, width, height);
        safe.setVisible(transport.showsSafeAreas());
        safe.over(x, y, width, height);
        player.strip().size().ifPresent(size -> scale.setText((transport.isActualSize() ? "1:1" : "fit "
                + Math.round(100 * width * density / seen(player.strip(), size).width()) + " %") + ", sRGB display"));
    }

    private void words() {
        Strip strip = player.strip();
        if (strip == null || strip.count() == 0) {
            for (Label label : new Label[] {whose, number, timecode, remark, scale, trouble}) {
                label.setText("");
            }
            transport.show(groundWords(), false, false, "", "");
            return;
        }
        long place = player.place();
        whose.setText(groundName);
        number.setText(strip.number(place));
        timecode.setText(strip.timecode(place).map(label -> label + "  " + seconds(label.rate(), place)).orElse("no rate yet"));
        remark.setText(strip.remark(place));
        transport.showSound(sound.words());
        transport.show(groundWords(), strip.transparent(), strip.floating(), player.isPlaying() && !pace.words().isEmpty() ? pace.words()
                : player.dropped() == 0 ? "" : player.dropped() + " dropped", strip.describe());
    }

    private static String seconds(Rate rate, long place) {
        return rate.seconds(place).toFixed(3) + " s";
    }

    public void close() {
        timer.stop();
        pump.close();
        sound.close();
    }
}
