package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Optional;

/**
 * JPEG XL (ISO/IEC 18181): a codestream by itself, or boxes around it. Its decoder is the system's. No checksum, but entropy coding ends in
 * a state that is known.
 */
final class JxlFile {

    private static final Words WORDS = Words.of(JxlFile.class);

    private static final String ABSENT = WORDS.say("vatReadsJPEGXLByTheLibrary");

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
                case CUT -> Inspection.cut(FileKind.JXL, WORDS.say("itEndsBeforeItsPictureBegins"), null);
                case DAMAGED -> Inspection.unreadable(FileKind.JXL, WORDS.say("itsHeaderIsDamaged"));
                case WHOLE -> whole(decoding, data);
            };
        }
    }

    private static Inspection whole(JxlDecoding decoding, byte[] data) {
        if (decoding.isMoving()) {
            return Inspection.unreadable(FileKind.JXL, WORDS.say("itIsAnAnimationNotASingle"));
        }
        PictureFormat format = new PictureFormat(FileKind.JXL.title(), decoding.size(), decoding.depth(), decoding.alpha(),
                PixelAspect.SQUARE, decoding.isLight(), List.of()).withStated(decoding.colours());
        return Inspection.whole(FileKind.JXL, format, data).standing(decoding.orientation());
    }
}
