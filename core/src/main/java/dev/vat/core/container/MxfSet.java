package dev.vat.core.container;

import dev.vat.core.time.Rational;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;

/**
 * A local set of MXF metadata, SMPTE ST 377-1, 9.
 *
 * @param kind the fifteenth byte of its key, such as {@link #MATERIAL_PACKAGE}
 */
public record MxfSet(int kind, List<Property> properties) {

    public static final int MATERIAL_PACKAGE = 0x36;
    public static final int FILE_PACKAGE = 0x37;
    public static final int TIMECODE = 0x14;
    public static final int CDCI_PICTURES = 0x28;
    public static final int RGBA_PICTURES = 0x29;
    public static final int MPEG_PICTURES = 0x51;
    public static final int SOUND = 0x42;
    public static final int WAVE_SOUND = 0x48;
    public static final int AES3_SOUND = 0x47;

    /** @param tag of the local tag registry @param at first byte of the value in the file */
    public record Property(int tag, long at, byte[] value) {}

    static MxfSet of(int kind, byte[] value, long at) {
        List<Property> properties = new ArrayList<>();
        Cursor c = Cursor.of(value);
        while (c.left() >= 4) {
            int tag = c.u16();
            int length = Math.min(c.u16(), c.left());
            long place = at + c.at();
            properties.add(new Property(tag, place, c.take(length)));
        }
        return new MxfSet(kind, List.copyOf(properties));
    }

    static String hex(byte[] bytes) {
        return HexFormat.of().formatHex(bytes);
    }

    public Optional<byte[]> value(int tag) {
        return properties.stream().filter(p -> p.tag == tag).findFirst().map(Property::value);
    }

    /** A whole number of as many bytes as it has. */
    public Optional<Long> number(int tag) {
        return value(tag).filter(v -> v.length <= 8).map(v -> Cursor.of(v).unsigned(v.length));
    }

    public Optional<Rational> fraction(int tag) {
        return value(tag).filter(v -> v.length == 8).map(Cursor::of).map(c -> Rational.of(c.s32(), c.s32()));
    }

    /** A label, 16 bytes in hexadecimal. */
    public Optional<String> label(int tag) {
        return value(tag).filter(v -> v.length == 16).map(MxfSet::hex);
    }
}
