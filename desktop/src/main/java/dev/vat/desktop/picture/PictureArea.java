package dev.vat.desktop.picture;

import dev.vat.core.picture.Rgb;
import dev.vat.core.words.Words;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.engine.viewer.Viewer;
import dev.vat.protocol.ViewerMessage;
import java.nio.file.Path;
import java.util.BitSet;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import javafx.scene.Node;
import javafx.scene.input.InputEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;

/**
 * The picture: what will be in the file, made by the viewer process at the shown size, with what is needed to play it.
 */
public final class PictureArea extends BorderPane {

    private static final Words WORDS = Words.of(PictureArea.class);

    private static final long MOST_ON_DISK = 4L << 30;
    private static final long MARKS_NANOS = 400_000_000L;

    private final Player player;
    private final PictureFeed feed;
    private final GroundChoice ground = new GroundChoice();
    private final PictureStage stage;
    private final PictureWish wish;
    private final ScopesPane scopes;
    private final VBox below;
    private final CompareBar compare;
    private final PictureComparison comparison;
    private final VBox above = new VBox();
    private final Transport transport;
    private final PictureHead head;
    private final PlayPace pace;
    private final Playback playback;
    private final PictureSound sound;
    private final Heartbeat heart = new Heartbeat(this::beat);
    private LongConsumer onPlace = _ -> {};
    private Consumer<BitSet> onCached = _ -> {};
    private Consumer<float[]> onWave = _ -> {};
    private Consumer<Node> onCompare = _ -> {};
    private long nextMarks;

    /**
     * @param cache where played pictures may be kept on disk
     * @param memory bytes for played pictures
     * @param mayFill whether the machine has time to fetch pictures that nobody asked for yet
     */
    public PictureArea(Viewer viewer, Player player, Path cache, long memory, BooleanSupplier mayFill) {
        this.player = player;
        FrameCache pictures = new FrameCache(cache, memory, MOST_ON_DISK);
        FramePump pump = new FramePump(viewer, pictures);
        this.compare = new CompareBar(viewer, new Compared());
        SecondPicture second = new SecondPicture(viewer, pictures, compare, this::again);
        PointedValues values = new PointedValues(viewer);
        this.scopes = new ScopesPane(viewer);
        this.pace = new PlayPace(player, place -> pump.isReady(place) && second.isReady(place), () -> pump.filled() + second.filled());
        this.sound = new PictureSound(viewer, cache, peaks -> onWave.accept(peaks));
        this.transport = new Transport(player, this::lookAnew, this::nextGround, () -> {
            sound.toggle();
            words();
        }, button -> onCompare.accept(button));
        this.playback = new Playback(player, pace, transport, heart::wake);
        this.stage = new PictureStage(ground, second, values, compare, transport);
        this.wish = new PictureWish(player, compare, second, ground, transport, stage);
        this.feed = new PictureFeed(player, pump, second, compare, pace, wish, stage, values, ground, transport, mayFill, this::shown);
        this.comparison = new PictureComparison(compare, second, player, above, wish::side, () -> {
            heart.wake();
            words();
        });
        setId("picture");
        getStyleClass().add("picture");
        head = new PictureHead(transport.looks());
        above.getChildren().add(head);
        setTop(above);
        setCenter(stage);
        below = new VBox(transport);
        setBottom(below);
        // What is on the screen is laid out anew at once; the picture of another size follows.
        stage.widthProperty().addListener((_, _, _) -> resized());
        stage.heightProperty().addListener((_, _, _) -> resized());
        addEventFilter(InputEvent.ANY, _ -> heart.wake());
        heart.wake();
    }

    /** What the bar of a comparison does with the picture. */
    private final class Compared implements CompareBar.Picture {
        @Override
        public void again() {
            showAnew();
        }

        @Override
        public void close() {
            comparison.end();
        }

        @Override
        public void seek(long place) {
            playback.seek(place);
        }

        @Override
        public void loop(long first, long last) {
            playback.loop(first, last);
        }

        @Override
        public void measured() {
            comparison.measured();
        }
    }

    private void again() {
        feed.again();
    }

    private void showAnew() {
        again();
        arrange();
        words();
    }

    /** It is looked at in another way: what else there is to show comes with the picture. */
    private void lookAnew() {
        stage.centre();
        showAnew();
    }

    private void resized() {
        heart.wake();
        arrange();
        words();
    }

    /** Playing and going to frames. */
    public Playback playback() {
        return playback;
    }

    public void setOnDragged(Dragged listener) {
        stage.setDragged(listener);
    }

    /** What is laid out in the picture, to be moved there. */
    public void setLaidOut(LaidOut laidOut) {
        stage.setLaidOut(laidOut);
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
        wish.set(heading, file);
        sound.show(strip);
        comparison.follow();
        feed.follow();
        words();
    }

    /** Told to offer what the picture can be held against, beside a button. */
    public void setOnCompare(Consumer<Node> listener) {
        onCompare = listener;
    }

    /** The picture held against another one. */
    public PictureComparison comparison() {
        return comparison;
    }

    /** Shows or hides what the picture's samples are. */
    public void toggleScopes() {
        heart.wake();
        if (!below.getChildren().remove(scopes)) {
            below.getChildren().addFirst(scopes);
        }
        scopes.show(below.getChildren().contains(scopes) && player.strip() != null ? wish.side().taken(player.place()).orElse(null) : null);
    }

    /** Two, four, eight pixels of the screen for one of the picture, and one again. */
    public void nextZoom() {
        heart.wake();
        stage.nextZoom();
        if (stage.isEnlarged() && !transport.isActualSize()) {
            transport.fire("actual-size");
        }
        arrange();
        words();
    }

    /** Presses a button of the transport by its id. */
    public void press(String id) {
        heart.wake();
        transport.fire(id);
    }

    private void nextGround() {
        ground.next();
        words();
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
        return feed.isShowing();
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
        return strip == null || strip.count() == 0 || feed.isShown(player.place()) && scopes.isSettled();
    }

    /** @return whether something plays, is on its way or isn't on the screen yet */
    private boolean beat(long now) {
        sound.follow(player, !transport.isEveryFrame(), !pace.words().isEmpty());
        if (feed.pulse(now) && now > nextMarks) {
            nextMarks = now + MARKS_NANOS;
            onCached.accept(feed.cached());
            words();
        }
        return feed.isBusy();
    }

    private void shown(long place) {
        scopes.show(below.getChildren().contains(scopes) ? wish.side().taken(place).orElse(null) : null);
        arrange();
        words();
        onPlace.accept(place);
    }

    private void arrange() {
        if (!stage.arrange() || player.strip() == null || player.strip().size().isEmpty()) {
            return;
        }
        head.setScale(transport.isActualSize() ? stage.times() + ":1"
                : WORDS.say("fit", Math.round(100 * stage.width() / wish.seen().width())));
    }

    private void words() {
        FrameTrack strip = player.strip();
        if (strip == null || strip.count() == 0) {
            head.clear();
            stage.forgetTrouble();
            transport.show(ground.words(), false, false, "", "");
            return;
        }
        long place = player.place();
        head.show(strip, wish.heading(), place);
        transport.showSound(sound.words());
        transport.show(ground.words(), strip.transparent(), strip.floating(), player.isPlaying() && !pace.words().isEmpty() ? pace.words()
                : player.dropped() == 0 ? "" : WORDS.say("dropped", player.dropped()),
                (strip.remark(place) + "  " + strip.describe()).strip());
    }

    public void close() {
        heart.close();
        compare.stop();
        feed.close();
        sound.close();
    }
}
