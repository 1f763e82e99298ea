package dev.vat.core.picture;

/** Between light and what displays are given, both from 0 to 1, by IEC 61966-2-1; the same to the last bit on every machine. */
public final class DisplayCurve {

    private static final double LIGHT_TO = .0031308;
    private static final double CODED_TO = .04045;
    private static final double SLOPE = 12.92;
    private static final double OFFSET = .055;
    private static final double POWER = 2.4;

    private DisplayCurve() {}

    public static double light(double coded) {
        return coded <= CODED_TO ? coded / SLOPE : StrictMath.pow((coded + OFFSET) / (1 + OFFSET), POWER);
    }

    public static double coded(double light) {
        return light <= LIGHT_TO ? SLOPE * light : (1 + OFFSET) * StrictMath.pow(light, 1 / POWER) - OFFSET;
    }
}
