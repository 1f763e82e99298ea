package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.key;

import dev.vat.desktop.band.Player;
import dev.vat.desktop.compare.CompareBar;
import dev.vat.desktop.picture.PictureArea;
import dev.vat.desktop.session.Session;
import java.util.function.BooleanSupplier;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;

/**
 * What can be done with the picture and the band: going from frame to frame, playing, selecting, looking closely, holding two against
 * each other.
 */
final class PictureCommands {

    private final Session session;
    private final Player player;
    private final PictureArea picture;
    private final BandPane band;
    private final BooleanSupplier alone;

    /** @param alone whether the picture fills the window */
    PictureCommands(Session session, Player player, PictureArea picture, BandPane band, BooleanSupplier alone) {
        this.session = session;
        this.player = player;
        this.picture = picture;
        this.band = band;
        this.alone = alone;
    }

    void addTo(Commands commands) {
        commands.under("Picture").add("play", "Play or pause", key(KeyCode.SPACE), this::hasPicture, () -> picture.togglePlay())
                .add("back", "One frame back", key(KeyCode.LEFT), this::hasPicture, () -> picture.step(-1))
                .add("forward", "One frame on", key(KeyCode.RIGHT), this::hasPicture, () -> picture.step(1))
                .add("back-ten", "Ten frames back", key(KeyCode.LEFT, KeyCombination.SHIFT_DOWN), this::hasPicture, () -> picture.step(-10))
                .add("forward-ten", "Ten frames on", key(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> picture.step(10))
                .add("first", "First frame", key(KeyCode.HOME), this::hasPicture, () -> picture.seek(player.first()))
                .add("last", "Last frame", key(KeyCode.END), this::hasPicture, () -> picture.seek(player.last()))
                .add("next-fault", "Next fault", key(KeyCode.N), this::hasPicture, () -> trouble(true))
                .add("previous-fault", "Previous fault", key(KeyCode.N, KeyCombination.SHIFT_DOWN), this::hasPicture, () -> trouble(false))
                .add("select-from", "Select from here", key(KeyCode.I), this::hasPicture, () -> band.select(true))
                .add("select-to", "Select up to here", key(KeyCode.O), this::hasPicture, () -> band.select(false))
                .add("trim", "Trim to what is selected", key(KeyCode.T), player::hasLoopRange, () -> band.trim())
                .add("mark", "Mark to be rendered again, or take the mark away", key(KeyCode.R), this::hasPicture, () -> band.mark())
                .add("unselect", "Unselect", key(KeyCode.ESCAPE), player::hasLoopRange, () -> band.clearSelection())
                .add("shuttle-back", "Play backwards, faster with each press", key(KeyCode.J), this::hasPicture,
                        () -> picture.shuttle(true))
                .add("shuttle-stop", "Stop, forwards at full speed again", key(KeyCode.K), this::hasPicture, () -> picture.stop())
                .add("shuttle-on", "Play forwards, faster with each press", key(KeyCode.L), this::hasPicture, () -> picture.shuttle(false))
                .add("loop", "Loop", key(KeyCode.L, KeyCombination.SHIFT_DOWN), this::hasPicture, () -> picture.press("loop"))
                .add("every", "Play every frame, even if slower", key(KeyCode.E), this::hasPicture, () -> picture.press("every-frame"))
                .add("actual", "One stored pixel on one pixel of the screen", key(KeyCode.DIGIT1), this::hasPicture,
                        () -> picture.press("actual-size"))
                .add("alpha", "Show alpha as grey", key(KeyCode.A), this::hasPicture, () -> picture.press("show-alpha"))
                .add("backwards", "Play backwards, or forwards again", null, this::hasPicture, () -> picture.press("backwards"))
                .add("speed", "Full, half or quarter speed", key(KeyCode.S), this::hasPicture, () -> picture.press("speed"))
                .add("sound", "Sound on or off while playing", key(KeyCode.U), this::hasPicture, () -> picture.press("sound"))
                .add("safe", "Show or hide the safe areas", key(KeyCode.G), this::hasPicture, () -> picture.press("safe-areas"))
                .add("scopes", "Waveform, R G B, Cb and Cr, histogram of the picture", key(KeyCode.DIGIT4), this::hasPicture,
                        () -> picture.toggleScopes())
                .add("values", "Show the samples under the pointer", key(KeyCode.D), this::hasPicture, () -> picture.press("show-values"))
                .add("compare", "Compare the picture with another one", key(KeyCode.C), this::hasPicture,
                        () -> picture.press("compare-with"))
                .add("zoom", "Two, four, eight pixels of the screen for one of the picture", key(KeyCode.DIGIT2), this::hasPicture,
                        () -> picture.nextZoom())
                .add("flip", "Show the other of two pictures", key(KeyCode.X), this::isComparing,
                        () -> picture.comparison().ifPresent(CompareBar::flip))
                .add("compare-way", "Wipe, side by side, flip, difference", key(KeyCode.Y), this::isComparing,
                        () -> picture.comparison().ifPresent(CompareBar::nextWay))
                .add("turn-wipe", "Turn the line between two pictures", key(KeyCode.H), this::isComparing, () -> picture.turnWipe(15))
                .add("next-worst", "To the next of the frames that differ most", key(KeyCode.Z), this::isComparing,
                        () -> picture.comparison().ifPresent(c -> c.nextWorst(true)))
                .add("previous-worst", "Back to the one before of the frames that differ most", key(KeyCode.Z, KeyCombination.SHIFT_DOWN),
                        this::isComparing, () -> picture.comparison().ifPresent(c -> c.nextWorst(false)))
                .add("loop-worst", "Play around this frame of two pictures", key(KeyCode.J, KeyCombination.SHIFT_DOWN), this::isComparing,
                        () -> picture.comparison().ifPresent(CompareBar::loopHere))
                .add("end-compare", "End the comparison", key(KeyCode.ESCAPE),
                        () -> isComparing() && !alone.getAsBoolean() && !player.hasLoopRange(), () -> picture.endCompare())
                .add("odd", "Mark values that are no colour", key(KeyCode.V), this::hasPicture, () -> picture.press("show-odd"))
                .add("ground", "Another colour behind transparent places", key(KeyCode.B), this::hasPicture, () -> picture.press("ground"))
                .add("first-seconds", "Play the first three seconds", key(KeyCode.Q), this::hasPicture, () -> picture.playEnd(true))
                .add("last-seconds", "Play the last three seconds", key(KeyCode.Q, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> picture.playEnd(false))
                .add("lanes", "Show or hide the measured lanes under the band", key(KeyCode.M), this::hasPicture,
                        () -> band.band().toggleLanes())
                .add("all", "Show all frames on the band", key(KeyCode.DIGIT0), this::hasPicture, () -> band.band().showAll())
                .add("closer", "Closer on the band", key(KeyCode.PLUS), this::hasPicture, () -> band.band().zoom(.5))
                .add("closer-too", "Closer on the band", key(KeyCode.EQUALS), this::hasPicture, () -> band.band().zoom(.5))
                .add("wider", "Wider on the band", key(KeyCode.MINUS), this::hasPicture, () -> band.band().zoom(2));
    }

    boolean hasPicture() {
        return player.strip() != null && player.strip().count() > 0;
    }

    private boolean isComparing() {
        return picture.comparison().isPresent();
    }

    private void trouble(boolean forward) {
        long at = band.band().view().nextTrouble(player.place(), forward);
        if (at >= 0) {
            picture.seek(at);
        } else {
            session.say(forward ? "No fault after this frame." : "No fault before this frame.");
        }
    }
}
