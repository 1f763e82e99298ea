package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.picture.Stated;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;

/** DPX (SMPTE ST 268-1): headers of fixed size, then one picture, mostly plain. There is no checksum. */
final class DpxFile {

    private static final Words WORDS = Words.of(DpxFile.class);

    private static final int GENERIC_HEADER = 768 + 640;
    private static final int ORIENTATION = 768;
    private static final int PIXEL_ASPECT = 1628;
    private static final int FILM_RATE = 1724;
    private static final int TIMECODE = 1920;
    private static final int TELEVISION_RATE = 1940;

    private DpxFile() {}

    static Inspection inspect(byte[] data) {
        if (data.length < GENERIC_HEADER) {
            return Inspection.cut(FileKind.DPX, WORDS.say("itEndsInsideItsHeader"), null);
        }
        ByteBuffer buffer = ByteBuffer.wrap(data).order(data[0] == 'S' ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
        long width = buffer.getInt(772) & 0xffffffffL;
        long height = buffer.getInt(776) & 0xffffffffL;
        if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
            return Inspection.unreadable(FileKind.DPX, WORDS.say("itsHeaderStatesNoPicture"));
        }
        DpxLayout layout;
        try {
            layout = DpxLayout.of(data);
        } catch (IllegalArgumentException e) {
            return Inspection.unreadable(FileKind.DPX, e.getMessage());
        }
        PictureFormat format = new PictureFormat("DPX", Size.of((int) width, (int) height), Depth.integer(layout.bits()),
                layout.descriptor().hasAlpha() ? AlphaKind.STRAIGHT : AlphaKind.NONE, pixelAspect(buffer), false, List.of())
                .withStated(stated(buffer, data));
        if (layout.end() > data.length) {
            return Inspection.cut(FileKind.DPX, WORDS.say("theFileEndsAtByteItsPicture", data.length, layout.end()),
                    format);
        }
        return Inspection.whole(FileKind.DPX, format, data).standing(Orientation.ofDpx(buffer.getShort(ORIENTATION)));
    }

    private static PixelAspect pixelAspect(ByteBuffer buffer) {
        long horizontal = buffer.limit() < PIXEL_ASPECT + 8 ? 0 : buffer.getInt(PIXEL_ASPECT) & 0xffffffffL;
        long vertical = horizontal == 0 ? 0 : buffer.getInt(PIXEL_ASPECT + 4) & 0xffffffffL;
        if (horizontal == 0 || vertical == 0 || horizontal > 100_000 || vertical > 100_000) {
            return PixelAspect.SQUARE;
        }
        return PixelAspect.of(horizontal, vertical);
    }

    private static Stated stated(ByteBuffer buffer, byte[] data) {
        Stated colour = switch (data[801] & 0xff) {
            case 1 -> ColourHints.film();
            case 2 -> Stated.ofColour(WORDS.say("linearLight"), null, 8);
            case 3 -> Stated.ofColour("logarithmic", null, null).withForeign(WORDS.say("logarithmicValues"));
            case 5, 6 -> ColourHints.ofCodePoints(1, 1);
            case 7, 8, 9, 10 -> ColourHints.ofCodePoints(6, 6);
            default -> Stated.NOTHING;
        };
        if (data.length < TELEVISION_RATE + 4) {
            return colour;
        }
        double rate = ColourHints.rate(buffer.getFloat(FILM_RATE)).isPresent() ? buffer.getFloat(FILM_RATE)
                : buffer.getFloat(TELEVISION_RATE);
        int timecode = buffer.getInt(TIMECODE);
        return colour.withTime(ColourHints.rate(rate).orElse(null), timecode == 0 ? null : ColourHints.timecode(timecode));
    }
}
