package dev.vat.media;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/** ICC profiles of displays (ISO 15076-1): three primaries and a curve. */
public final class TestProfiles {

    /** Adobe RGB (1998)'s primaries under D50. */
    public static final double[] WIDE = {.60974, .31111, .01947, .20528, .62567, .06087, .14919, .06322, .74457};

    private TestProfiles() {}

    /** @param colours X, Y, Z of red, green and blue under D50 */
    public static byte[] power(String name, double[] colours, double gamma) {
        return of(name, colours, text("curv", ByteBuffer.allocate(8).putInt(1).putShort((short) Math.round(gamma * 256)).array()));
    }

    /** A curve by points, as displays are measured. */
    public static byte[] table(String name, double[] colours, double gamma, int points) {
        ByteBuffer table = ByteBuffer.allocate(4 + 2 * points).putInt(points);
        for (int i = 0; i < points; i++) {
            table.putShort((short) Math.round(65535 * Math.pow(i / (points - 1.0), gamma)));
        }
        return of(name, colours, text("curv", table.array()));
    }

    /** A power with a straight foot. */
    public static byte[] formula(String name, double[] colours, double... fiveNumbers) {
        ByteBuffer curve = ByteBuffer.allocate(24).putShort((short) 3).putShort((short) 0);
        for (double number : fiveNumbers) {
            curve.putInt(fixed(number));
        }
        return of(name, colours, text("para", curve.array()));
    }

    private static int fixed(double number) {
        return (int) Math.round(number * 65536);
    }

    private static byte[] text(String kind, byte[] rest) {
        return ByteBuffer.allocate((8 + rest.length + 3) / 4 * 4).put(kind.getBytes(StandardCharsets.US_ASCII)).putInt(0).put(rest).array();
    }

    private static byte[] xyz(double x, double y, double z) {
        return text("XYZ ", ByteBuffer.allocate(12).putInt(fixed(x)).putInt(fixed(y)).putInt(fixed(z)).array());
    }

    private static byte[] of(String name, double[] c, byte[] curve) {
        Map<String, byte[]> tags = new LinkedHashMap<>();
        byte[] ascii = (name + "\0").getBytes(StandardCharsets.US_ASCII);
        tags.put("desc", text("desc", ByteBuffer.allocate(4 + ascii.length + 78).putInt(ascii.length).put(ascii).array()));
        tags.put("cprt", text("text", "made up\0".getBytes(StandardCharsets.US_ASCII)));
        tags.put("wtpt", xyz(.9642, 1, .8249));
        tags.put("rXYZ", xyz(c[0], c[1], c[2]));
        tags.put("gXYZ", xyz(c[3], c[4], c[5]));
        tags.put("bXYZ", xyz(c[6], c[7], c[8]));
        for (String channel : new String[] {"rTRC", "gTRC", "bTRC"}) {
            tags.put(channel, curve);
        }
        int at = 132 + 12 * tags.size();
        ByteBuffer data = ByteBuffer.allocate(at + tags.values().stream().mapToInt(b -> b.length).sum());
        data.putInt(0, data.capacity()).putInt(8, 0x02100000).put(12, "mntrRGB XYZ ".getBytes(StandardCharsets.US_ASCII))
                .put(36, "acsp".getBytes(StandardCharsets.US_ASCII)).putInt(68, fixed(.9642)).putInt(72, fixed(1)).putInt(76, fixed(.8249))
                .putInt(128, tags.size());
        int entry = 132;
        for (Map.Entry<String, byte[]> tag : tags.entrySet()) {
            data.put(entry, tag.getKey().getBytes(StandardCharsets.US_ASCII)).putInt(entry + 4, at).putInt(entry + 8, tag.getValue().length)
                    .put(at, tag.getValue());
            at += tag.getValue().length;
            entry += 12;
        }
        return data.array();
    }
}
