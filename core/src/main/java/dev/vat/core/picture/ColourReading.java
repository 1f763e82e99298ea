package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.stream.Stream;

/**
 * How stored samples are taken as colour.
 *
 * @param exposure in stops, for linear light: 1 doubles the light
 * @param curve from linear light to the display
 * @param toLight curve by which display-coded values are brought to light, for files that hold light or high range; null for what the file
 *     states, else that of ITU-R BT.1886
 * @param primaries and {@code transfer}: what the file states, as code points of ITU-T H.273, for {@code TAGGED}
 * @param own what it states where no code point stands for it; it goes before these
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record ColourReading(Kind kind, Rational exposure, Curve curve, Curve toLight, Integer primaries, Integer transfer,
        OwnColour own) {

    private static final Words WORDS = Words.of(ColourReading.class);

    /** What samples stand for. */
    public enum Kind {
        @JsonProperty("display")
        DISPLAY(Words.of(ColourReading.class).say("displayCoded"), Words.of(ColourReading.class).say("valuesAreKeptAsTheyAreAnd")),
        @JsonProperty("linear")
        LINEAR(Words.of(ColourReading.class).say("linearLight"), Words.of(ColourReading.class).say("valuesAreLightExposureAnd")),
        @JsonProperty("tagged")
        TAGGED(Words.of(ColourReading.class).say("asTagged"), Words.of(ColourReading.class).say("valuesAreConvertedFromWhat"));

        private final String title;
        private final String sentence;

        Kind(String title, String sentence) {
            this.title = title;
            this.sentence = sentence;
        }

        public String title() {
            return title;
        }

        public String sentence() {
            return sentence;
        }
    }

    /** From linear light to display codes. */
    public enum Curve {
        /** IEC 61966-2-1. */
        @JsonProperty("srgb")
        SRGB("sRGB", 13),
        /** The inverse of the display of ITU-R BT.1886, a power of 2.4. */
        @JsonProperty("bt1886")
        BT1886("Rec.1886 (2.4)", 1),
        /** A plain power of 2.2. */
        @JsonProperty("gamma22")
        GAMMA22(Words.of(ColourReading.class).say("gamma22"), 4);

        private final String title;
        private final int code;

        Curve(String title, int code) {
            this.title = title;
            this.code = code;
        }

        /** The code point of ITU-T H.273 whose curve this is; 1 stands for what such a display shows. */
        public int code() {
            return code;
        }

        public String title() {
            return title;
        }
    }

    /** The furthest that exposure goes, both ways. */
    public static final Rational MOST_STOPS = Rational.of(16);

    public static final ColourReading DISPLAY = of(Kind.DISPLAY);
    public static final ColourReading LINEAR = of(Kind.LINEAR);
    public static final ColourReading TAGGED = of(Kind.TAGGED);

    public ColourReading {
        exposure = exposure == null ? Rational.ZERO : exposure;
        curve = curve == null ? Curve.SRGB : curve;
        if (exposure.compareTo(MOST_STOPS) > 0 || exposure.compareTo(Rational.ZERO.minus(MOST_STOPS)) < 0) {
            throw new IllegalArgumentException(WORDS.say("exposureGoesFrom16To16Stops", exposure.toDecimal(2)));
        }
    }

    /** As files state it, unexposed, with the usual curve. */
    public static ColourReading of(Kind kind) {
        return new ColourReading(kind, null, null, null, null, null, null);
    }

    public ColourReading withExposure(Rational stops) {
        return new ColourReading(kind, stops, curve, toLight, primaries, transfer, own);
    }

    public ColourReading withCurve(Curve other) {
        return new ColourReading(kind, exposure, other, toLight, primaries, transfer, own);
    }

    /** @param other null for what the file states */
    public ColourReading withToLight(Curve other) {
        return new ColourReading(kind, exposure, curve, other, primaries, transfer, own);
    }

    public ColourReading withStated(Stated stated) {
        return new ColourReading(kind, exposure, curve, toLight, stated.primaries(), stated.transfer(), stated.own());
    }

    /** @param primariesCode and {@code transferCode}: code points of ITU-T H.273, null for what isn't stated */
    public ColourReading withTags(Integer primariesCode, Integer transferCode) {
        return new ColourReading(kind, exposure, curve, toLight, primariesCode, transferCode, null);
    }

    /** The curve by which display-coded values are light: what was chosen, what the file states, or that of the display. */
    public Curve curveToLight() {
        return toLight != null ? toLight
                : Stream.of(Curve.SRGB, Curve.GAMMA22).filter(c -> transfer != null && transfer == c.code).findFirst().orElse(Curve.BT1886);
    }

    @JsonIgnore
    public boolean isLinear() {
        return kind == Kind.LINEAR;
    }

    /** Whether there may be anything brighter than white: in light itself, and by the curves of high dynamic range. */
    public boolean reachesAboveWhite() {
        return kind == Kind.LINEAR || kind == Kind.TAGGED && (transfer != null && (transfer == 16 || transfer == 18)
                || own != null && own.reachesAboveWhite());
    }

    /** Whether values are brought to light by a way that only this file states. */
    @JsonIgnore
    public boolean isByOwn() {
        return kind == Kind.TAGGED && own != null;
    }

    /** What light is multiplied by. */
    public float gain() {
        return (float) Math.pow(2, exposure.toDouble());
    }

    /** In words, for receipts and the window. */
    public String describe() {
        return switch (kind) {
            case DISPLAY -> toLight == null ? WORDS.say("displayCodedValuesKept")
                    : WORDS.say("displayCodedToLightBy", toLight.title());
            case LINEAR -> WORDS.say("linearLightExposureCurve", exposure.toDecimal(2), curve.title());
            case TAGGED -> WORDS.say("convertedFromWhatTheFile");
        };
    }
}
