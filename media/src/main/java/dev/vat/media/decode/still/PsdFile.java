package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import java.nio.ByteBuffer;
import java.util.List;

/** PSD: the flattened picture that stands behind the layers, plain or in runs. */
final class PsdFile {

    private static final int HEADER = 26;
    private static final int GREY = 1;
    private static final int RGB = 3;

    private PsdFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < HEADER + 12) {
            return Inspection.cut(FileKind.PSD, "it ends inside its header", null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data);
        int channels = buffer.getShort(12);
        int height = buffer.getInt(14);
        int width = buffer.getInt(18);
        int bits = buffer.getShort(22);
        int mode = buffer.getShort(24);
        if (buffer.getShort(4) != 1 || mode != RGB && mode != GREY || bits != 8 && bits != 16) {
            return Inspection.unreadable(FileKind.PSD, "it is of version " + buffer.getShort(4) + ", colour mode " + mode + ", " + bits
                    + " bits, which Vat doesn't read: save it in RGB or grey with 8 or 16 bits");
        }
        int colours = mode == RGB ? 3 : 1;
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX || channels < colours) {
            return Inspection.unreadable(FileKind.PSD, "its header states an impossible picture");
        }
        if (channels > colours + 1) {
            return Inspection.unreadable(FileKind.PSD, "it holds " + (channels - colours)
                    + " channels beside its colours, which Vat doesn't read: save it with one at most");
        }
        PictureFormat format = new PictureFormat("PSD", Size.of(width, height), Depth.integer(bits),
                channels > colours ? AlphaKind.STRAIGHT : AlphaKind.NONE, PixelAspect.SQUARE, false, List.of());
        long at = HEADER;
        for (int section = 0; section < 3; section++) {
            if (at + 4 > data.length) {
                return Inspection.cut(FileKind.PSD, "the file ends at byte " + data.length + ", before its picture begins", format);
            }
            at += 4 + (buffer.getInt((int) at) & 0xffff_ffffL);
        }
        if (at + 2 > data.length) {
            return Inspection.cut(FileKind.PSD, "the file ends at byte " + data.length + ", before its picture begins", format);
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
            return Inspection.unreadable(FileKind.PSD, "its picture is packed in the way " + packing + ", which Vat doesn't read");
        }
        return end > data.length
                ? Inspection.cut(FileKind.PSD, "the file ends at byte " + data.length + ", its picture reaches to " + end, format)
                : Inspection.whole(FileKind.PSD, format, data);
    }
}
