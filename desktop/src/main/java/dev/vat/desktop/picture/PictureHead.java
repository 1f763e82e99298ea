package dev.vat.desktop.picture;

import dev.vat.core.words.Words;
import dev.vat.desktop.band.FrameTrack;
import dev.vat.desktop.look.Parts;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/** The bar above the picture: whose it is, where in that, and how it is looked at. */
final class PictureHead extends HBox {

    private static final Words WORDS = Words.of(PictureHead.class);

    private static final double ROOMY = 620;
    private static final double NARROW = 430;

    private final Label whose = Parts.name("", "strong");
    private final Label number = Parts.label("", "mono", "at");
    private final Label timecode = Parts.label("", "mono", "dim");
    private final Label seconds = Parts.label("", "mono", "dim");
    private final Label scale = Parts.label("", "dim");

    /** @param looks how it is looked at */
    PictureHead(Region looks) {
        number.setId("picture-number");
        number.setMinWidth(Region.USE_PREF_SIZE);
        // Where room is short, the seconds go, then the timecode, and the name is cut in its middle; never what can be pressed.
        timecode.setMinWidth(Region.USE_PREF_SIZE);
        seconds.setMinWidth(Region.USE_PREF_SIZE);
        scale.setMinWidth(Region.USE_PREF_SIZE);
        timecode.managedProperty().bind(widthProperty().greaterThan(NARROW));
        timecode.visibleProperty().bind(timecode.managedProperty());
        seconds.managedProperty().bind(widthProperty().greaterThan(ROOMY));
        seconds.visibleProperty().bind(seconds.managedProperty());
        scale.setTooltip(new Tooltip(WORDS.say("howLargeThePictureIsShown")));
        looks.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(whose, number, timecode, seconds, Parts.space(), looks, scale);
        getStyleClass().add("bar");
    }

    void clear() {
        for (Label label : new Label[] {whose, number, timecode, seconds, scale}) {
            label.setText("");
        }
    }

    void show(FrameTrack strip, String heading, long place) {
        whose.setText(heading);
        number.setText(strip.number(place));
        timecode.setText(strip.timecode(place).map(Object::toString).orElse(WORDS.say("noRateYet")));
        seconds.setText(strip.rate().map(rate -> rate.seconds(place).toFixed(3) + " s").orElse(""));
    }

    void setScale(String words) {
        scale.setText(words);
    }
}
