package dev.vat.media.decode.still;

import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The items of a HEIF file (ISO/IEC 23008-12 over ISO/IEC 14496-12): coded pictures, grids of them, what belongs to whom, and each item's
 * properties in their order.
 */
final class HeifItems {

    private static final Words WORDS = Words.of(HeifItems.class);

    /** A property: its type, and where its content lies, after the type. */
    record Property(String type, int at, int length) {}

    /** Where some of an item's bytes lie in the file. */
    record Extent(long at, long length) {}

    /** A box: its type, where its content begins and where it ends. */
    private record Box(String type, int at, int end) {}

    private static final int MOST_ITEMS = 10_000;
    private static final int FULL_BOX = 4;

    private final ByteBuffer data;
    private int primary = -1;
    private boolean moving;
    private int itemData = -1;
    private final Map<Integer, String> types = new HashMap<>();
    private final Map<Integer, List<Extent>> extents = new HashMap<>();
    private final Map<Integer, List<Property>> properties = new HashMap<>();
    private final Map<String, Map<Integer, List<Integer>>> references = new LinkedHashMap<>();
    private final List<Property> all = new ArrayList<>();

    private HeifItems(byte[] file) {
        data = ByteBuffer.wrap(file);
    }

    /** @throws IndexOutOfBoundsException and others of the kind where lengths lead out of the file */
    static HeifItems of(byte[] file) {
        HeifItems items = new HeifItems(file);
        for (Box box : items.boxes(0, file.length)) {
            if (box.type.equals("meta")) {
                items.meta(box);
            }
            items.moving |= box.type.equals("moov");
        }
        return items;
    }

    /** The boxes of a range; one that goes beyond it ends with it. */
    private List<Box> boxes(int from, int to) {
        List<Box> boxes = new ArrayList<>();
        int at = from;
        while (at + 8 <= to) {
            long size = data.getInt(at) & 0xffffffffL;
            int header = 8;
            if (size == 1 && at + 16 <= to) {
                size = data.getLong(at + 8);
                header = 16;
            }
            long end = size == 0 ? to : at + size;
            if (end < at + header) {
                throw new IllegalArgumentException(WORDS.say("aBoxOfBytes", size));
            }
            boxes.add(new Box(text(at + 4), at + header, (int) Math.min(end, to)));
            at = (int) Math.min(end, to);
        }
        return boxes;
    }

    private String text(int at) {
        byte[] four = new byte[4];
        data.get(at, four);
        return new String(four, StandardCharsets.ISO_8859_1);
    }

    private int unsigned(int at, int bytes) {
        return bytes == 2 ? data.getShort(at) & 0xffff : Math.toIntExact(data.getInt(at) & 0xffffffffL);
    }

    private void meta(Box meta) {
        for (Box box : boxes(meta.at + FULL_BOX, meta.end)) {
            switch (box.type) {
                case "pitm" -> primary = unsigned(box.at + FULL_BOX, data.get(box.at) == 0 ? 2 : 4);
                case "idat" -> itemData = box.at;
                case "iinf" -> kinds(box);
                case "iref" -> links(box);
                case "iloc" -> places(box);
                case "iprp" -> {
                    List<Box> inside = boxes(box.at, box.end);
                    inside.stream().filter(b -> b.type.equals("ipco")).flatMap(b -> boxes(b.at, b.end).stream())
                            .forEach(b -> all.add(new Property(b.type, b.at, b.end - b.at)));
                    inside.stream().filter(b -> b.type.equals("ipma")).forEach(this::owners);
                }
                default -> {}
            }
        }
    }

    private void kinds(Box box) {
        int start = box.at + FULL_BOX + (data.get(box.at) == 0 ? 2 : 4);
        for (Box entry : boxes(start, box.end)) {
            int version = data.get(entry.at);
            if (version >= 2) {
                int bytes = version == 2 ? 2 : 4;
                types.put(unsigned(entry.at + FULL_BOX, bytes), text(entry.at + FULL_BOX + bytes + 2));
            }
        }
    }

    private void links(Box box) {
        int bytes = data.get(box.at) == 0 ? 2 : 4;
        for (Box link : boxes(box.at + FULL_BOX, box.end)) {
            int count = data.getShort(link.at + bytes) & 0xffff;
            List<Integer> to = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                to.add(unsigned(link.at + bytes + 2 + i * bytes, bytes));
            }
            references.computeIfAbsent(link.type, _ -> new LinkedHashMap<>()).put(unsigned(link.at, bytes), to);
        }
    }

    /** A number of 0, 4 or 8 bytes. */
    private long sized(int at, int bytes) {
        return bytes == 0 ? 0 : bytes == 8 ? data.getLong(at) : data.getInt(at) & 0xffffffffL;
    }

    private void places(Box box) {
        int version = data.get(box.at);
        int sizes = data.getShort(box.at + FULL_BOX) & 0xffff;
        int offsetSize = sizes >> 12;
        int lengthSize = sizes >> 8 & 15;
        int baseSize = sizes >> 4 & 15;
        int indexSize = version == 0 ? 0 : sizes & 15;
        int idBytes = version < 2 ? 2 : 4;
        int at = box.at + FULL_BOX + 2;
        int count = Math.min(unsigned(at, idBytes), MOST_ITEMS);
        at += idBytes;
        for (int i = 0; i < count; i++) {
            int id = unsigned(at, idBytes);
            at += idBytes;
            int method = version == 0 ? 0 : data.getShort(at) & 15;
            at += (version == 0 ? 0 : 2) + 2;
            long base = sized(at, baseSize) + (method == 1 ? itemData : 0);
            at += baseSize;
            int parts = data.getShort(at) & 0xffff;
            at += 2;
            List<Extent> found = new ArrayList<>();
            for (int k = 0; k < parts; k++) {
                found.add(new Extent(base + sized(at + indexSize, offsetSize), sized(at + indexSize + offsetSize, lengthSize)));
                at += indexSize + offsetSize + lengthSize;
            }
            if (method > 1) {
                throw new IllegalArgumentException(WORDS.say("anItemMadeOfOtherItemsBytes"));
            }
            extents.put(id, found);
        }
    }

    private void owners(Box box) {
        int idBytes = data.get(box.at) == 0 ? 2 : 4;
        boolean wide = (data.get(box.at + 3) & 1) != 0;
        int count = Math.min(data.getInt(box.at + FULL_BOX), MOST_ITEMS);
        int at = box.at + FULL_BOX + 4;
        for (int i = 0; i < count; i++) {
            int id = unsigned(at, idBytes);
            int links = data.get(at + idBytes) & 0xff;
            at += idBytes + 1;
            List<Property> own = properties.computeIfAbsent(id, _ -> new ArrayList<>());
            for (int k = 0; k < links; k++) {
                int index = wide ? data.getShort(at) & 0x7fff : data.get(at) & 0x7f;
                at += wide ? 2 : 1;
                if (index > 0) {
                    own.add(all.get(index - 1));
                }
            }
        }
    }

    ByteBuffer data() {
        return data;
    }

    /** Whether a movie is in the file too. */
    boolean isMoving() {
        return moving;
    }

    /** The item that stands for the file, or -1. */
    int primary() {
        return primary;
    }

    /** {@code av01}, {@code hvc1}, {@code grid}...; empty for what isn't there. */
    String type(int item) {
        return types.getOrDefault(item, "");
    }

    List<Extent> extents(int item) {
        return extents.getOrDefault(item, List.of());
    }

    /** An item's properties of a type, in their order. */
    List<Property> properties(int item) {
        return properties.getOrDefault(item, List.of());
    }

    Optional<Property> property(int item, String type) {
        return properties(item).stream().filter(p -> p.type.equals(type)).findFirst();
    }

    /** The items that an item is made of. */
    List<Integer> tiles(int item) {
        return references.getOrDefault("dimg", Map.of()).getOrDefault(item, List.of());
    }

    /** Whether an item says of another that its colours are multiplied by it. */
    boolean isPremultiplied(int item) {
        return references.getOrDefault("prem", Map.of()).containsKey(item);
    }

    /** The item that holds another's alpha. */
    Optional<Integer> alphaOf(int item) {
        return references.getOrDefault("auxl", Map.of()).entrySet().stream().filter(e -> e.getValue().contains(item)).map(Map.Entry::getKey)
                .filter(this::isAlpha).findFirst();
    }

    private boolean isAlpha(int item) {
        return property(item, "auxC").map(p -> {
            byte[] name = new byte[Math.max(0, p.length - FULL_BOX)];
            data.get(p.at + FULL_BOX, name);
            String urn = new String(name, StandardCharsets.US_ASCII);
            return urn.startsWith("urn:mpeg:mpegB:cicp:systems:auxiliary:alpha") || urn.startsWith("urn:mpeg:hevc:2015:auxid:1");
        }).orElse(false);
    }

    /** An item's bytes, one extent after the other. */
    byte[] bytes(int item) {
        List<Extent> parts = extents(item);
        byte[] bytes = new byte[Math.toIntExact(parts.stream().mapToLong(Extent::length).sum())];
        int at = 0;
        for (Extent part : parts) {
            data.get(Math.toIntExact(part.at), bytes, at, (int) part.length);
            at += (int) part.length;
        }
        return bytes;
    }
}
