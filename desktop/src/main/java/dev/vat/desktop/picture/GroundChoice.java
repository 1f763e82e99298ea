package dev.vat.desktop.picture;

import dev.vat.core.picture.Rgb;
import dev.vat.core.words.Words;
import java.util.List;
import javafx.scene.image.WritableImage;
import javafx.scene.layout.Background;
import javafx.scene.layout.BackgroundFill;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.ImagePattern;

/**
 * What is seen through transparent places: what the picture's owner has there, or a colour that was asked for; a wrong alpha kind shows
 * as a fringe against one of them.
 */
final class GroundChoice {

    private static final Words WORDS = Words.of(GroundChoice.class);

    private static final List<Rgb> COLOURS = List.of(Rgb.BLACK, Rgb.WHITE, new Rgb(128, 128, 128));
    private static final List<String> GROUNDS = List.of(WORDS.say("onBlack"), WORDS.say("onWhite"), WORDS.say("onGrey"));

    private final Region checker = new Region();
    private Rgb own;
    private int asked = -1;

    GroundChoice() {
        checker.setBackground(new Background(new BackgroundFill(checks(), null, null)));
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

    /** What lies behind the picture where no colour does. */
    Region checker() {
        return checker;
    }

    /** @param colour of the picture's owner, or null for the checker */
    void setOwn(Rgb colour) {
        own = colour;
    }

    /** Its own, black, white and grey in turn. */
    void next() {
        asked = asked + 1 == COLOURS.size() ? -1 : asked + 1;
    }

    /** The colour, or null for the checker. */
    Rgb colour() {
        return asked < 0 ? own : COLOURS.get(asked);
    }

    String words() {
        return asked < 0 ? WORDS.say("checker") : GROUNDS.get(asked);
    }
}
