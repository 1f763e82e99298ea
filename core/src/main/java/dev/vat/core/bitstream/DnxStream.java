package dev.vat.core.bitstream;

import dev.vat.core.bitstream.StreamFacts.Fields;
import dev.vat.core.container.Cursor;
import java.util.Map;
import java.util.Optional;

/** The head of a frame after SMPTE ST 2019-1, which is 640 bytes long. */
public final class DnxStream {

    private static final int HEAD = 640;
    /** The compression ids of ST 2019-1 that are known here, with what the trade calls them. */
    private static final Map<Integer, String> NAMES = Map.ofEntries(Map.entry(1235, "DNxHD 1080p, 10 bits"),
            Map.entry(1237, "DNxHD 1080p"), Map.entry(1238, "DNxHD 1080p, high rate"), Map.entry(1241, "DNxHD 1080i, 10 bits"),
            Map.entry(1242, "DNxHD 1080i"), Map.entry(1243, "DNxHD 1080i, high rate"), Map.entry(1250, "DNxHD 720p, 10 bits"),
            Map.entry(1251, "DNxHD 720p, high rate"), Map.entry(1252, "DNxHD 720p"), Map.entry(1253, "DNxHD 1080p, low rate"),
            Map.entry(1256, "DNxHD 444"), Map.entry(1270, "DNxHR 444"), Map.entry(1271, "DNxHR HQX"), Map.entry(1272, "DNxHR HQ"),
            Map.entry(1273, "DNxHR SQ"), Map.entry(1274, "DNxHR LB"));

    private DnxStream() {}

    /** @param frame a sample of the track; empty where it is no such frame */
    public static Optional<StreamFacts> of(byte[] frame) {
        if (frame.length < HEAD) {
            return Optional.empty();
        }
        Cursor c = Cursor.of(frame);
        boolean prefixed = c.u16() == 0 && c.u16() >= HEAD;
        int version = c.u8();
        if (!prefixed || version < 1 || version > 3) {
            return Optional.empty();
        }
        int fields = c.u8();
        int height = c.seek(0x18).u16();
        int width = c.u16();
        int bits = switch (c.seek(0x21).u8() >> 5) {
            case 1 -> 8;
            case 2 -> 10;
            case 3 -> 12;
            default -> -1;
        };
        int id = (int) c.seek(0x28).u32();
        boolean full = (c.u8() >> 6 & 1) == 1;
        boolean woven = (fields & 2) != 0;
        return Optional.of(new StreamFacts("SMPTE ST 2019-1", NAMES.getOrDefault(id, Integer.toString(id)), null, width,
                woven ? 2 * height : height, bits, full ? "4:4:4" : "4:2:2", 0, null, null, null,
                woven ? null : Fields.PROGRESSIVE));
    }
}
