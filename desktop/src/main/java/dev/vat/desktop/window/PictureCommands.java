package dev.vat.desktop.window;

import static dev.vat.desktop.window.Commands.key;

import dev.vat.core.words.Words;
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

    private static final Words WORDS = Words.of(PictureCommands.class);

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
        commands.under(WORDS.say("picture"))
                .add("play", WORDS.say("playOrPause"), key(KeyCode.SPACE), this::hasPicture, () -> picture.playback().toggle())
                .add("back", WORDS.say("oneFrameBack"), key(KeyCode.LEFT), this::hasPicture, () -> picture.playback().step(-1)).repeating()
                .add("forward", WORDS.say("oneFrameOn"), key(KeyCode.RIGHT), this::hasPicture, () -> picture.playback().step(1)).repeating()
                .add("back-ten", WORDS.say("tenFramesBack"), key(KeyCode.LEFT, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> picture.playback().step(-10))
                .repeating()
                .add("forward-ten", WORDS.say("tenFramesOn"), key(KeyCode.RIGHT, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> picture.playback().step(10))
                .repeating()
                .add("first", WORDS.say("firstFrame"), key(KeyCode.HOME), this::hasPicture, () -> picture.playback().seek(player.first()))
                .add("last", WORDS.say("lastFrame"), key(KeyCode.END), this::hasPicture, () -> picture.playback().seek(player.last()))
                .add("next-fault", WORDS.say("nextFault"), key(KeyCode.N), this::hasPicture, () -> trouble(true)).repeating()
                .add("previous-fault", WORDS.say("previousFault"), key(KeyCode.N, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> trouble(false))
                .repeating()
                .add("select-from", WORDS.say("selectFromHere"), key(KeyCode.I), this::hasPicture, () -> band.select(true))
                .add("select-to", WORDS.say("selectUpToHere"), key(KeyCode.O), this::hasPicture, () -> band.select(false))
                .add("trim", WORDS.say("trimToWhatIsSelected"), key(KeyCode.T), player::hasLoopRange, () -> band.trim())
                .add("mark", WORDS.say("markToBeRenderedAgainOr"), key(KeyCode.R), this::hasPicture, () -> band.mark())
                .add("unselect", WORDS.say("unselect"), key(KeyCode.ESCAPE), player::hasLoopRange, () -> band.clearSelection())
                .add("shuttle-back", WORDS.say("playBackwardsFasterWith"), key(KeyCode.J), this::hasPicture,
                        () -> picture.playback().shuttle(true))
                .add("shuttle-stop", WORDS.say("stopForwardsAtFullSpeed"), key(KeyCode.K), this::hasPicture,
                        () -> picture.playback().stop())
                .add("shuttle-on", WORDS.say("playForwardsFasterWithEach"), key(KeyCode.L), this::hasPicture,
                        () -> picture.playback().shuttle(false))
                .add("loop", WORDS.say("loop"), key(KeyCode.L, KeyCombination.SHIFT_DOWN), this::hasPicture, () -> picture.press("loop"))
                .add("every", WORDS.say("playEveryFrameEvenIfSlower"), key(KeyCode.E), this::hasPicture, () -> picture.press("every-frame"))
                .add("actual", WORDS.say("oneStoredPixelOnOnePixel"), key(KeyCode.DIGIT1), this::hasPicture,
                        () -> picture.press("actual-size"))
                .add("alpha", WORDS.say("showAlphaAsGrey"), key(KeyCode.A), this::hasPicture, () -> picture.press("show-alpha"))
                .add("backwards", WORDS.say("playBackwardsOrForwards"), null, this::hasPicture, () -> picture.press("backwards"))
                .add("speed", WORDS.say("fullHalfOrQuarterSpeed"), key(KeyCode.S), this::hasPicture, () -> picture.press("speed"))
                .add("sound", WORDS.say("soundOnOrOffWhilePlaying"), key(KeyCode.U), this::hasPicture, () -> picture.press("sound"))
                .add("safe", WORDS.say("showOrHideTheSafeAreas"), key(KeyCode.G), this::hasPicture, () -> picture.press("safe-areas"))
                .add("scopes", WORDS.say("waveformRGBCbAndCrHistogram"), key(KeyCode.DIGIT4), this::hasPicture,
                        () -> picture.toggleScopes())
                .add("values", WORDS.say("showTheSamplesUnderThePointer"), key(KeyCode.D), this::hasPicture,
                        () -> picture.press("show-values"))
                .add("compare", WORDS.say("compareThePictureWithAnother"), key(KeyCode.C), this::hasPicture,
                        () -> picture.press("compare-with"))
                .add("zoom", WORDS.say("twoFourEightPixelsOfThe"), key(KeyCode.DIGIT2), this::hasPicture,
                        () -> picture.nextZoom())
                .add("flip", WORDS.say("showTheOtherOfTwoPictures"), key(KeyCode.X), this::isComparing,
                        () -> picture.comparison().bar().ifPresent(CompareBar::flip))
                .add("compare-way", WORDS.say("wipeSideBySideFlipDifference"), key(KeyCode.Y), this::isComparing,
                        () -> picture.comparison().bar().ifPresent(CompareBar::nextWay))
                .add("turn-wipe", WORDS.say("turnTheLineBetweenTwoPictures"), key(KeyCode.H), this::isComparing,
                        () -> picture.comparison().turnWipe(15))
                .add("next-worst", WORDS.say("toTheNextOfTheFramesThat"), key(KeyCode.Z), this::isComparing,
                        () -> picture.comparison().bar().ifPresent(c -> c.nextWorst(true)))
                .add("previous-worst", WORDS.say("backToTheOneBeforeOfThe"), key(KeyCode.Z, KeyCombination.SHIFT_DOWN),
                        this::isComparing, () -> picture.comparison().bar().ifPresent(c -> c.nextWorst(false)))
                .add("loop-worst", WORDS.say("playAroundThisFrameOfTwo"), key(KeyCode.J, KeyCombination.SHIFT_DOWN), this::isComparing,
                        () -> picture.comparison().bar().ifPresent(CompareBar::loopHere))
                .add("end-compare", WORDS.say("endTheComparison"), key(KeyCode.ESCAPE),
                        () -> isComparing() && !alone.getAsBoolean() && !player.hasLoopRange(), () -> picture.comparison().end())
                .add("odd", WORDS.say("markValuesThatAreNoColour"), key(KeyCode.V), this::hasPicture, () -> picture.press("show-odd"))
                .add("ground", WORDS.say("anotherColourBehindTransparent"), key(KeyCode.B), this::hasPicture, () -> picture.press("ground"))
                .add("first-seconds", WORDS.say("playTheFirstThreeSeconds"), key(KeyCode.Q), this::hasPicture,
                        () -> picture.playback().playEnd(true))
                .add("last-seconds", WORDS.say("playTheLastThreeSeconds"), key(KeyCode.Q, KeyCombination.SHIFT_DOWN), this::hasPicture,
                        () -> picture.playback().playEnd(false))
                .add("lanes", WORDS.say("showOrHideTheMeasuredLanes"), key(KeyCode.M), this::hasPicture,
                        () -> band.band().toggleLanes())
                .add("all", WORDS.say("showAllFramesOnTheBand"), key(KeyCode.DIGIT0), this::hasPicture, () -> band.band().showAll())
                .add("closer", WORDS.say("closerOnTheBand"), key(KeyCode.PLUS), this::hasPicture, () -> band.band().zoom(.5)).repeating()
                .add("closer-too", WORDS.say("closerOnTheBand"), key(KeyCode.EQUALS), this::hasPicture, () -> band.band().zoom(.5))
                .repeating()
                .add("wider", WORDS.say("widerOnTheBand"), key(KeyCode.MINUS), this::hasPicture, () -> band.band().zoom(2)).repeating();
    }

    boolean hasPicture() {
        return player.strip() != null && player.strip().count() > 0;
    }

    private boolean isComparing() {
        return picture.comparison().bar().isPresent();
    }

    private void trouble(boolean forward) {
        long at = band.band().view().nextTrouble(player.place(), forward);
        if (at >= 0) {
            picture.playback().seek(at);
        } else {
            session.say(forward ? WORDS.say("noFaultAfterThisFrame") : WORDS.say("noFaultBeforeThisFrame"));
        }
    }
}
