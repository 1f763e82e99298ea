package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import dev.vat.media.decode.still.ExrHeader.Channel;
import dev.vat.media.decode.still.ExrHeader.Part;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * OpenEXR 2: headers, the table of chunk offsets, and the chunks themselves. The decoder gives back a partial picture for a cut file
 * without a word, so that wholeness is proven here alone: every chunk must lie inside the file, and every chunk packed with ZIP must
 * unpack to its full length.
 */
final class ExrFile {

    private static final Words WORDS = Words.of(ExrFile.class);

    private static final int MAX_CHUNKS = 1 << 22;
    /** Packed chunks have no such run of zeros at a file's end; room that was reserved and never written has. */
    private static final int UNWRITTEN = 64;

    private ExrFile() {}

    /** @param layer the picture that is wanted; null for the unnamed one, or the first if there is none */
    static Inspection inspect(byte[] data, String layer) {
        ByteBuffer buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
        PictureFormat format = null;
        try {
            ExrHeader header = ExrHeader.read(buffer);
            ExrLayers layers = new ExrLayers(header);
            Optional<ExrLayers.Choice> choice = layers.choose(layer);
            if (choice.isEmpty()) {
                return Inspection.unreadable(FileKind.EXR, layer == null ? WORDS.say("itHasNoChannels")
                        : WORDS.say("itHasNoLayerOrChannelThere", layer, named(layers.labels())));
            }
            format = format(header, layers, choice.get());
            ExrLayers.Choice chosen = choice.get();
            if (header.parts().get(chosen.part()).isDeep()) {
                return Inspection.unreadable(FileKind.EXR, WORDS.say("deepEXRWhichVatDoesntRead"));
            }
            if (chosen.isLuminanceAndChroma()) {
                return Inspection.unreadable(FileKind.EXR,
                        WORDS.say("exrInLuminanceAndChroma"));
            }
            List<long[]> tables = tables(buffer, header);
            String damage = chunks(buffer, header, tables);
            if (damage != null) {
                return Inspection.cut(FileKind.EXR, damage, format);
            }
            return ExrExtract.isNeeded(header, chosen)
                    ? Inspection.whole(FileKind.EXR, format, ExrExtract.of(data, header, chosen, tables.get(chosen.part())))
                    : Inspection.whole(FileKind.EXR, format, data).withLayer(chosen.prefix());
        } catch (BufferUnderflowException _) {
            return Inspection.cut(FileKind.EXR, WORDS.say("itEndsInsideItsHeader"), format);
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            return Inspection.unreadable(FileKind.EXR, WORDS.say("itsHeaderIsDamaged", e.getMessage()));
        }
    }

    private static String named(List<String> labels) {
        return String.join(", ", labels.stream().map(l -> l.isEmpty() ? WORDS.say("theUnnamedOne") : l).toList());
    }

    private static PictureFormat format(ExrHeader header, ExrLayers layers, ExrLayers.Choice choice) {
        Part part = header.parts().get(choice.part());
        return new PictureFormat("EXR", part.size(), Depth.floating(choice.bits()),
                choice.hasAlpha() ? AlphaKind.PREMULTIPLIED : AlphaKind.NONE, part.pixelAspect(), true, layers.labels(),
                part.stated());
    }

    /** Where the chunks of each part lie. The buffer stands at the offset tables, afterwards behind them. */
    static List<long[]> tables(ByteBuffer buffer, ExrHeader header) {
        List<long[]> tables = new ArrayList<>();
        for (Part part : header.parts()) {
            int count = chunkCount(part, part.isTiled(header));
            if (count < 0) {
                // Mip-mapped tiles in one part don't state their number; the table runs up to the first chunk.
                count = countToFirstChunk(buffer);
            }
            if (count < 1 || count > MAX_CHUNKS) {
                throw new IllegalArgumentException(WORDS.say("itStatesChunks", count));
            }
            long[] offsets = new long[count];
            for (int i = 0; i < count; i++) {
                offsets[i] = buffer.getLong();
            }
            tables.add(offsets);
        }
        return tables;
    }

    /** What is wrong with the chunks, in words, or null. The buffer stands behind the offset tables. */
    private static String chunks(ByteBuffer buffer, ExrHeader header, List<long[]> tables) {
        List<Part> parts = header.parts();
        boolean multiPart = header.multiPart();
        int firstChunk = buffer.position();
        for (int p = 0; p < parts.size(); p++) {
            Part part = parts.get(p);
            if (part.isDeep()) {
                continue;
            }
            boolean tiled = part.isTiled(header);
            boolean packed = !tiled && part.isZipped();
            long[] offsets = tables.get(p);
            int head = (multiPart ? 4 : 0) + (tiled ? 16 : 4);
            for (int i = 0; i < offsets.length; i++) {
                long offset = offsets[i];
                if (offset < firstChunk) {
                    return WORDS.say("chunkOfWasNotWritten", (i + 1), offsets.length);
                }
                if (offset + head + 4 > buffer.limit()) {
                    return WORDS.say("chunkOfLiesBeyondTheFiles", (i + 1), offsets.length);
                }
                int size = buffer.getInt((int) offset + head);
                if (size <= 0 || offset + head + 4 + size > buffer.limit()) {
                    return WORDS.say("chunkOfIsCut", (i + 1), offsets.length);
                }
                int line = buffer.getInt((int) offset + (multiPart ? 4 : 0));
                if (!tiled && line != part.dataWindow()[1] + i * part.linesPerChunk()
                        && line != lineFromBelow(part, i, offsets.length)) {
                    return WORDS.say("chunkOfDoesntHoldItsLines", (i + 1), offsets.length);
                }
                if (packed && !unpacks(buffer, (int) offset + head + 4, size, part, line)) {
                    return WORDS.say("chunkOfCantBeUnpacked", (i + 1), offsets.length);
                }
            }
        }
        boolean plain = parts.stream().anyMatch(p -> p.compression() == 0);
        return !plain && endsInZeros(buffer) ? WORDS.say("theFileEndsInZerosTheRest") : null;
    }

    private static boolean endsInZeros(ByteBuffer buffer) {
        for (int i = Math.max(0, buffer.limit() - UNWRITTEN); i < buffer.limit(); i++) {
            if (buffer.get(i) != 0) {
                return false;
            }
        }
        return true;
    }

    private static int lineFromBelow(Part part, int index, int count) {
        return part.dataWindow()[1] + (count - 1 - index) * part.linesPerChunk();
    }

    private static int chunkCount(Part part, boolean tiled) {
        byte[] stated = part.attributes().get("chunkCount");
        if (stated != null) {
            return ExrHeader.little(stated).getInt();
        }
        if (!tiled) {
            return Math.ceilDiv(part.height(), part.linesPerChunk());
        }
        byte[] tiles = part.attributes().get("tiles");
        if (tiles == null) {
            throw new IllegalArgumentException(WORDS.say("itIsTiledButStatesNoTile"));
        }
        ByteBuffer description = ExrHeader.little(tiles);
        int width = description.getInt();
        int height = description.getInt();
        if (width < 1 || height < 1) {
            throw new IllegalArgumentException(WORDS.say("itStatesAnImpossibleTile"));
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
        int last = Math.min(part.dataWindow()[3], line + part.linesPerChunk() - 1);
        for (Channel channel : part.channels()) {
            long columns = Math.ceilDiv(part.width(), Math.max(1, channel.xSampling()));
            long lines = Math.ceilDiv(last - line + 1, Math.max(1, channel.ySampling()));
            expected += columns * lines * channel.bytes();
        }
        if (size >= expected) {
            return size == expected;
        }
        ZlibStream unpacked = ZlibStream.unpack(buffer.array(), at, size, expected);
        return unpacked.end() == ZlibStream.End.WHOLE && unpacked.bytes() == expected;
    }
}
