package dev.vat.media.decode.still;

import dev.vat.core.picture.OwnColour;
import dev.vat.core.picture.OwnCurve;
import dev.vat.core.picture.Stated;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * An embedded ICC profile (ISO 15076-1) as far as it is one of the published colour codings: a display profile of three primaries and a
 * curve, held against those of ITU-T H.273. Every other profile is called by its name.
 */
final class IccProfile {

    private static final Words WORDS = Words.of(IccProfile.class);

    private static final int TAGS = 128;
    private static final double NEAR = .003;
    private static final double NEAR_CURVE = .006;
    private static final int MOST_TAGS = 200;

    /** Red, green and blue by their X, Y, Z under D50, to which profiles bring them; by code point of the primaries. */
    private static final Map<Integer, double[]> PRIMARIES = Map.of(1,
            new double[] {.4361, .2225, .0139, .3851, .7169, .0971, .1431, .0606, .7141}, 9,
            new double[] {.6734, .2790, -.0019, .1657, .6753, .0300, .1251, .0456, .7973}, 12,
            new double[] {.5151, .2412, -.0011, .2920, .6922, .0419, .1571, .0666, .7841});

    private static final Map<Integer, DoubleUnaryOperator> CURVES = Map.of(13,
            v -> v <= .04045 ? v / 12.92 : Math.pow((v + .055) / 1.055, 2.4), 4, v -> Math.pow(v, 2.2), 8, v -> v, 1,
            v -> v < .081 ? v / 4.5 : Math.pow((v + .099) / 1.099, 1 / .45), 5, v -> Math.pow(v, 2.8));

    private final ByteBuffer data;

    private IccProfile(byte[] data) {
        this.data = ByteBuffer.wrap(data);
    }

    /** @param name what the file calls it, or null for what it calls itself */
    static Stated stated(byte[] profile, String name) {
        IccProfile read = new IccProfile(profile);
        String own = name;
        try {
            own = own == null || own.isBlank() ? read.description() : own;
            Integer primaries = read.primaries();
            Integer transfer = read.transfer();
            boolean grey = read.data.getInt(16) == tag("GRAY");
            if (transfer != null && (primaries != null || grey)) {
                String words = (grey ? "" : ColourHints.primaries(primaries) + ", ") + ColourHints.transfer(transfer);
                return Stated.ofColour(called(own) + " (" + words + ")", primaries, transfer);
            }
            OwnColour colours = grey ? read.form("kTRC").map(OwnColour::of).orElse(null)
                    : read.oneCurve().flatMap(form -> OwnColour.ofD50(read.colourants(), form)).orElse(null);
            if (colours != null) {
                return Stated.ofColour(called(own), primaries, transfer).withOwn(colours);
            }
        } catch (IndexOutOfBoundsException | IllegalArgumentException _) {
            // A profile that is damaged is one that isn't known.
        }
        return Stated.ofColour(called(own), null, null).withForeign(called(own));
    }

    private static String called(String name) {
        return name == null || name.isBlank() ? WORDS.say("anICCProfileWithoutAName") : WORDS.say("iccProfile", name);
    }

    private static int tag(String name) {
        return ByteBuffer.wrap(name.getBytes(StandardCharsets.US_ASCII)).getInt();
    }

    /** Where a tag's data lies, or -1. */
    private int find(String name) {
        int count = Math.min(data.getInt(TAGS), MOST_TAGS);
        for (int i = 0; i < count; i++) {
            int at = TAGS + 4 + 12 * i;
            if (data.getInt(at) == tag(name)) {
                return data.getInt(at + 4);
            }
        }
        return -1;
    }

    /** X, Y, Z of red, green and blue; null where the profile works by tables of colours. */
    private double[] colourants() {
        double[] found = new double[9];
        int at = 0;
        for (String name : new String[] {"rXYZ", "gXYZ", "bXYZ"}) {
            int place = find(name);
            if (place < 0) {
                return null;
            }
            for (int i = 0; i < 3; i++) {
                found[at++] = data.getInt(place + 8 + 4 * i) / 65536.0;
            }
        }
        return found;
    }

    /** Where a profile has tables too, these go before; of three curves all have to be one. */
    private Optional<OwnCurve> oneCurve() {
        Optional<OwnCurve> green = form("gTRC");
        boolean one = find("A2B0") < 0 && colourants() != null && form("rTRC").equals(green) && form("bTRC").equals(green);
        return one ? green : Optional.empty();
    }

    /** A curve as a formula: as it is stated, or the power that a table of it follows. */
    private Optional<OwnCurve> form(String name) {
        int place = find(name);
        if (place < 0) {
            return Optional.empty();
        }
        if (data.getInt(place) == tag("para") && data.getShort(place + 8) == 3) {
            double[] p = new double[5];
            for (int i = 0; i < p.length; i++) {
                p[i] = data.getInt(place + 12 + 4 * i) / 65536.0;
            }
            return Optional.of(new OwnCurve(false, p[0], p[1], p[2], p[3], p[4]));
        }
        double power = Math.log(curve(place, .5)) / Math.log(.5);
        for (double v = 1 / 32.0; v < 1; v += 1 / 32.0) {
            if (!(Math.abs(curve(place, v) - Math.pow(v, power)) < NEAR_CURVE)) {
                return Optional.empty();
            }
        }
        return Optional.of(OwnCurve.power(power));
    }

    private Integer primaries() {
        double[] found = colourants();
        if (found == null) {
            return null;
        }
        return PRIMARIES.entrySet().stream().filter(e -> near(found, e.getValue())).map(Map.Entry::getKey).findFirst().orElse(null);
    }

    private static boolean near(double[] a, double[] b) {
        for (int i = 0; i < a.length; i++) {
            if (Math.abs(a[i] - b[i]) > NEAR) {
                return false;
            }
        }
        return true;
    }

    private Integer transfer() {
        int place = find(data.getInt(16) == tag("GRAY") ? "kTRC" : "gTRC");
        if (place < 0) {
            return null;
        }
        double[] at = {.1, .25, .5, .75, .9};
        double[] found = Arrays.stream(at).map(v -> curve(place, v)).toArray();
        return CURVES.entrySet().stream().filter(e -> {
            for (int i = 0; i < at.length; i++) {
                if (!(Math.abs(found[i] - e.getValue().applyAsDouble(at[i])) < NEAR_CURVE)) {
                    return false;
                }
            }
            return true;
        }).map(Map.Entry::getKey).sorted().reduce((_, later) -> later).orElse(null);
    }

    private double curve(int place, double value) {
        if (data.getInt(place) == tag("curv")) {
            int count = data.getInt(place + 8);
            if (count == 0) {
                return value;
            }
            if (count == 1) {
                return Math.pow(value, (data.getShort(place + 12) & 0xffff) / 256.0);
            }
            double position = value * (count - 1);
            int below = (int) position;
            double low = (data.getShort(place + 12 + 2 * below) & 0xffff) / 65535.0;
            double high = (data.getShort(place + 12 + 2 * Math.min(count - 1, below + 1)) & 0xffff) / 65535.0;
            return low + (high - low) * (position - below);
        }
        if (data.getInt(place) != tag("para")) {
            throw new IllegalArgumentException(WORDS.say("noCurve"));
        }
        double[] p = new double[7];
        int kind = data.getShort(place + 8);
        int[] counts = {1, 3, 4, 5, 7};
        for (int i = 0; i < counts[Math.clamp(kind, 0, 4)]; i++) {
            p[i] = data.getInt(place + 12 + 4 * i) / 65536.0;
        }
        return switch (kind) {
            case 0 -> Math.pow(value, p[0]);
            case 1 -> value >= -p[2] / p[1] ? Math.pow(p[1] * value + p[2], p[0]) : 0;
            case 2 -> value >= -p[2] / p[1] ? Math.pow(p[1] * value + p[2], p[0]) + p[3] : p[3];
            case 3 -> value >= p[4] ? Math.pow(p[1] * value + p[2], p[0]) : p[3] * value;
            default -> value >= p[4] ? Math.pow(p[1] * value + p[2], p[0]) + p[5] : p[3] * value + p[6];
        };
    }

    /** What it calls itself, in English where there are several. */
    private String description() {
        int place = find("desc");
        if (place < 0) {
            return null;
        }
        if (data.getInt(place) == tag("desc")) {
            return text(place + 12, data.getInt(place + 8) - 1, false);
        }
        int count = data.getInt(place + 8);
        int chosen = place + 16;
        for (int i = 0; i < count && i < MOST_TAGS; i++) {
            int record = place + 16 + 12 * i;
            if (text(record, 2, false).toLowerCase(Locale.ROOT).equals("en")) {
                chosen = record;
            }
        }
        return count == 0 ? null : text(place + data.getInt(chosen + 8), data.getInt(chosen + 4), true);
    }

    private String text(int at, int bytes, boolean wide) {
        byte[] text = new byte[Math.clamp(bytes, 0, 200)];
        data.get(at, text);
        return new String(text, wide ? StandardCharsets.UTF_16BE : StandardCharsets.ISO_8859_1).strip();
    }
}
