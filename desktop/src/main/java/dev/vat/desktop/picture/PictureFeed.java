package dev.vat.desktop.picture;

import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.protocol.ViewerMessage;
import java.nio.ByteBuffer;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import javafx.scene.image.WritableImage;

/**
 * Brings the picture that is due to the screen, and the one that it is held against with it; at rest it fetches what comes next. On the
 * interface's thread only.
 */
final class PictureFeed {

    private final Player player;
    private final FramePump pump;
    private final SecondPicture second;
    private final CompareBar compare;
    private final PlayPace pace;
    private final BooleanSupplier mayFill;
    private final PixelRing ring = new PixelRing();
    private final PictureWish wish;
    private final PictureStage stage;
    private final PointedValues values;
    private final GroundChoice ground;
    private final Transport transport;
    private final LongConsumer onShown;
    private PictureWish.Shown shown = PictureWish.Shown.NOTHING;

    /** @param onShown told of the place of each picture that comes to the screen */
    PictureFeed(Player player, FramePump pump, SecondPicture second, CompareBar compare, PlayPace pace, PictureWish wish,
            PictureStage stage,
            PointedValues values, GroundChoice ground, Transport transport, BooleanSupplier mayFill, LongConsumer onShown) {
        this.player = player;
        this.pump = pump;
        this.second = second;
        this.compare = compare;
        this.pace = pace;
        this.wish = wish;
        this.stage = stage;
        this.values = values;
        this.ground = ground;
        this.transport = transport;
        this.mayFill = mayFill;
        this.onShown = onShown;
    }

    /** What is on the screen counts no more: it is shown anew. */
    void again() {
        shown = PictureWish.Shown.NOTHING;
    }

    /** What is shown has changed. */
    void follow() {
        pump.setStrip(wish.fetched());
    }

    /** Whether a frame of what was asked for is on the screen. */
    boolean isShowing() {
        FrameTrack strip = player.strip();
        return strip != null && shown.place() >= 0 && shown.place() < strip.count()
                && shown.picture().equals(wish.fetched().subject(shown.place()));
    }

    /** Whether the picture of a place is on the screen, at its right size. */
    boolean isShown(long place) {
        return shown.shape() != null && player.strip().size().isPresent() && shown.equals(wish.at(place));
    }

    /** The places whose pictures are held as they are shown now. */
    BitSet cached() {
        return pump.cached();
    }

    /** Whether something plays, is on its way or isn't on the screen yet. */
    boolean isBusy() {
        FrameTrack strip = player.strip();
        return strip != null && strip.count() > 0 && (player.isPlaying() || strip.size().isPresent() && !isShown(player.place())
                || pump.isFilling() || second.isFilling() || compare.isGoing() && !compare.isMeasured());
    }

    /** Shows what is due. @param now nanoseconds of the machine's own count @return whether there is anything to show */
    boolean pulse(long now) {
        FrameTrack strip = player.strip();
        if (strip == null || strip.count() == 0) {
            stage.clear();
            again();
            return false;
        }
        if (strip.size().isEmpty() || !stage.hasRoom()) {
            return false;
        }
        ViewerMessage.Shape shape = wish.shape();
        follow();
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
        return true;
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

    private void show(long place) {
        if (!second.isReady(place)) {
            return;
        }
        Optional<String> why = pump.trouble(place);
        if (why.isPresent()) {
            // The other one is seen though this one can't be.
            stage.showTrouble(second.half() == null ? null : onRing(null, place), why.get());
            values.show(null, null, null, 0, 0);
        } else {
            Optional<ByteBuffer> pixels = pump.picture(place);
            if (pixels.isEmpty()) {
                return;
            }
            stage.show(onRing(pixels.get(), place), ground.colour() == null && player.strip().transparent()
                    && transport.look() != ViewerMessage.Showing.ALPHA && !wish.isDifference());
            values.show(transport.showsValues() ? wish.side().taken(place).orElse(null) : null,
                    compare.isGoing() ? compare.beside().taken(place).orElse(null) : null, pixels.get(), pump.wish().width(),
                    pump.wish().height());
        }
        second.show(place);
        shown = wish.at(place);
        compare.setPlace(place);
        player.shown(place);
        onShown.accept(place);
    }

    private WritableImage onRing(ByteBuffer pixels, long place) {
        return ring.put(pixels, pump.wish().width(), pump.wish().height(), second.samples(place), second.half());
    }

    void close() {
        second.close();
        pump.close();
    }
}
