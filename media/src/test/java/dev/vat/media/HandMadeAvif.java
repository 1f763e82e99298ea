package dev.vat.media;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** AVIF files (ISO/IEC 23008-12) put together by hand around pictures that were coded as AV1. */
public final class HandMadeAvif {

    private record Item(String type, byte[] data, byte[]... properties) {}

    private HandMadeAvif() {}

    private static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            all.writeBytes(part);
        }
        return all.toByteArray();
    }

    static byte[] box(String type, byte[]... content) {
        byte[] inside = joined(content);
        return ByteBuffer.allocate(8 + inside.length).putInt(8 + inside.length).put(type.getBytes(StandardCharsets.US_ASCII)).put(inside)
                .array();
    }

    private static byte[] bytes(int... values) {
        byte[] bytes = new byte[values.length];
        for (int i = 0; i < bytes.length; i++) {
            bytes[i] = (byte) values[i];
        }
        return bytes;
    }

    private static byte[] ints(int... values) {
        ByteBuffer buffer = ByteBuffer.allocate(4 * values.length);
        for (int value : values) {
            buffer.putInt(value);
        }
        return buffer.array();
    }

    private static byte[] size(int width, int height) {
        return box("ispe", ints(0, width, height));
    }

    private static byte[] depth(int bits) {
        return box("pixi", ints(0), bytes(3, bits, bits, bits));
    }

    private static byte[] configuration(int bits) {
        return box("av1C", bytes(0x81, 0x20, bits > 8 ? 0x40 : 0, 0));
    }

    /** @param others properties beside size, depth and configuration: {@link #turned}, {@link #mirrored} */
    public static byte[] single(byte[] coded, int width, int height, int bits, byte[]... others) {
        List<byte[]> properties = new ArrayList<>(List.of(size(width, height), depth(bits), configuration(bits)));
        properties.addAll(List.of(others));
        return file(List.of(new Item("av01", coded, properties.toArray(byte[][]::new))), new byte[0]);
    }

    /** A second picture is the alpha of the first. */
    static byte[] withAlpha(byte[] coded, byte[] alpha, int width, int height) {
        byte[] role = box("auxC", ints(0), "urn:mpeg:mpegB:cicp:systems:auxiliary:alpha\0".getBytes(StandardCharsets.US_ASCII));
        return file(List.of(new Item("av01", coded, size(width, height), depth(8), configuration(8)),
                new Item("av01", alpha, size(width, height), configuration(8), role)), box("auxl", shorts(2, 1, 1)));
    }

    /** One coded picture as every tile of a grid, whose last ones are cut. */
    public static byte[] grid(byte[] coded, int tileWidth, int tileHeight, int columns, int rows, int width, int height) {
        byte[] layout = joined(bytes(0, 0, rows - 1, columns - 1), shorts(width, height));
        int[] link = new int[2 + columns * rows];
        link[0] = 1;
        link[1] = columns * rows;
        for (int i = 0; i < columns * rows; i++) {
            link[2 + i] = 2;
        }
        return file(List.of(new Item("grid", layout, size(width, height), depth(8)),
                new Item("av01", coded, size(tileWidth, tileHeight), configuration(8))), box("dimg", shorts(link)));
    }

    /** Against the clock, by quarters. */
    public static byte[] turned(int quarters) {
        return box("irot", bytes(quarters));
    }

    /** @param how 0 swaps top and bottom, 1 left and right */
    public static byte[] mirrored(int how) {
        return box("imir", bytes(how));
    }

    private static byte[] shorts(int... values) {
        ByteBuffer buffer = ByteBuffer.allocate(2 * values.length);
        for (int value : values) {
            buffer.putShort((short) value);
        }
        return buffer.array();
    }

    private static byte[] file(List<Item> items, byte[] links) {
        byte[] type = box("ftyp", "avif".getBytes(StandardCharsets.US_ASCII), ints(0), "avifmif1".getBytes(StandardCharsets.US_ASCII));
        int meta = meta(items, links, 0).length;
        byte[][] data = items.stream().map(Item::data).toArray(byte[][]::new);
        return joined(type, meta(items, links, type.length + meta + 8), box("mdat", data));
    }

    private static byte[] meta(List<Item> items, byte[] links, int start) {
        ByteArrayOutputStream kinds = new ByteArrayOutputStream();
        ByteArrayOutputStream places = new ByteArrayOutputStream();
        ByteArrayOutputStream properties = new ByteArrayOutputStream();
        ByteArrayOutputStream owners = new ByteArrayOutputStream();
        int at = start;
        int property = 1;
        for (int i = 0; i < items.size(); i++) {
            Item item = items.get(i);
            kinds.writeBytes(box("infe", ints(2 << 24), shorts(i + 1, 0), item.type.getBytes(StandardCharsets.US_ASCII), bytes(0)));
            places.writeBytes(joined(shorts(i + 1, 0, 1), ints(at, item.data.length)));
            at += item.data.length;
            owners.writeBytes(joined(shorts(i + 1), bytes(item.properties.length)));
            for (byte[] own : item.properties) {
                properties.writeBytes(own);
                owners.write(property++);
            }
        }
        int count = items.size();
        return box("meta", ints(0), box("hdlr", ints(0, 0), "pict".getBytes(StandardCharsets.US_ASCII), ints(0, 0, 0), bytes(0)),
                box("pitm", ints(0), shorts(1)), box("iloc", ints(0), bytes(0x44, 0), shorts(count), places.toByteArray()),
                box("iinf", ints(0), shorts(count), kinds.toByteArray()), links.length == 0 ? links : box("iref", ints(0), links),
                box("iprp", box("ipco", properties.toByteArray()), box("ipma", ints(0, count), owners.toByteArray())));
    }
}
