package dev.vat.desktop.look;

import javafx.scene.paint.Color;

/** How much a colour stands out from another, as WCAG 2.2 measures it: 1 for the same, 21 for black on white. */
public final class Contrast {

    private Contrast() {}

    public static double of(Color a, Color b) {
        double high = Math.max(luminance(a), luminance(b));
        double low = Math.min(luminance(a), luminance(b));
        return (high + .05) / (low + .05);
    }

    /** Relative luminance of an sRGB colour. */
    private static double luminance(Color colour) {
        return .2126 * linear(colour.getRed()) + .7152 * linear(colour.getGreen()) + .0722 * linear(colour.getBlue());
    }

    private static double linear(double share) {
        return share <= .04045 ? share / 12.92 : Math.pow((share + .055) / 1.055, 2.4);
    }
}
