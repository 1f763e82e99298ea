package dev.vat.media.decode.still;

import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The headers of an OpenEXR 2 file, one for each part, from the version field up to the offset tables. */
record ExrHeader(boolean tiled, boolean multiPart, List<Part> parts) {

    private static final Words WORDS = Words.of(ExrHeader.class);

    private static final int MAGIC = 20000630;
    private static final int TILED = 0x200;
    private static final int MULTI_PART = 0x1000;
    private static final int ZIPS = 2;
    private static final int ZIP = 3;

    record Channel(String name, int type, int xSampling, int ySampling) {
        int bytes() {
            return type == 1 ? 2 : 4;
        }
    }

    record Part(Map<String, byte[]> attributes, List<Channel> channels, int[] dataWindow, int[] displayWindow) {
        int compression() {
            return attributes.get("compression")[0];
        }

        /** Whether its chunks are tiles. In files of several parts each says so itself, and the version of the file nothing. */
        boolean isTiled(ExrHeader header) {
            return header.multiPart() ? type().equals("tiledimage") : header.tiled();
        }

        /** Whether pixels hold any number of samples, each at a depth of its own. */
        boolean isDeep() {
            return type().startsWith("deep");
        }

        private String type() {
            byte[] type = attributes.get("type");
            return type == null ? "" : new String(type, StandardCharsets.US_ASCII);
        }

        /** Whether chunks are packed in a way that can be unpacked here. */
        boolean isZipped() {
            return compression() == ZIP || compression() == ZIPS;
        }

        int width() {
            return dataWindow[2] - dataWindow[0] + 1;
        }

        int height() {
            return dataWindow[3] - dataWindow[1] + 1;
        }

        int linesPerChunk() {
            return switch (compression()) {
                case ZIP, 5 -> 16;
                case 4, 6, 7, 8 -> 32;
                case 9 -> 256;
                default -> 1;
            };
        }

        /** Of so many pixels across and down, unpacked. */
        long bytes(int wide, int high) {
            return channels.stream().mapToLong(c -> (long) Math.ceilDiv(wide, Math.max(1, c.xSampling()))
                    * Math.ceilDiv(high, Math.max(1, c.ySampling())) * c.bytes()).sum();
        }

        Size size() {
            return Size.of(displayWindow[2] - displayWindow[0] + 1, displayWindow[3] - displayWindow[1] + 1);
        }

        /** The part's own name, empty in files that have only one. */
        String name() {
            byte[] name = attributes.get("name");
            return name == null ? "" : new String(name, StandardCharsets.UTF_8);
        }

        PixelAspect pixelAspect() {
            byte[] value = attributes.get("pixelAspectRatio");
            return value == null || value.length < 4 ? PixelAspect.SQUARE : ColourHints.pixelAspect(little(value).getFloat());
        }

        Stated stated() {
            Stated stated = attributes.containsKey("chromaticities") ? chromaticities() : Stated.NOTHING;
            byte[] rate = attributes.get("framesPerSecond");
            byte[] time = attributes.get("timeCode");
            Rate perSecond = null;
            if (rate != null && rate.length >= 8) {
                long numerator = little(rate).getInt(0);
                long denominator = little(rate).getInt(4) & 0xffffffffL;
                perSecond = numerator > 0 && denominator > 0
                        ? ColourHints.rate((double) numerator / denominator).orElse(null) : null;
            }
            return stated.withTime(perSecond, time == null || time.length < 4 ? null : ColourHints.timecode(little(time).getInt()))
                    .withWindow(window());
        }

        private Stated chromaticities() {
            ByteBuffer values = little(attributes.get("chromaticities"));
            if (values.remaining() < 32) {
                return Stated.ofColour(WORDS.say("linearLight"), null, 8);
            }
            double[] xy = new double[8];
            for (int i = 0; i < 8; i++) {
                xy[i] = values.getFloat(4 * i);
            }
            return new Chromaticities(xy).with(Stated.ofColour(WORDS.say("linearLight"), null, 8));
        }

        private String window() {
            if (java.util.Arrays.equals(dataWindow, displayWindow)) {
                return null;
            }
            return WORDS.say("xStoredAtOf", width(), height(), dataWindow[0] - displayWindow[0], dataWindow[1] - displayWindow[1], size());
        }
    }

    /**
     * @throws BufferUnderflowException if the file ends inside its headers
     * @throws IllegalArgumentException if they make no sense
     */
    static ExrHeader read(ByteBuffer buffer) {
        if (buffer.getInt() != MAGIC) {
            throw new IllegalArgumentException(WORDS.say("itsFirstBytesArentAnEXR"));
        }
        int version = buffer.getInt();
        boolean multiPart = (version & MULTI_PART) != 0;
        return new ExrHeader((version & TILED) != 0, multiPart, parts(buffer, multiPart));
    }

    private static List<Part> parts(ByteBuffer buffer, boolean multiPart) {
        List<Part> parts = new ArrayList<>();
        do {
            Map<String, byte[]> attributes = new LinkedHashMap<>();
            for (String name = text(buffer); !name.isEmpty(); name = text(buffer)) {
                text(buffer);
                int length = buffer.getInt();
                if (length < 0) {
                    throw new IllegalArgumentException(WORDS.say("attributeHasALengthBelow", name));
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
                throw new IllegalArgumentException(WORDS.say("theAttributeIsMissing", needed));
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
            throw new IllegalArgumentException(WORDS.say("itStatesAnImpossibleSize"));
        }
        return window;
    }

    static ByteBuffer little(byte[] value) {
        return ByteBuffer.wrap(value).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static String text(ByteBuffer buffer) {
        StringBuilder text = new StringBuilder();
        for (int c = buffer.get(); c != 0; c = buffer.get()) {
            text.append((char) (c & 0xff));
            if (text.length() > 255) {
                throw new IllegalArgumentException(WORDS.say("aNameHasNoEnd"));
            }
        }
        return new String(text.toString().getBytes(StandardCharsets.ISO_8859_1), StandardCharsets.UTF_8);
    }
}
