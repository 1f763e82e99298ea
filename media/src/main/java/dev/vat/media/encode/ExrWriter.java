package dev.vat.media.encode;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.zip.Deflater;

/**
 * Writes single-part scanline OpenEXR 2 files: half float, ZIP over 16 lines, any channels and layers. The media library
 * writes no layers, so this does.
 */
public final class ExrWriter {

    private static final int LINES = 16;
    private static final int HALF = 1;

    private ExrWriter() {}

    /** @param channels by name, such as {@code R} or {@code haze.G}; each holds width x height values from the top */
    public static byte[] write(int width, int height, Map<String, float[]> channels) {
        SortedMap<String, float[]> sorted = new TreeMap<>(channels);
        ByteBuffer head = header(width, height, sorted);
        int chunks = Math.ceilDiv(height, LINES);
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        long[] offsets = new long[chunks];
        long start = head.position() + 8L * chunks;
        for (int c = 0; c < chunks; c++) {
            offsets[c] = start + body.size();
            byte[] packed = pack(plain(width, height, sorted, c * LINES));
            ByteBuffer prefix = ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN);
            prefix.putInt(c * LINES).putInt(packed.length);
            body.writeBytes(prefix.array());
            body.writeBytes(packed);
        }
        ByteBuffer file = ByteBuffer.allocate(Math.toIntExact(start + body.size())).order(ByteOrder.LITTLE_ENDIAN);
        file.put(head.flip());
        for (long offset : offsets) {
            file.putLong(offset);
        }
        return file.put(body.toByteArray()).array();
    }

    private static ByteBuffer header(int width, int height, SortedMap<String, float[]> channels) {
        ByteBuffer b = ByteBuffer.allocate(8192).order(ByteOrder.LITTLE_ENDIAN);
        b.putInt(20000630).putInt(2);
        ByteBuffer list = ByteBuffer.allocate(4096).order(ByteOrder.LITTLE_ENDIAN);
        for (String name : channels.keySet()) {
            text(list, name);
            list.putInt(HALF).putInt(0).putInt(1).putInt(1);
        }
        list.put((byte) 0);
        byte[] names = new byte[list.position()];
        list.flip().get(names);
        attribute(b, "channels", "chlist", names);
        attribute(b, "compression", "compression", new byte[] {3});
        byte[] window = little(16).putInt(0).putInt(0).putInt(width - 1).putInt(height - 1).array();
        attribute(b, "dataWindow", "box2i", window);
        attribute(b, "displayWindow", "box2i", window);
        attribute(b, "lineOrder", "lineOrder", new byte[] {0});
        attribute(b, "pixelAspectRatio", "float", little(4).putFloat(1).array());
        attribute(b, "screenWindowCenter", "v2f", little(8).array());
        attribute(b, "screenWindowWidth", "float", little(4).putFloat(1).array());
        return b.put((byte) 0);
    }

    private static ByteBuffer little(int bytes) {
        return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static void attribute(ByteBuffer b, String name, String type, byte[] value) {
        text(b, name);
        text(b, type);
        b.putInt(value.length).put(value);
    }

    private static void text(ByteBuffer b, String text) {
        b.put(text.getBytes(StandardCharsets.US_ASCII)).put((byte) 0);
    }

    private static byte[] plain(int width, int height, SortedMap<String, float[]> channels, int firstLine) {
        int lines = Math.min(LINES, height - firstLine);
        ByteBuffer plain = little(lines * channels.size() * width * 2);
        for (int y = firstLine; y < firstLine + lines; y++) {
            for (float[] values : channels.values()) {
                for (int x = 0; x < width; x++) {
                    plain.putShort(Float.floatToFloat16(values[y * width + x]));
                }
            }
        }
        return plain.array();
    }

    /** Low and high bytes apart, each as the difference from the one before, then deflated, as the format wants it. */
    private static byte[] pack(byte[] plain) {
        byte[] apart = new byte[plain.length];
        int half = (plain.length + 1) / 2;
        for (int i = 0; i < plain.length; i++) {
            apart[(i & 1) == 0 ? i / 2 : half + i / 2] = plain[i];
        }
        for (int i = apart.length - 1; i > 0; i--) {
            apart[i] = (byte) (apart[i] - apart[i - 1] + 128);
        }
        try (Deflater deflater = new Deflater(4)) {
            deflater.setInput(apart);
            deflater.finish();
            ByteArrayOutputStream packed = new ByteArrayOutputStream(plain.length / 2);
            byte[] buffer = new byte[1 << 15];
            while (!deflater.finished()) {
                packed.write(buffer, 0, deflater.deflate(buffer));
            }
            return packed.size() < plain.length ? packed.toByteArray() : plain;
        }
    }
}
