package dev.vat.media.decode.still;

import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.core.picture.Stated;
import dev.vat.core.words.Words;
import java.util.Map;
import java.util.Optional;

/** The primaries and the white that a file states by itself, each as x and y of CIE 1931: red, green, blue, white. */
record Chromaticities(double[] xy) {

    private static final Words WORDS = Words.of(Chromaticities.class);

    private static final double NEAR = .002;
    private static final int SRGB = 13;

    /** Those of ITU-T H.273, by code point. */
    private static final Map<Integer, double[]> PUBLISHED = Map.of(1, of(.640, .330, .300, .600, .150, .060, .3127, .3290), 4,
            of(.670, .330, .210, .710, .140, .080, .310, .316), 5, of(.640, .330, .290, .600, .150, .060, .3127, .3290), 6,
            of(.630, .340, .310, .595, .155, .070, .3127, .3290), 9, of(.708, .292, .170, .797, .131, .046, .3127, .3290), 11,
            of(.680, .320, .265, .690, .150, .060, .314, .351), 12, of(.680, .320, .265, .690, .150, .060, .3127, .3290));

    /** Others that have a name and no code point. */
    private static final Map<String, double[]> NAMED = Map.of(WORDS.say("acesAP0Primaries"),
            of(.7347, .2653, .0, 1.0, .0001, -.0770, .32168, .33767), WORDS.say("acesAP1Primaries"),
            of(.713, .293, .165, .830, .128, .044, .32168, .33767), WORDS.say("adobeRGB1998Primaries"),
            of(.640, .330, .210, .710, .150, .060, .3127, .3290));

    private static double[] of(double... xy) {
        return xy;
    }

    /** The code point of ITU-T H.273, or null if they are none of the published. */
    Integer code() {
        return PUBLISHED.entrySet().stream().filter(e -> isNear(e.getValue())).map(Map.Entry::getKey).findFirst().orElse(null);
    }

    private boolean isNear(double[] others) {
        for (int i = 0; i < others.length; i++) {
            if (!(Math.abs(xy[i] - others[i]) < NEAR)) {
                return false;
            }
        }
        return true;
    }

    /** In words: {@code Rec.2020 primaries}, {@code own primaries (red at 0.700, 0.300)}. */
    String words() {
        Integer code = code();
        return code != null ? ColourHints.primaries(code)
                : NAMED.entrySet().stream().filter(e -> isNear(e.getValue())).map(Map.Entry::getKey).findFirst()
                        .orElse(WORDS.say("ownPrimariesRedAt", Words.decimal(xy[0], 3), Words.decimal(xy[1], 3)));
    }

    /** What is stated together with a curve, of which nothing may be stated: then sRGB's is meant. */
    Stated with(Stated curve) {
        Stated both = Stated.ofColour(curve.colour() == null ? words() : words() + ", " + curve.colour(), code(), curve.transfer());
        if (code() != null && curve.own() == null) {
            return both.withForeign(curve.foreign());
        }
        Optional<OwnCurve> form = curve.own() != null ? Optional.of(curve.own().curve())
                : OwnCurve.ofCodePoint(curve.transfer() == null ? SRGB : curve.transfer());
        return form.flatMap(f -> OwnColour.ofPlaces(xy, f)).map(both::withOwn).orElseGet(() -> both.withForeign(both.colour()));
    }
}
