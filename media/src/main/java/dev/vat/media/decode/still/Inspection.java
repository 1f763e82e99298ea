package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.Standing;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameState;
import dev.vat.core.words.Words;
import java.nio.BufferUnderflowException;

import java.util.Optional;
/**
 * What a file's own structure tells, before any picture is decoded.
 *
 * @param kind by content, not by name
 * @param state {@code GOOD}, {@code EMPTY}, {@code CUT_SHORT} or {@code UNREADABLE}
 * @param why what is wrong, or null
 * @param note something worth knowing of a whole file, or null
 * @param format what the header states; null where the header can't be read
 * @param data the bytes to decode: the file's, with a lost end mark put back
 * @param endIsGuess whether nothing in the file proves that the picture data is complete, so that decoding must
 * @param orientation how the decoded picture is to be turned; the format is that of the turned one
 * @param layer which layer of an EXR file to decode, empty for the unnamed one
 */
public record Inspection(FileKind kind, FrameState state, String why, String note, PictureFormat format, byte[] data,
        boolean endIsGuess, String layer, Orientation orientation) {

    private static final Words WORDS = Words.of(Inspection.class);

    private Inspection(FileKind kind, FrameState state, String why, String note, PictureFormat format, byte[] data,
            boolean endIsGuess) {
        this(kind, state, why, note, format, data, endIsGuess, "", Orientation.UPRIGHT);
    }

    static Inspection whole(FileKind kind, PictureFormat format, byte[] data) {
        return new Inspection(kind, FrameState.GOOD, null, null, format, data, false);
    }

    static Inspection cut(FileKind kind, String why, PictureFormat format) {
        return new Inspection(kind, FrameState.CUT_SHORT, why, null, format, null, false);
    }

    static Inspection unreadable(FileKind kind, String why) {
        return new Inspection(kind, FrameState.UNREADABLE, why, null, null, null, false);
    }

    Inspection withNote(String text) {
        return new Inspection(kind, state, why, text, format, data, endIsGuess, layer, orientation);
    }

    Inspection withData(byte[] other, boolean guess) {
        return new Inspection(kind, state, why, note, format, other, guess, layer, orientation);
    }

    Inspection withLayer(String chosen) {
        return new Inspection(kind, state, why, note, format, data, endIsGuess, chosen, orientation);
    }

    /** The same of a picture that is stored in another way than upright. */
    Inspection standing(Orientation how) {
        if (how == Orientation.UPRIGHT || !isWhole()) {
            return this;
        }
        PictureFormat upright = how.turned(format).withStated(format.stated().withTurned(how.words()));
        return new Inspection(kind, state, why, note, upright, data, endIsGuess, layer, how);
    }

    /** With a note of how its picture is turned, if it is; or left as it is stored. */
    private Inspection taken(Standing standing) {
        if (orientation == Orientation.UPRIGHT) {
            return this;
        }
        boolean stored = standing == Standing.STORED;
        String said = stored ? WORDS.say("shownAsStoredTheFileSays", orientation.words()) : orientation.said();
        // What turns a picture turns its format back, too: only quarters matter, and two of them are none.
        return new Inspection(kind, state, why, note == null ? said : note + "; " + said, stored ? orientation.turned(format) : format,
                data,
                endIsGuess, layer, stored ? Orientation.UPRIGHT : orientation);
    }

    public boolean isWhole() {
        return state == FrameState.GOOD;
    }

    /** What is wrong with its picture data and doesn't keep a decoder from making a picture of it, in words; it takes an unpacking. */
    public Optional<String> damage() {
        return isWhole() && kind == FileKind.TIFF ? TiffFile.damage(data) : Optional.empty();
    }

    /**
     * Looks into a file's bytes.
     *
     * @param named the kind that the file's name claims
     * @param choice which of its pictures is wanted, and how
     */
    public static Inspection of(FileKind named, byte[] data, PictureChoice choice) {
        if (data.length == 0) {
            return new Inspection(named, FrameState.EMPTY, WORDS.say("theFileHasNoBytes"), null, null, null, false);
        }
        FileKind kind = FileKind.ofContent(data).orElse(named == FileKind.TGA ? FileKind.TGA : null);
        if (kind == null) {
            return data.length < 8 ? cut(named, WORDS.say("onlyBytes", data.length), null)
                    : unreadable(named, isZero(data) ? WORDS.say("nothingButZerosWhereAFile", named.title())
                            : WORDS.say("thisIsNoFileNorAnotherKind", named.title()));
        }
        Inspection inspection = inspect(kind, data, choice.layer()).taken(choice.standing());
        if (inspection.isWhole() && kind != named) {
            return inspection.withNote(WORDS.say("holdsDataUnderAName", kind.title(), named.title(),
                    (inspection.note() == null ? "" : "; " + inspection.note())));
        }
        return inspection;
    }

    /** Whatever a damaged file says of places and lengths, it is the file that is wrong. */
    private static Inspection inspect(FileKind kind, byte[] data, String layer) {
        try {
            return parsed(kind, data, layer);
        } catch (IndexOutOfBoundsException | ArithmeticException | NegativeArraySizeException | BufferUnderflowException e) {
            return unreadable(kind, WORDS.say("whatItSaysOfPlacesAndLengths"));
        } catch (IllegalArgumentException e) {
            return unreadable(kind, WORDS.say("whatItSaysOfItselfCantBe", e.getMessage()));
        }
    }

    private static Inspection parsed(FileKind kind, byte[] data, String layer) {
        return switch (kind) {
            case PNG -> PngFile.inspect(data);
            case JPEG -> JpegFile.inspect(data);
            case TIFF -> TiffFile.inspect(data);
            case TGA -> TgaFile.inspect(data);
            case EXR -> ExrFile.inspect(data, layer);
            case BMP -> BmpFile.inspect(data);
            case DPX -> DpxFile.inspect(data);
            case CINEON -> CineonFile.inspect(data);
            case AVIF, HEIF -> HeifFile.inspect(kind, data);
            case WEBP -> WebpFile.inspect(data);
            case JP2 -> Jpeg2000File.inspect(data);
            case JXL -> JxlFile.inspect(data);
            case HDR -> RadianceFile.inspect(data);
            case PFM, PPM -> AnymapFile.inspect(data);
            case SGI -> SgiFile.inspect(data);
            case PSD -> PsdFile.inspect(data);
            case MOVIE -> throw new IllegalArgumentException(WORDS.say("aMovieIsNoStillPicture"));
        };
    }

    private static boolean isZero(byte[] data) {
        for (byte b : data) {
            if (b != 0) {
                return false;
            }
        }
        return true;
    }
}
