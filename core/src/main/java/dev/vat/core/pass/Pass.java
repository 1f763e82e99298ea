package dev.vat.core.pass;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.picture.DisplayCurve;
import dev.vat.core.picture.Rgb;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;

/**
 * One pass of a shot and how it goes into the picture.
 *
 * @param name as people call it
 * @param source id of the source that has it, or null for the item's own
 * @param layer of the source's EXR files, or null for their unnamed one
 * @param gain that its colours are multiplied by, 0 to 1000; null for 1
 * @param tint colour that it is multiplied by, given as displays show it; null for white
 * @param exposure in stops, null for none
 * @param off whether it is left out for now
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Pass(String name, String source, String layer, Operation operation, Rational gain, Rgb tint, Rational exposure, boolean off) {

    private static final Words WORDS = Words.of(Pass.class);

    private static final Rational MOST_GAIN = Rational.of(1000);
    private static final Rational MOST_STOPS = Rational.of(16);

    public Pass {
        operation = operation == null ? Operation.ADD : operation;
        if (gain != null && (gain.signum() < 0 || gain.compareTo(MOST_GAIN) > 0)) {
            throw new IllegalArgumentException(WORDS.say("aGainGoesFrom0To1000Not", gain));
        }
        if (exposure != null && (exposure.compareTo(MOST_STOPS) > 0 || exposure.compareTo(Rational.ZERO.minus(MOST_STOPS)) < 0)) {
            throw new IllegalArgumentException(WORDS.say("exposureGoesFrom16To16Stops", exposure.toDecimal(2)));
        }
        gain = Rational.ONE.equals(gain) ? null : gain;
        exposure = Rational.ZERO.equals(exposure) ? null : exposure;
        tint = Rgb.WHITE.equals(tint) ? null : tint;
    }

    public static Pass of(String name, String source, String layer, Operation operation) {
        return new Pass(name, source, layer, operation, null, null, null, false);
    }

    /** @param other null for the item's own */
    public Pass withSource(String other) {
        return new Pass(name, other, layer, operation, gain, tint, exposure, off);
    }

    public Pass withOperation(Operation other) {
        return new Pass(name, source, layer, other, gain, tint, exposure, off);
    }

    public Pass withGain(Rational other) {
        return new Pass(name, source, layer, operation, other, tint, exposure, off);
    }

    /** @param other null for none */
    public Pass withTint(Rgb other) {
        return new Pass(name, source, layer, operation, gain, other, exposure, off);
    }

    public Pass withExposure(Rational stops) {
        return new Pass(name, source, layer, operation, gain, tint, stops, off);
    }

    public Pass withOff(boolean other) {
        return new Pass(name, source, layer, operation, gain, tint, exposure, other);
    }

    @JsonIgnore
    public Rational gainInUse() {
        return gain == null ? Rational.ONE : gain;
    }

    @JsonIgnore
    public Rational exposureInUse() {
        return exposure == null ? Rational.ZERO : exposure;
    }

    /** What red, green and blue light is multiplied by. */
    public float[] weights() {
        double all = gainInUse().toDouble() * Math.pow(2, exposureInUse().toDouble());
        return tint == null ? new float[] {(float) all, (float) all, (float) all}
                : new float[] {(float) (all * DisplayCurve.light(tint.red() / 255.)),
                    (float) (all * DisplayCurve.light(tint.green() / 255.)), (float) (all * DisplayCurve.light(tint.blue() / 255.))};
    }
}
