package dev.vat.media.decode.still;

import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Stated;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;

/** What headers say of colour, pixel shape and rate, in words and in the code points of ITU-T H.273. */
public final class ColourHints {

    private static final Words WORDS = Words.of(ColourHints.class);

    private static final List<PixelAspect> STANDARD = List.of(PixelAspect.SQUARE, PixelAspect.of(10, 11),
            PixelAspect.of(8, 9), PixelAspect.of(40, 33), PixelAspect.of(32, 27), PixelAspect.of(12, 11),
            PixelAspect.of(16, 15), PixelAspect.of(16, 11), PixelAspect.of(64, 45), PixelAspect.of(4, 3),
            PixelAspect.of(2, 1));

    private ColourHints() {}

    /** Code points as in cICP chunks and movie files; 2 means that nothing is stated. */
    public static Stated ofCodePoints(int primaries, int transfer) {
        if (primaries == 2 && transfer == 2) {
            return Stated.NOTHING;
        }
        String words = primaries(primaries) + ", " + transfer(transfer);
        return Stated.ofColour(words, primaries == 2 ? null : primaries, transfer == 2 ? null : transfer);
    }

    static String primaries(int code) {
        return switch (code) {
            case 1 -> "Rec.709 primaries";
            case 4 -> "BT.470 M primaries";
            case 5, 6, 7 -> "Rec.601 primaries";
            case 8 -> WORDS.say("filmPrimaries");
            case 9 -> "Rec.2020 primaries";
            case 10 -> "CIE XYZ";
            case 11 -> "DCI-P3 primaries";
            case 12 -> "P3-D65 primaries";
            default -> WORDS.say("primariesNotStated");
        };
    }

    static String transfer(int code) {
        return switch (code) {
            case 1, 6, 14, 15 -> "Rec.709 curve";
            case 7 -> WORDS.say("smpteST240Curve");
            case 11, 12 -> WORDS.say("rec709CurveBeyondWhite");
            case 4 -> WORDS.say("gamma22");
            case 5 -> WORDS.say("gamma28");
            case 8 -> WORDS.say("linearLight");
            case 13 -> WORDS.say("srgbCurve");
            case 9, 10 -> WORDS.say("logarithmicCurve");
            case 16 -> WORDS.say("pqCurve");
            case 17 -> WORDS.say("smpteST4281Curve");
            case 18 -> WORDS.say("hlgCurve");
            default -> WORDS.say("curveNotStated");
        };
    }

    /** The field holds a rounded decimal; the nearest standard fraction is meant if there is one close by. */
    static PixelAspect pixelAspect(double stated) {
        if (!(stated > 0.2 && stated < 5)) {
            return PixelAspect.SQUARE;
        }
        for (PixelAspect standard : STANDARD) {
            if (Math.abs(standard.ratio().toDouble() - stated) < 0.003) {
                return standard;
            }
        }
        return new PixelAspect(Rational.of(Math.round(stated * 1000), 1000));
    }

    /** A rate that is held as a floating-point number: 23.976024 stands for 24000/1001. */
    static Optional<Rate> rate(double stated) {
        if (!(stated >= 1 && stated <= 240)) {
            return Optional.empty();
        }
        long whole = Math.round(stated);
        if (Math.abs(stated - whole) < 0.0005) {
            return Optional.of(Rate.of(whole));
        }
        double ntsc = stated * 1.001;
        if (Math.abs(ntsc - Math.round(ntsc)) < 0.003) {
            return Optional.of(Rate.of(Math.round(ntsc) * 1000, 1001));
        }
        return Optional.of(new Rate(Rational.of(Math.round(stated * 1000), 1000)));
    }

    /** A plain power, by its exponent from values to light. */
    static Stated ofGamma(double gamma) {
        String words = WORDS.say("gamma", Words.decimal(gamma, 2));
        Integer transfer = Math.abs(gamma - 1) < .01 ? Integer.valueOf(8) : Math.abs(gamma - 2.2) < .02 ? Integer.valueOf(4)
                : Math.abs(gamma - 2.8) < .02 ? Integer.valueOf(5) : null;
        Stated stated = Stated.ofColour(words, null, transfer);
        return transfer == null ? stated.withOwn(OwnColour.of(OwnCurve.power(gamma))) : stated;
    }

    /** Scanned film, as DPX and Cineon hold it. */
    static Stated film() {
        return Stated.ofColour(WORDS.say("printingDensityLogarithmic"), null, null).withOwn(OwnColour.of(OwnCurve.FILM));
    }

    /** SMPTE ST 12-1 digits, two to a byte from the hours down; null where they are no time. */
    static String timecode(int packed) {
        int hours = digits(packed >>> 24 & 0x3f);
        int minutes = digits(packed >>> 16 & 0x7f);
        int seconds = digits(packed >>> 8 & 0x7f);
        int frames = digits(packed & 0x3f);
        if (packed == -1 || hours < 0 || minutes < 0 || seconds < 0 || frames < 0 || hours > 23 || minutes > 59 || seconds > 59) {
            return null;
        }
        return "%02d:%02d:%02d:%02d".formatted(hours, minutes, seconds, frames);
    }

    private static int digits(int packed) {
        return (packed & 15) > 9 ? -1 : (packed >> 4) * 10 + (packed & 15);
    }
}
