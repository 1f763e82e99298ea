package dev.vat.desktop.picture;

import dev.vat.core.delivery.Placement;
import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.Alongside;
import dev.vat.desktop.band.ComparedStrip;
import dev.vat.desktop.band.DifferenceStrip;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.Side;
import dev.vat.desktop.compare.Way;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.image.ImageView;
import javafx.scene.input.InputEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Rectangle;

/**
 * The picture: what will be in the file, made by the viewer process at the shown size, with what is needed to play it.
 */
public final class PictureArea extends BorderPane {

    private static final Words WORDS = Words.of(PictureArea.class);

    /** What is done with a picture that is cut off and dragged while the whole of its frame is seen. */
    public interface Dragged {
        Dragged NOTHING = new Dragged() {
            @Override
            public Placement.Room room() {
                return Placement.Room.NONE;
            }

            @Override
            public void by(double rightwards, double downwards) {}
        };

        /** How far it can be dragged from where it lies. */
        Placement.Room room();

        /** It was let go. @param rightwards by how much of its frame's width @param downwards by how much of its height */
        void by(double rightwards, double downwards);
    }

    /** What is on the screen. @param second beside it, or over it */
    private record Shown(long place, Optional<ViewerMessage.Subject> picture, ViewerMessage.Shape shape,
            Optional<ViewerMessage.Subject> second, ViewerMessage.Shape secondShape) {
        static final Shown NOTHING = new Shown(-1, Optional.empty(), null, Optional.empty(), null);
    }

    private static final int MOST_ZOOM = 8;
    private static final long MOST_ON_DISK = 4L << 30;

    private final Player player;
    private final FramePump pump;
    private final PixelRing ring = new PixelRing();
    private final ImageView image = new ImageView();
    private final GroundChoice ground = new GroundChoice();
    private final Label trouble = new Label();
    private final SafeAreas safe = new SafeAreas();
    private final ViewHandles views = new ViewHandles();
    private final Pane stage = new Pane(ground.checker(), image);
    private final SecondPicture second;
    private final PointedValues values;
    private final ScopesPane scopes;
    private final VBox below;
    private final CompareBar compare;
    private final VBox above = new VBox();
    private final Transport transport;
    private final PictureHead head;
    private final PlayPace pace;
    private final PictureSound sound;
    private final Heartbeat heart = new Heartbeat(this::beat);
    private final BooleanSupplier mayFill;
    private final Slide slide = new Slide(image);
    private LongConsumer onPlace = _ -> {};
    private Consumer<BitSet> onCached = _ -> {};
    private Consumer<float[]> onWave = _ -> {};
    private Runnable onCompared = () -> {};
    private Consumer<Node> onCompare = _ -> {};
    private ViewerMessage.OutputView as;
    private String heading = "";
    private Shown shown = Shown.NOTHING;
    private long nextMarks;
    private int zoom = 1;
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
        FrameCache pictures = new FrameCache(cache, memory, MOST_ON_DISK);
        this.pump = new FramePump(viewer, pictures);
        this.compare = new CompareBar(viewer, new CompareBar.Picture() {
            @Override
            public void again() {
                shown = Shown.NOTHING;
                arrange();
                refresh();
            }

            @Override
            public void close() {
                endCompare();
            }

            @Override
            public void seek(long place) {
                heart.wake();
                PictureArea.this.seek(place);
            }

            @Override
            public void loop(long first, long last) {
                player.setLoopRange(first, last);
                player.seek(first);
                player.play(true);
            }

            @Override
            public void measured() {
                onCompared.run();
            }
        });
        this.second = new SecondPicture(viewer, pictures, compare, () -> shown = Shown.NOTHING);
        this.values = new PointedValues(viewer);
        this.scopes = new ScopesPane(viewer);
        this.pace = new PlayPace(player, place -> pump.isReady(place) && second.isReady(place), () -> pump.filled() + second.filled());
        this.sound = new PictureSound(viewer, cache, peaks -> onWave.accept(peaks));
        this.transport = new Transport(player, () -> {
            panX = 0;
            panY = 0;
            // What else there is to show comes with the picture.
            shown = Shown.NOTHING;
            arrange();
            refresh();
        }, this::nextGround, () -> {
            sound.toggle();
            words();
        }, button -> onCompare.accept(button));
        stage.getChildren().addAll(second.nodes());
        stage.getChildren().addAll(safe, trouble, values, views);
        setId("picture");
        image.setId("first-picture");
        getStyleClass().add("picture");
        stage.getStyleClass().add("picture-stage");
        stage.setMinSize(0, 0);
        stage.setClip(new Rectangle());
        trouble.getStyleClass().add("picture-trouble");
        trouble.setId("picture-trouble");
        trouble.setWrapText(true);
        trouble.setMouseTransparent(true);
        head = new PictureHead(transport.looks());
        above.getChildren().add(head);
        setTop(above);
        setCenter(stage);
        below = new VBox(transport);
        setBottom(below);
        // What is on the screen is laid out anew at once; the picture of another size follows.
        stage.widthProperty().addListener((_, _, _) -> resized());
        stage.heightProperty().addListener((_, _, _) -> resized());
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
        addEventFilter(InputEvent.ANY, _ -> heart.wake());
        stage.setOnMouseMoved(e -> values.point(e.getX(), e.getY()));
        stage.setOnMouseExited(_ -> values.leave());
        heart.wake();
    }

    private void resized() {
        heart.wake();
        arrange();
        refresh();
    }

    public void setOnDragged(Dragged listener) {
        slide.of(listener);
    }

    /** What is laid out in the picture, to be moved there. */
    public void setLaidOut(LaidOut laidOut) {
        views.of(laidOut);
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
    public void show(FrameTrack strip, String heading, Rgb behind, ViewerMessage.OutputView file) {
        heart.wake();
        player.setStrip(strip);
        ground.setOwn(behind);
        as = file;
        this.heading = heading;
        sound.show(strip);
        if (strip == null) {
            endCompare();
        } else if (compare.isGoing()) {
            compare.setMain(side());
        }
        pump.setStrip(fetched());
        refresh();
    }

    // ---- two pictures

    private Side side() {
        return new Side(player.strip(), heading, ground.colour(), as);
    }

    /** Told to offer what the picture can be held against, beside a button. */
    public void setOnCompare(Consumer<Node> listener) {
        onCompare = listener;
    }

    /** Told when more of a comparison was measured, or when it begins or ends. */
    public void setOnCompared(Runnable listener) {
        onCompared = listener;
    }

    /** Holds what is shown against another picture, in step. */
    public void compare(Side other) {
        heart.wake();
        if (player.strip() == null) {
            return;
        }
        if (!above.getChildren().contains(compare)) {
            above.getChildren().add(compare);
        }
        compare.start(side(), other);
        compare.setPlace(player.place());
        refresh();
        onCompared.run();
    }

    /** Shows one picture again. */
    public void endCompare() {
        heart.wake();
        if (compare.isGoing()) {
            compare.stop();
            above.getChildren().remove(compare);
            refresh();
            onCompared.run();
        }
    }

    /** What is done with the two pictures; empty while there is one. */
    public Optional<CompareBar> comparison() {
        return compare.isGoing() ? Optional.of(compare) : Optional.empty();
    }

    /** Turns the line of a wipe. */
    public void turnWipe(double degrees) {
        heart.wake();
        second.turn(degrees);
    }

    /** What the band shows: with how like each frame is to the other one. */
    public FrameTrack onBand(FrameTrack strip) {
        return strip != null && compare.isGoing() ? new ComparedStrip(strip, compare.likeness(), compare.likeness().size()) : strip;
    }

    /** Shows or hides what the picture's samples are. */
    public void toggleScopes() {
        heart.wake();
        if (!below.getChildren().remove(scopes)) {
            below.getChildren().addFirst(scopes);
        }
        scopes.show(below.getChildren().contains(scopes) && player.strip() != null ? side().taken(player.place()).orElse(null) : null);
    }

    /** Two, four, eight pixels of the screen for one of the picture, and one again. */
    public void nextZoom() {
        heart.wake();
        zoom = zoom == MOST_ZOOM ? 1 : 2 * zoom;
        if (zoom > 1 && !transport.isActualSize()) {
            transport.fire("actual-size");
        }
        image.setSmooth(zoom == 1);
        arrange();
        words();
    }

    /** What the first pump fetches: the picture, or where it differs from the other. */
    private FrameTrack fetched() {
        if (isDifference()) {
            Side beside = compare.beside();
            return new DifferenceStrip(player.strip(), as, (Alongside) beside.strip(), beside.as(), compare.gain(), compare.isSigned());
        }
        return player.strip();
    }

    private boolean isDifference() {
        return compare.isGoing() && compare.way() == Way.DIFFERENCE;
    }

    /** Plays forwards or backwards, faster each time. */
    public void shuttle(boolean backwards) {
        heart.wake();
        player.shuttle(backwards);
        pace.rest();
        transport.showPace();
    }

    /** Plays no more; the next time at full speed, forwards. */
    public void stop() {
        heart.wake();
        player.stop();
        transport.showPace();
    }

    public void togglePlay() {
        heart.wake();
        player.play(!player.isPlaying());
        pace.rest();
    }

    public void seek(long place) {
        heart.wake();
        player.seek(place);
    }

    public void step(long by) {
        heart.wake();
        player.step(by);
    }

    /** Presses a button of the transport by its id. */
    public void press(String id) {
        heart.wake();
        transport.fire(id);
    }

    /** Plays the first or last three seconds over and over. */
    public void playEnd(boolean first) {
        heart.wake();
        FrameTrack strip = player.strip();
        if (strip == null || strip.count() < 2) {
            return;
        }
        long frames = Math.max(1, strip.rate().orElse(Rate.FPS_25).perSecond().times(3).round());
        long from = first ? 0 : Math.max(0, strip.count() - frames);
        player.setLoopRange(from, Math.min(strip.count() - 1, from + frames - 1));
        player.seek(from);
        player.play(true);
    }

    private void nextGround() {
        ground.next();
        refresh();
    }

    /** Told of the highest sample at each place, or of null without sound. */
    public void setOnWave(Consumer<float[]> listener) {
        onWave = listener;
    }

    /** Told now and then which places would play without waiting. */
    public void setOnCached(Consumer<BitSet> listener) {
        onCached = listener;
    }

    /** Whether a frame of what was asked for is on the screen. */
    public boolean isShowing() {
        FrameTrack strip = player.strip();
        return strip != null && shown.place >= 0 && shown.place < strip.count() && shown.picture.equals(fetched().subject(shown.place));
    }

    /** Whether the waveform of what is heard is drawn; so is none. */
    public boolean isSoundDrawn() {
        return sound.isDrawn();
    }

    /** Whether nothing is to be done until something happens. */
    public boolean isResting() {
        return heart.isResting();
    }

    /** Whether the picture on the screen is the one at the playhead, at its right size. */
    public boolean isSettled() {
        FrameTrack strip = player.strip();
        return strip == null || strip.count() == 0 || isShown(player.place()) && scopes.isSettled();
    }

    private boolean isShown(long place) {
        return shown.shape != null && player.strip().size().isPresent() && shown.equals(toShow(place));
    }

    private Shown toShow(long place) {
        ViewerMessage.Shape shape = wish(player.strip(), player.strip().size().orElseThrow());
        return new Shown(place, fetched().subject(place), shape, second.subject(place), second.shape(shape));
    }

    private void refresh() {
        Rectangle clip = (Rectangle) stage.getClip();
        clip.setWidth(stage.getWidth());
        clip.setHeight(stage.getHeight());
        words();
    }

    /** @return whether something plays, is on its way or isn't on the screen yet */
    private boolean beat(long now) {
        pulse(now);
        FrameTrack strip = player.strip();
        return strip != null && strip.count() > 0 && (player.isPlaying() || strip.size().isPresent() && !isShown(player.place())
                || pump.isFilling() || second.isFilling() || compare.isGoing() && !compare.isMeasured());
    }

    private void pulse(long now) {
        FrameTrack strip = player.strip();
        sound.follow(player, !transport.isEveryFrame(), !pace.words().isEmpty());
        if (strip == null || strip.count() == 0) {
            image.setImage(null);
            second.clear();
            ground.checker().setVisible(false);
            shown = Shown.NOTHING;
            return;
        }
        Size size = strip.size().orElse(null);
        if (size == null || stage.getWidth() < 8 || stage.getHeight() < 8) {
            return;
        }
        ViewerMessage.Shape shape = wish(strip, size);
        pump.setStrip(fetched());
        pump.setWish(shape);
        second.prepare(shape);
        long due = player.due(now);
        if (player.isPlaying()) {
            play(due, now);
        } else {
            pace.rest();
            if (!isShown(due)) {
                want(due);
                show(due);
            } else if (mayFill.getAsBoolean() && (!compare.isGoing() || compare.isMeasured())) {
                want(due);
            }
        }
        if (now > nextMarks) {
            nextMarks = now + 400_000_000L;
            onCached.accept(pump.cached());
            words();
        }
    }

    private void want(long place) {
        pump.want(place, player);
        second.want(place, player);
    }

    private void play(long due, long now) {
        want(isShown(player.place()) ? player.next(player.place()) : player.place());
        if (isShown(due)) {
            return;
        }
        long place = pace.placeToShow(due, now);
        if (place >= 0) {
            show(place);
        }
    }

    private boolean show(long place) {
        Optional<String> why = pump.trouble(place);
        if (!second.isReady(place)) {
            return false;
        }
        if (why.isPresent()) {
            // The other one is seen though this one can't be.
            image.setImage(second.half() == null ? null
                    : ring.put(null, pump.wish().width(), pump.wish().height(), second.samples(place), second.half()));
            ground.checker().setVisible(false);
            trouble.setText(why.get());
            values.show(null, null, null, 0, 0);
        } else {
            Optional<ByteBuffer> pixels = pump.picture(place);
            if (pixels.isEmpty()) {
                return false;
            }
            slide.settle();
            image.setImage(ring.put(pixels.get(), pump.wish().width(), pump.wish().height(), second.samples(place), second.half()));
            trouble.setText("");
            ground.checker().setVisible(ground.colour() == null && player.strip().transparent()
                    && transport.look() != ViewerMessage.Showing.ALPHA && !isDifference());
            Side other = compare.isGoing() ? compare.beside() : null;
            values.show(transport.showsValues() ? side().taken(place).orElse(null) : null,
                    other == null ? null : other.taken(place).orElse(null), pixels.get(), pump.wish().width(), pump.wish().height());
        }
        second.show(place);
        scopes.show(below.getChildren().contains(scopes) ? side().taken(place).orElse(null) : null);
        shown = toShow(place);
        compare.setPlace(place);
        player.shown(place);
        arrange();
        words();
        onPlace.accept(place);
        return true;
    }

    private ViewerMessage.Shape wish(FrameTrack strip, Size size) {
        Size seen = seen(strip, size);
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        double wide = stage.getWidth() / (compare.isGoing() && compare.way() == Way.BESIDE ? 2 : 1);
        double fit = transport.isActualSize() ? 1 : Math.min(wide * density / seen.width(), stage.getHeight() * density / seen.height());
        int width = Math.clamp(Math.round(seen.width() * fit), 1, 4096);
        int height = Math.clamp(Math.round(seen.height() * fit), 1, 2304);
        return isDifference()
                ? new ViewerMessage.Shape(width, height, null,
                        transport.look() == ViewerMessage.Showing.ALPHA ? ViewerMessage.Showing.ALPHA : ViewerMessage.Showing.COLOUR, null)
                : new ViewerMessage.Shape(width, height, strip.transparent() ? ground.colour() : null, transport.look(), as);
    }

    /** The shape that is shown: the strip's own, or that of the file it is shown as. */
    private Size seen(FrameTrack strip, Size size) {
        return as == null ? strip.pixelAspect().seen(size) : as.pixelAspect().seen(as.size());
    }

    private void arrange() {
        trouble.setPrefWidth(Math.max(0, stage.getWidth() - 80));
        trouble.relocate(40, stage.getHeight() / 2 - 20);
        if (image.getImage() == null || player.strip() == null) {
            safe.setVisible(false);
            views.setVisible(false);
            return;
        }
        double density = getScene() == null || getScene().getWindow() == null ? 1 : getScene().getWindow().getRenderScaleX();
        int times = transport.isActualSize() ? zoom : 1;
        double width = image.getImage().getWidth() / density * times;
        double height = image.getImage().getHeight() / density * times;
        image.setFitWidth(width);
        image.setFitHeight(height);
        boolean beside = compare.isGoing() && compare.way() == Way.BESIDE;
        double x = Math
                .round((beside ? stage.getWidth() / 2 - width : (stage.getWidth() - width) / 2) + (transport.isActualSize() ? panX : 0));
        double y = Math.round((stage.getHeight() - height) / 2 + (transport.isActualSize() ? panY : 0));
        image.relocate(x, y);
        ground.checker().resizeRelocate(x, y, width, height);
        second.arrange(x, y, width, height, zoom == 1);
        image.setVisible(!second.covers());
        values.arrange(x, y, width, height, stage.getHeight());
        safe.setVisible(transport.showsSafeAreas());
        safe.over(x, y, width, height);
        views.over(x, y, width, height);
        player.strip().size().ifPresent(size -> head.setScale(transport.isActualSize() ? times + ":1"
                : WORDS.say("fit", Math.round(100 * width * density / seen(player.strip(), size).width()))));
    }

    private void words() {
        FrameTrack strip = player.strip();
        if (strip == null || strip.count() == 0) {
            head.clear();
            trouble.setText("");
            transport.show(ground.words(), false, false, "", "");
            return;
        }
        long place = player.place();
        head.show(strip, heading, place);
        transport.showSound(sound.words());
        transport.show(ground.words(), strip.transparent(), strip.floating(), player.isPlaying() && !pace.words().isEmpty() ? pace.words()
                : player.dropped() == 0 ? "" : WORDS.say("dropped", player.dropped()),
                (strip.remark(place) + "  " + strip.describe()).strip());
    }

    public void close() {
        heart.close();
        compare.stop();
        second.close();
        pump.close();
        sound.close();
    }
}
