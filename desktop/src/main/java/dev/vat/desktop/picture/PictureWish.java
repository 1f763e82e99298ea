package dev.vat.desktop.picture;

import dev.vat.core.picture.Size;
import dev.vat.desktop.band.Alongside;
import dev.vat.desktop.band.DifferenceStrip;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.compare.Side;
import dev.vat.desktop.compare.Way;
import dev.vat.protocol.ViewerMessage;
import java.util.Optional;

/** Which pictures are asked for now, how large and in which look: by what is shown, the switches under it and what it is held against. */
final class PictureWish {

    /** What is on the screen. @param second beside it, or over it */
    record Shown(long place, Optional<ViewerMessage.Subject> picture, ViewerMessage.Shape shape, Optional<ViewerMessage.Subject> second,
            ViewerMessage.Shape secondShape) {
        static final Shown NOTHING = new Shown(-1, Optional.empty(), null, Optional.empty(), null);
    }

    private static final int MOST_WIDE = 4096;
    private static final int MOST_TALL = 2304;

    private final Player player;
    private final CompareBar compare;
    private final SecondPicture second;
    private final GroundChoice ground;
    private final Transport transport;
    private final PictureStage stage;
    private ViewerMessage.OutputView as;
    private String heading = "";

    PictureWish(Player player, CompareBar compare, SecondPicture second, GroundChoice ground, Transport transport, PictureStage stage) {
        this.player = player;
        this.compare = compare;
        this.second = second;
        this.ground = ground;
        this.transport = transport;
        this.stage = stage;
    }

    /** @param file the deliverable that it is shown as, or null */
    void set(String heading, ViewerMessage.OutputView file) {
        this.heading = heading;
        this.as = file;
    }

    String heading() {
        return heading;
    }

    /** What is shown, as one of two pictures that are held against each other. */
    Side side() {
        return new Side(player.strip(), heading, ground.colour(), as);
    }

    /** What is fetched first: the picture, or where it differs from the other. */
    FrameTrack fetched() {
        if (isDifference()) {
            Side beside = compare.beside();
            return new DifferenceStrip(player.strip(), as, (Alongside) beside.strip(), beside.as(), compare.gain(), compare.isSigned());
        }
        return player.strip();
    }

    boolean isDifference() {
        return compare.isGoing() && compare.way() == Way.DIFFERENCE;
    }

    /** What the screen shows once the frame of a place is there. */
    Shown at(long place) {
        ViewerMessage.Shape shape = shape();
        return new Shown(place, fetched().subject(place), shape, second.subject(place), second.shape(shape));
    }

    /** How it is asked for; the strip's size has to be known. */
    ViewerMessage.Shape shape() {
        FrameTrack strip = player.strip();
        Size seen = seen();
        double wide = stage.pixelsWide() / (stage.isBeside() ? 2 : 1);
        double fit = transport.isActualSize() ? 1 : Math.min(wide / seen.width(), stage.pixelsTall() / seen.height());
        int width = Math.clamp(Math.round(seen.width() * fit), 1, MOST_WIDE);
        int height = Math.clamp(Math.round(seen.height() * fit), 1, MOST_TALL);
        return isDifference()
                ? new ViewerMessage.Shape(width, height, null,
                        transport.look() == ViewerMessage.Showing.ALPHA ? ViewerMessage.Showing.ALPHA : ViewerMessage.Showing.COLOUR, null)
                : new ViewerMessage.Shape(width, height, strip.transparent() ? ground.colour() : null, transport.look(), as);
    }

    /** The shape that is shown: the strip's own, or that of the file it is shown as. */
    Size seen() {
        FrameTrack strip = player.strip();
        return as == null ? strip.pixelAspect().seen(strip.size().orElseThrow()) : as.pixelAspect().seen(as.size());
    }
}
