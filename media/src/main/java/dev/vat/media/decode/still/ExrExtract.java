package dev.vat.media.decode.still;

import dev.vat.media.decode.still.ExrHeader.Channel;
import dev.vat.media.decode.still.ExrHeader.Part;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;

/**
 * One picture of an EXR file as a file by itself, in the one form that the decoder reads rightly: a single part whose display window begins
 * at 0, 0 and whose channels are named R, G, B, A or Y; all others get names that the decoder passes over. Chunks stay as they are packed.
 */
final class ExrExtract {

    private static final int MAGIC = 20000630;
    private static final int VERSION = 2;
    private static final int TILED = 0x200;
    /** Attributes that shape the picture, with their types. */
    private static final Map<String, String> KEPT = Map.of("compression", "compression", "lineOrder", "lineOrder", "tiles", "tiledesc",
            "pixelAspectRatio", "float", "screenWindowCenter", "v2f", "screenWindowWidth", "float");

    private final byte[] data;
    private final ExrHeader header;
    private final ExrLayers.Choice choice;
    private final Part part;
    private final ByteArrayOutputStream out;

    private ExrExtract(byte[] data, ExrHeader header, ExrLayers.Choice choice) {
        this.data = data;
        this.header = header;
        this.choice = choice;
        part = header.parts().get(choice.part());
        out = new ByteArrayOutputStream(data.length);
    }

    /** Whether the decoder reads this choice rightly from the file as it is. */
    static boolean isNeeded(ExrHeader header, ExrLayers.Choice choice) {
        Part part = header.parts().get(choice.part());
        return header.multiPart() || part.displayWindow()[0] != 0 || part.displayWindow()[1] != 0 || choice.alone() != null
                || choice.roles().entrySet().stream().anyMatch(e -> !ExrLayers.lastWord(e.getKey().name()).equals(e.getValue()));
    }

    /** @param offsets of the part's chunks, which were found to lie inside the file */
    static byte[] of(byte[] data, ExrHeader header, ExrLayers.Choice choice, long[] offsets) {
        return new ExrExtract(data, header, choice).written(offsets);
    }

    private byte[] written(long[] offsets) {
        boolean tiled = part.isTiled(header);
        number(MAGIC);
        number(VERSION | (tiled ? TILED : 0));
        attribute("channels", "chlist", channels());
        KEPT.forEach((name, type) -> {
            if (part.attributes().containsKey(name)) {
                attribute(name, type, part.attributes().get(name));
            }
        });
        int left = part.displayWindow()[0];
        int top = part.displayWindow()[1];
        attribute("dataWindow", "box2i", window(part.dataWindow(), left, top));
        attribute("displayWindow", "box2i", window(part.displayWindow(), left, top));
        out.write(0);
        ByteBuffer from = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        int skipped = header.multiPart() ? 4 : 0;
        int head = tiled ? 16 : 4;
        long at = out.size() + 8L * offsets.length;
        for (long offset : offsets) {
            number((int) at);
            number((int) (at >>> 32));
            at += head + 4 + from.getInt((int) offset + skipped + head);
        }
        for (long offset : offsets) {
            int start = (int) offset + skipped;
            int length = head + 4 + from.getInt(start + head);
            if (tiled) {
                out.write(data, start, length);
            } else {
                number(from.getInt(start) - top);
                out.write(data, start + 4, length - 4);
            }
        }
        return out.toByteArray();
    }

    private byte[] channels() {
        ByteArrayOutputStream list = new ByteArrayOutputStream();
        List<Channel> all = part.channels();
        for (int i = 0; i < all.size(); i++) {
            Channel channel = all.get(i);
            String name = choice.roles().getOrDefault(channel, "_" + i);
            list.writeBytes(name.getBytes(StandardCharsets.US_ASCII));
            list.write(0);
            list.writeBytes(ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN).putInt(channel.type()).putInt(0)
                    .putInt(channel.xSampling()).putInt(channel.ySampling()).array());
        }
        list.write(0);
        return list.toByteArray();
    }

    private static byte[] window(int[] box, int left, int top) {
        return ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN).putInt(box[0] - left).putInt(box[1] - top).putInt(box[2] - left)
                .putInt(box[3] - top).array();
    }

    private void attribute(String name, String type, byte[] value) {
        for (String text : List.of(name, type)) {
            out.writeBytes(text.getBytes(StandardCharsets.US_ASCII));
            out.write(0);
        }
        number(value.length);
        out.writeBytes(value);
    }

    private void number(int value) {
        out.writeBytes(ByteBuffer.allocate(4).order(ByteOrder.LITTLE_ENDIAN).putInt(value).array());
    }
}
