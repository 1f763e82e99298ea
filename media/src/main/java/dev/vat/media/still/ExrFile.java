package dev.vat.media.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.time.Rational;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;

/**
 * OpenEXR 2: headers, the table of chunk offsets, and the chunks themselves. The decoder gives back a partial picture for
 * a cut file without a word, so that wholeness is proven here alone: every chunk must lie inside the file, and every
 * chunk packed with ZIP must unpack to its full length.
 */
final class ExrFile {

    private static final int MAGIC = 20000630;
    private static final int TILED = 0x200;
    private static final int MULTI_PART = 0x1000;
    private static final int ZIPS = 2;
    private static final int ZIP = 3;
    private static final int MAX_CHUNKS = 1 << 22;

    private record Channel(String name, int type, int xSampling, int ySampling) {
        int bytes() {
            return type == 1 ? 2 : 4;
        }
    }

    private record Part(Map<String, byte[]> attributes, List<Channel> channels, int[] dataWindow, int[] displayWindow) {
        int compression() {
            return attributes.get("compression")[0];
        }

        int width() {
            return dataWindow[2] - dataWindow[0] + 1;
        }

        int height() {
            return dataWindow[3] - dataWindow[1] + 1;
        }

        int linesPerChunk() {
            return switch (compression()) {
                case 0, 1, ZIPS -> 1;
                case ZIP, 5 -> 16;
                case 4, 6, 7, 8 -> 32;
                case 9 -> 256;
                default -> 1;
            };
        }
    }

    private ExrFile() { }

    static Inspection inspect(byte[] data) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        PictureFormat format = null;
        try {
            if (buffer.getInt() != MAGIC) {
                return Inspection.unreadable(FileKind.EXR, "its first bytes aren't an EXR file's");
            }
            int version = buffer.getInt();
            boolean tiled = (version & TILED) != 0;
            boolean multiPart = (version & MULTI_PART) != 0;
            List<Part> parts = parts(buffer, multiPart);
            format = format(parts);
            String damage = chunks(buffer, parts, tiled, multiPart);
            return damage == null ? Inspection.whole(FileKind.EXR, format, data)
                    : Inspection.cut(FileKind.EXR, damage, format);
        } catch (BufferUnderflowException _) {
            return Inspection.cut(FileKind.EXR, "it ends inside its header", format);
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            return Inspection.unreadable(FileKind.EXR, "its header is damaged: " + e.getMessage());
        }
    }

    private static List<Part> parts(ByteBuffer buffer, boolean multiPart) {
        List<Part> parts = new ArrayList<>();
        do {
            Map<String, byte[]> attributes = new LinkedHashMap<>();
            for (String name = text(buffer); !name.isEmpty(); name = text(buffer)) {
                text(buffer);
                int length = buffer.getInt();
                if (length < 0) {
                    throw new IllegalArgumentException("attribute " + name + " has a length below zero");
                }
                if (length > buffer.remaining()) {
                    throw new BufferUnderflowException();
                }
                byte[] value = new byte[length];
                buffer.get(value);
                attributes.put(name, value);
            }
            parts.add(part(attributes));
        } while (multiPart && buffer.get(buffer.position()) != 0);
        if (multiPart) {
            buffer.get();
        }
        return parts;
    }

    private static Part part(Map<String, byte[]> attributes) {
        for (String needed : List.of("channels", "compression", "dataWindow", "displayWindow")) {
            if (!attributes.containsKey(needed)) {
                throw new IllegalArgumentException("the attribute " + needed + " is missing");
            }
        }
        List<Channel> channels = new ArrayList<>();
        ByteBuffer list = little(attributes.get("channels"));
        for (String name = text(list); !name.isEmpty(); name = text(list)) {
            int type = list.getInt();
            list.getInt();
            channels.add(new Channel(name, type, list.getInt(), list.getInt()));
        }
        return new Part(attributes, channels, window(attributes.get("dataWindow")),
                window(attributes.get("displayWindow")));
    }

    private static int[] window(byte[] value) {
        ByteBuffer box = little(value);
        int[] window = {box.getInt(), box.getInt(), box.getInt(), box.getInt()};
        if (window[2] < window[0] || window[3] < window[1] || (long) window[2] - window[0] >= Size.MAX
                || (long) window[3] - window[1] >= Size.MAX) {
            throw new IllegalArgumentException("it states an impossible size");
        }
        return window;
    }

    private static PictureFormat format(List<Part> parts) {
        Part first = parts.getFirst();
        List<String> names = first.channels.stream().map(Channel::name).toList();
        boolean main = names.containsAll(List.of("R", "G", "B")) || names.contains("Y");
        Set<String> layers = new LinkedHashSet<>();
        for (Part part : parts) {
            for (Channel channel : part.channels) {
                int dot = channel.name.lastIndexOf('.');
                layers.add(dot < 0 ? channel.name : channel.name.substring(0, dot));
            }
        }
        int bits = first.channels.stream().mapToInt(c -> c.bytes() * 8).max().orElse(16);
        int[] shown = first.displayWindow;
        return new PictureFormat("EXR", Size.of(shown[2] - shown[0] + 1, shown[3] - shown[1] + 1), Depth.floating(bits),
                names.contains("A") && main ? AlphaKind.PREMULTIPLIED : AlphaKind.NONE, pixelAspect(first), true,
                main ? List.of() : List.copyOf(layers));
    }

    private static PixelAspect pixelAspect(Part part) {
        byte[] value = part.attributes.get("pixelAspectRatio");
        float stated = value == null ? 1 : little(value).getFloat();
        if (!(stated > 0.01f && stated < 100f)) {
            return PixelAspect.SQUARE;
        }
        // The field holds a rounded decimal; the standard fractions are meant.
        for (PixelAspect standard : List.of(PixelAspect.SQUARE, PixelAspect.of(10, 11), PixelAspect.of(8, 9),
                PixelAspect.of(40, 33), PixelAspect.of(32, 27), PixelAspect.of(12, 11), PixelAspect.of(16, 15),
                PixelAspect.of(16, 11), PixelAspect.of(64, 45), PixelAspect.of(4, 3), PixelAspect.of(2, 1))) {
            if (Math.abs(standard.ratio().toDouble() - stated) < 0.002) {
                return standard;
            }
        }
        return new PixelAspect(Rational.of(Math.round(stated * 1000), 1000));
    }

    /** What is wrong with the chunks, in words, or null. The buffer stands at the offset tables. */
    private static String chunks(ByteBuffer buffer, List<Part> parts, boolean tiled, boolean multiPart) {
        List<long[]> tables = new ArrayList<>();
        for (Part part : parts) {
            int count = chunkCount(part, tiled);
            if (count < 0) {
                // Mip-mapped tiles in one part don't state their number; the table runs up to the first chunk.
                count = countToFirstChunk(buffer);
            }
            if (count < 1 || count > MAX_CHUNKS) {
                throw new IllegalArgumentException("it states " + count + " chunks");
            }
            long[] offsets = new long[count];
            for (int i = 0; i < count; i++) {
                offsets[i] = buffer.getLong();
            }
            tables.add(offsets);
        }
        int firstChunk = buffer.position();
        for (int p = 0; p < parts.size(); p++) {
            Part part = parts.get(p);
            boolean packed = !tiled && (part.compression() == ZIP || part.compression() == ZIPS);
            long[] offsets = tables.get(p);
            int head = (multiPart ? 4 : 0) + (tiled ? 16 : 4);
            for (int i = 0; i < offsets.length; i++) {
                long offset = offsets[i];
                if (offset < firstChunk) {
                    return "chunk " + (i + 1) + " of " + offsets.length + " was not written";
                }
                if (offset + head + 4 > buffer.limit()) {
                    return "chunk " + (i + 1) + " of " + offsets.length + " lies beyond the file's end";
                }
                int size = buffer.getInt((int) offset + head);
                if (size <= 0 || offset + head + 4 + size > buffer.limit()) {
                    return "chunk " + (i + 1) + " of " + offsets.length + " is cut";
                }
                int line = buffer.getInt((int) offset + (multiPart ? 4 : 0));
                if (!tiled && line != part.dataWindow[1] + i * part.linesPerChunk()
                        && line != lineFromBelow(part, i, offsets.length)) {
                    return "chunk " + (i + 1) + " of " + offsets.length + " doesn't hold its lines";
                }
                if (packed && !unpacks(buffer, (int) offset + head + 4, size, part, line)) {
                    return "chunk " + (i + 1) + " of " + offsets.length + " can't be unpacked";
                }
            }
        }
        return null;
    }

    private static int lineFromBelow(Part part, int index, int count) {
        return part.dataWindow[1] + (count - 1 - index) * part.linesPerChunk();
    }

    private static int chunkCount(Part part, boolean tiled) {
        byte[] stated = part.attributes.get("chunkCount");
        if (stated != null) {
            return little(stated).getInt();
        }
        if (!tiled) {
            return Math.ceilDiv(part.height(), part.linesPerChunk());
        }
        byte[] tiles = part.attributes.get("tiles");
        if (tiles == null) {
            throw new IllegalArgumentException("it is tiled but states no tile size");
        }
        ByteBuffer description = little(tiles);
        int width = description.getInt();
        int height = description.getInt();
        if (width < 1 || height < 1) {
            throw new IllegalArgumentException("it states an impossible tile size");
        }
        return (description.get() & 15) == 0
                ? Math.multiplyExact(Math.ceilDiv(part.width(), width), Math.ceilDiv(part.height(), height)) : -1;
    }

    private static int countToFirstChunk(ByteBuffer buffer) {
        int start = buffer.position();
        long first = buffer.getLong(start);
        return (int) ((first - start) / 8);
    }

    private static boolean unpacks(ByteBuffer buffer, int at, int size, Part part, int line) {
        long expected = 0;
        int last = Math.min(part.dataWindow[3], line + part.linesPerChunk() - 1);
        for (Channel channel : part.channels) {
            long columns = Math.ceilDiv(part.width(), Math.max(1, channel.xSampling));
            long lines = Math.ceilDiv(last - line + 1, Math.max(1, channel.ySampling));
            expected += columns * lines * channel.bytes();
        }
        if (size >= expected) {
            return size == expected;
        }
        try (Inflater inflater = new Inflater()) {
            inflater.setInput(buffer.array(), at, size);
            byte[] sink = new byte[1 << 15];
            while (!inflater.finished()) {
                if (inflater.inflate(sink) == 0 && (inflater.needsInput() || inflater.needsDictionary())) {
                    return false;
                }
            }
            return inflater.getBytesWritten() == expected;
        } catch (DataFormatException _) {
            return false;
        }
    }

    private static ByteBuffer little(byte[] value) {
        return ByteBuffer.wrap(value).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static String text(ByteBuffer buffer) {
        StringBuilder text = new StringBuilder();
        for (int c = buffer.get(); c != 0; c = buffer.get()) {
            text.append((char) (c & 0xff));
            if (text.length() > 255) {
                throw new IllegalArgumentException("a name has no end");
            }
        }
        return new String(text.toString().getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.UTF_8);
    }
}
