package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.util.List;

/** PSD: the flattened picture that stands behind the layers, plain or in runs. */
final class PsdFile {

    private static final Words WORDS = Words.of(PsdFile.class);

    private static final int HEADER = 26;
    private static final int GREY = 1;
    static final int RGB = 3;
    /** The resource that tells, for each channel after the colours, its colour in twelve bytes and what it is in one. */
    private static final int CHANNELS = 1077;
    private static final int INK = 2;

    private PsdFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < HEADER + 12) {
            return Inspection.cut(FileKind.PSD, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data);
        int channels = buffer.getShort(12);
        int height = buffer.getInt(14);
        int width = buffer.getInt(18);
        int bits = buffer.getShort(22);
        int mode = buffer.getShort(24);
        if (buffer.getShort(4) != 1 || mode != RGB && mode != GREY || bits != 8 && bits != 16) {
            return Inspection.unreadable(FileKind.PSD, WORDS.say("itIsOfVersionColourMode", buffer.getShort(4), mode, bits));
        }
        int colours = mode == RGB ? 3 : 1;
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || channels < colours) {
            return Inspection.unreadable(FileKind.PSD, WORDS.say("itsHeaderStatesAnImpossible"));
        }
        boolean alpha = hasAlpha(buffer, channels - colours);
        int others = channels - colours - (alpha ? 1 : 0);
        PictureFormat format = new PictureFormat("PSD", Size.of(width, height), Depth.integer(bits),
                alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        long at = HEADER;
        for (int section = 0; section < 3; section++) {
            if (at + 4 > data.length) {
                return Inspection.cut(FileKind.PSD, WORDS.say("theFileEndsAtByteBefore", data.length), format);
            }
            at += 4 + (buffer.getInt((int) at) & 0xffff_ffffL);
        }
        if (at + 2 > data.length) {
            return Inspection.cut(FileKind.PSD, WORDS.say("theFileEndsAtByteBefore", data.length), format);
        }
        int packing = buffer.getShort((int) at);
        long end = at + 2 + (long) width * height * channels * bits / 8;
        if (packing == 1) {
            long rows = (long) height * channels;
            end = at + 2 + 2 * rows;
            for (long i = 0; i < rows && at + 4 + 2 * i <= data.length; i++) {
                end += buffer.getShort((int) (at + 2 + 2 * i)) & 0xffff;
            }
        } else if (packing != 0) {
            return Inspection.unreadable(FileKind.PSD, WORDS.say("itsPictureIsPackedInThe", packing));
        }
        return end > data.length
                ? Inspection.cut(FileKind.PSD, WORDS.say("theFileEndsAtByteItsPicture", data.length, end), format)
                : noted(Inspection.whole(FileKind.PSD, format, data), others, alpha && !isMerged(buffer));
    }

    private static Inspection noted(Inspection whole, int others, boolean saved) {
        return saved ? whole.withNote(WORDS.say("theChannelBesideItsColours"))
                : others == 0 ? whole
                        : whole.withNote(others == 1 ? WORDS.say("aChannelBesideItsColours")
                                : WORDS.say("channelsBesideItsColours", others));
    }

    /**
     * Whether the first channel after the colours is the picture's transparency. A number of layers below zero says so; else a single
     * channel is taken for it, unless it is an ink. Others are saved selections.
     */
    static boolean hasAlpha(ByteBuffer file, int others) {
        return others > 0 && (isMerged(file) || others == 1 && !isInk(file));
    }

    static boolean isMerged(ByteBuffer file) {
        return layers(file) < 0;
    }

    /** How many layers there are, below zero where the first channel after the colours is the transparency of all of them. */
    private static int layers(ByteBuffer file) {
        long at = HEADER;
        for (int section = 0; section < 2; section++) {
            at += 4 + (file.getInt((int) at) & 0xffff_ffffL);
        }
        boolean told = at + 10 <= file.limit() && file.getInt((int) at) >= 6 && file.getInt((int) at + 4) >= 2;
        return told ? file.getShort((int) at + 8) : 0;
    }

    /** Whether the image resources call the first channel after the colours a spot ink. */
    private static boolean isInk(ByteBuffer file) {
        int at = HEADER + 4 + file.getInt(HEADER);
        int end = at + 4 + file.getInt(at);
        at += 4;
        while (at + 12 <= Math.min(end, file.limit())) {
            int id = file.getShort(at + 4) & 0xffff;
            int name = (file.get(at + 6) & 0xff) + 2 & ~1;
            int length = file.getInt(at + 6 + name);
            int data = at + 10 + name;
            if (length < 0 || data + length > file.limit()) {
                return false;
            }
            if (id == CHANNELS && length >= 17) {
                return file.get(data + 16) == INK;
            }
            at = data + (length + 1 & ~1);
        }
        return false;
    }
}
