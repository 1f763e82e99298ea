package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.source.FileKind;
import java.util.List;
import java.util.Optional;

/**
 * JPEG XL (ISO/IEC 18181): a codestream by itself, or boxes around it. Its decoder is the system's. No checksum, but entropy coding ends in
 * a state that is known.
 */
final class JxlFile {

    private static final String ABSENT = "Vat reads JPEG XL by the library libjxl, which this system doesn't have: install it "
            + "(Debian and Ubuntu: the package libjxl0.7 or newer; macOS: jpeg-xl), or save the frames as PNG or EXR";

    private JxlFile() {}

    static Inspection inspect(byte[] data) {
        return inspect(data, JxlLibrary.find());
    }

    static Inspection inspect(byte[] data, Optional<JxlLibrary> library) {
        if (library.isEmpty()) {
            return Inspection.unreadable(FileKind.JXL, ABSENT);
        }
        try (JxlDecoding decoding = new JxlDecoding(library.get(), data)) {
            return switch (decoding.header()) {
                case CUT -> Inspection.cut(FileKind.JXL, "it ends before its picture begins", null);
                case DAMAGED -> Inspection.unreadable(FileKind.JXL, "its header is damaged");
                case WHOLE -> whole(decoding, data);
            };
        }
    }

    private static Inspection whole(JxlDecoding decoding, byte[] data) {
        if (decoding.isMoving()) {
            return Inspection.unreadable(FileKind.JXL, "it is an animation, not a single picture");
        }
        PictureFormat format = new PictureFormat(FileKind.JXL.title(), decoding.size(), decoding.depth(), decoding.alpha(),
                PixelAspect.SQUARE, decoding.isLight(), List.of()).withStated(decoding.colours());
        return Inspection.whole(FileKind.JXL, format, data).standing(decoding.orientation());
    }
}
