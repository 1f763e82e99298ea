package dev.vat.core.container;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the samples of a track are, by the sample description of ISO/IEC 14496-12, 8.5.2, and of QuickTime. */
public sealed interface SampleEntry {

    /** Four letters that name the coding. */
    String format();

    /** The boxes that stand in it, by their types; the first of each. */
    Map<String, byte[]> boxes();

    default Optional<Cursor> box(String type) {
        return Optional.ofNullable(boxes().get(type)).map(Cursor::of);
    }

    /**
     * Pictures.
     *
     * @param width stored pixels
     * @param compressor the name of who coded them, as QuickTime has it; empty for none
     * @param depth bits of a pixel with everything: 24 for colour, 32 for colour with alpha
     */
    record Pictures(String format, int width, int height, String compressor, int depth, Map<String, byte[]> boxes)
            implements SampleEntry {}

    /** @param bits of a sample, as the description says; without meaning for packed sound @param rate samples a second */
    record Sound(String format, int channels, int bits, double rate, Map<String, byte[]> boxes) implements SampleEntry {}

    /**
     * Labels of frames, after QuickTime.
     *
     * @param flags 1 drop frame, 2 ends after 24 hours, 4 may be below 0, 8 a counter
     * @param timescale ticks a second
     * @param frameDuration ticks of a frame
     * @param frames labels a second
     */
    record Labels(String format, int flags, long timescale, long frameDuration, int frames, Map<String, byte[]> boxes)
            implements SampleEntry {

        public boolean isDropFrame() {
            return (flags & 1) != 0;
        }
    }

    record Other(String format, Map<String, byte[]> boxes) implements SampleEntry {}

    /** @param handler what the track is: {@code vide}, {@code pict}, {@code soun}, {@code tmcd} */
    static SampleEntry of(IsoBox entry, String handler) throws Malformed {
        Cursor c = entry.cursor();
        return switch (handler) {
            case "vide", IsoTrack.IMAGES -> {
                c.seek(24);
                int width = c.u16();
                int height = c.u16();
                c.seek(42);
                int letters = Math.min(31, c.u8());
                String name = c.text(letters);
                c.seek(74);
                int depth = c.u16();
                yield new Pictures(entry.type(), width, height, name, depth, inside(entry, 78));
            }
            case "soun" -> sound(entry);
            case "tmcd" -> {
                c.seek(12);
                int flags = c.s32();
                long timescale = c.u32();
                long duration = c.u32();
                yield new Labels(entry.type(), flags, timescale, duration, c.u8(), Map.of());
            }
            default -> new Other(entry.type(), Map.of());
        };
    }

    private static SampleEntry sound(IsoBox entry) throws Malformed {
        Cursor c = entry.cursor();
        int version = c.seek(8).u16();
        int channels = c.seek(16).u16();
        int bits = c.u16();
        double rate = c.seek(24).u32() / 65536.0;
        int inside = switch (version) {
            case 1 -> 44;
            case 2 -> {
                rate = Double.longBitsToDouble(c.seek(32).s64());
                channels = c.s32();
                bits = c.skip(4).s32();
                yield 64;
            }
            default -> 28;
        };
        return new Sound(entry.type(), channels, bits, rate, inside(entry, inside));
    }

    private static Map<String, byte[]> inside(IsoBox entry, int from) throws Malformed {
        Map<String, byte[]> boxes = new LinkedHashMap<>();
        List<IsoBox> all = entry.content().length <= from ? List.of() : entry.children(from);
        for (IsoBox box : all) {
            boxes.putIfAbsent(box.type(), box.content());
            // What QuickTime keeps of a sound coding stands one level deeper.
            if (box.type().equals("wave")) {
                for (IsoBox inner : box.children()) {
                    boxes.putIfAbsent(inner.type(), inner.content());
                }
            }
        }
        return boxes;
    }
}
