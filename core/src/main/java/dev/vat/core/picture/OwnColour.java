package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Colours that no code point of ITU-T H.273 stands for: how a file's values become light of Rec.709's primaries. White becomes white; where
 * that of the file isn't D65, the linear Bradford adaptation of ICC.1 brings it there.
 *
 * @param light nine factors from the file's light to Rec.709's, row by row, red first
 */
public record OwnColour(List<Double> light, OwnCurve curve) {

    private static final Words WORDS = Words.of(OwnColour.class);

    private static final double[][] IDENTITY = {{1, 0, 0}, {0, 1, 0}, {0, 0, 1}};
    private static final double[][] BRADFORD = {{.8951, .2664, -.1614}, {-.7502, 1.7135, .0367}, {.0389, -.0685, 1.0296}};
    private static final double[] REC709 = {.640, .330, .300, .600, .150, .060, .3127, .3290};
    private static final double[] D50 = {.9642, 1, .8249};
    private static final double SINGULAR = 1e-9;

    public OwnColour {
        light = List.copyOf(light);
        if (light.size() != 9 || light.stream().anyMatch(v -> !Double.isFinite(v))) {
            throw new IllegalArgumentException(WORDS.say("nineFiniteFactorsLeadFrom", light));
        }
    }

    /** Of Rec.709's primaries, with a curve of its own. */
    public static OwnColour of(OwnCurve curve) {
        return new OwnColour(flat(IDENTITY), curve);
    }

    /**
     * By the places of red, green, blue and white.
     *
     * @param xy of CIE 1931, eight numbers
     * @return empty where these are no colours from which all others can be mixed
     */
    public static Optional<OwnColour> ofPlaces(double[] xy, OwnCurve curve) {
        double[][] toXyz = toXyz(xy);
        return toXyz == null ? Optional.empty() : fromXyz(toXyz, new double[] {xy[6] / xy[7], 1, (1 - xy[6] - xy[7]) / xy[7]}, curve);
    }

    /**
     * As ICC profiles have it.
     *
     * @param xyz red's X, Y, Z under D50, then green's, then blue's
     */
    public static Optional<OwnColour> ofD50(double[] xyz, OwnCurve curve) {
        double[][] columns = new double[3][3];
        for (int i = 0; i < 9; i++) {
            columns[i % 3][i / 3] = xyz[i];
        }
        return inverse(columns) == null ? Optional.empty() : fromXyz(columns, D50, curve);
    }

    private static Optional<OwnColour> fromXyz(double[][] toXyz, double[] white, OwnCurve curve) {
        double[] d65 = {REC709[6] / REC709[7], 1, (1 - REC709[6] - REC709[7]) / REC709[7]};
        double[] from = times(BRADFORD, white);
        double[] to = times(BRADFORD, d65);
        double[][] scaling = {{to[0] / from[0], 0, 0}, {0, to[1] / from[1], 0}, {0, 0, to[2] / from[2]}};
        double[][] adapted = times(inverse(BRADFORD), times(scaling, times(BRADFORD, toXyz)));
        List<Double> factors = flat(times(inverse(toXyz(REC709)), adapted));
        return factors.stream().allMatch(Double::isFinite) ? Optional.of(new OwnColour(factors, curve)) : Optional.empty();
    }

    /** From light of the primaries to X, Y, Z, with white at Y 1; null where they don't span a space. */
    private static double[][] toXyz(double[] xy) {
        double[][] columns = new double[3][3];
        for (int c = 0; c < 3; c++) {
            columns[0][c] = xy[2 * c];
            columns[1][c] = xy[2 * c + 1];
            columns[2][c] = 1 - xy[2 * c] - xy[2 * c + 1];
        }
        double[][] back = inverse(columns);
        if (back == null || !(xy[7] > SINGULAR)) {
            return null;
        }
        double[] amounts = times(back, new double[] {xy[6] / xy[7], 1, (1 - xy[6] - xy[7]) / xy[7]});
        for (double[] row : columns) {
            for (int c = 0; c < 3; c++) {
                row[c] *= amounts[c];
            }
        }
        return inverse(columns) == null ? null : columns;
    }

    private static double[] times(double[][] m, double[] v) {
        double[] result = new double[3];
        for (int r = 0; r < 3; r++) {
            result[r] = m[r][0] * v[0] + m[r][1] * v[1] + m[r][2] * v[2];
        }
        return result;
    }

    private static double[][] times(double[][] a, double[][] b) {
        double[][] result = new double[3][3];
        for (int r = 0; r < 3; r++) {
            for (int c = 0; c < 3; c++) {
                result[r][c] = a[r][0] * b[0][c] + a[r][1] * b[1][c] + a[r][2] * b[2][c];
            }
        }
        return result;
    }

    private static double[][] inverse(double[][] m) {
        double[][] cofactors = new double[3][3];
        for (int r = 0; r < 3; r++) {
            for (int c = 0; c < 3; c++) {
                cofactors[c][r] = m[(r + 1) % 3][(c + 1) % 3] * m[(r + 2) % 3][(c + 2) % 3]
                        - m[(r + 1) % 3][(c + 2) % 3] * m[(r + 2) % 3][(c + 1) % 3];
            }
        }
        double determinant = m[0][0] * cofactors[0][0] + m[0][1] * cofactors[1][0] + m[0][2] * cofactors[2][0];
        if (!(Math.abs(determinant) > SINGULAR)) {
            return null;
        }
        for (double[] row : cofactors) {
            for (int c = 0; c < 3; c++) {
                row[c] /= determinant;
            }
        }
        return cofactors;
    }

    private static List<Double> flat(double[][] m) {
        List<Double> flat = new ArrayList<>();
        for (double[] row : m) {
            for (double value : row) {
                flat.add(value);
            }
        }
        return flat;
    }

    /** Whether values up to 1 can mean light above white. */
    @JsonIgnore
    public boolean reachesAboveWhite() {
        return curve.film();
    }
}
