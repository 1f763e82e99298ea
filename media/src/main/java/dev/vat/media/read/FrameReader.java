package dev.vat.media.read;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FieldReading;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.Standing;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.FrameCheck;
import dev.vat.core.source.FrameState;
import dev.vat.core.words.Words;
import dev.vat.media.decode.Deinterlaced;
import dev.vat.media.decode.MovieFrames;
import dev.vat.media.decode.StillDecoder;
import dev.vat.media.decode.Turning;
import dev.vat.media.decode.still.BmpMasks;
import dev.vat.media.decode.still.DpxPicture;
import dev.vat.media.decode.still.ExrGaps;
import dev.vat.media.decode.still.HeifPicture;
import dev.vat.media.decode.still.Inspection;
import dev.vat.media.decode.still.JxlPicture;
import dev.vat.media.decode.still.PlainTiff;
import dev.vat.media.decode.still.PsdPicture;
import dev.vat.media.decode.still.TgaGreyAlpha;
import dev.vat.media.decode.still.TiffPicture;
import dev.vat.media.lib.MediaException;
import dev.vat.media.measure.LookScan;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/**
 * Reads frame files one at a time: the structure first, then a strict and full decode. An instance belongs to one
 * thread.
 */
public final class FrameReader implements AutoCloseable {

    private static final Words WORDS = Words.of(FrameReader.class);

    private static final long LARGEST_FILE = 1L << 31;
    private static final int FILLER = 512;
    /** No packing that Vat reads makes a picture smaller than this; a header that claims more is damaged or meant as harm. */
    private static final long BEST_PACKING = 5000;
    private static final long HARMLESS_BYTES = 64L << 20;
    private static final long MOST_PIXELS = 1L << 28;

    private final StillDecoder decoder = new StillDecoder();
    private final Turning turning = new Turning();
    private MovieFrames movie;
    private Deinterlaced deinterlaced;
    private Path moviePath;
    private Standing movieStanding;

    /**
     * The header alone: quick, and it proves nothing of the picture data.
     *
     * @param choice which picture of it
     */
    public FrameCheck header(Path file, FileKind named, PictureChoice choice, long number) {
        try {
            Inspection inspection = Inspection.of(named, bytes(file), choice);
            return inspection.isWhole() ? FrameCheck.sound(number, inspection.format(), null, inspection.note())
                    : FrameCheck.fault(number, inspection.state(), inspection.why());
        } catch (IOException e) {
            return FrameCheck.fault(number, FrameState.UNREADABLE, describe(e));
        }
    }

    /** Reads, decodes, measures, and lets the picture go again. */
    public FrameCheck check(Path file, FileKind named, PictureChoice choice, long number) {
        return switch (named.isMovie() ? read(file, named, choice, number) : still(file, named, choice, true)) {
            case FrameRead.Unsound(FrameState state, String why) -> FrameCheck.fault(number, state, why);
            case FrameRead.Sound sound -> {
                try (Picture picture = sound.picture()) {
                    yield FrameCheck.sound(number, sound.format(), LookScan.of(picture, sound.format().alpha()), sound.note());
                }
            }
        };
    }

    /**
     * The whole picture, or what is wrong with it.
     *
     * @param frame which frame of a movie, by the movie's own numbers; other kinds hold only one
     */
    public FrameRead read(Path file, FileKind named, PictureChoice choice, long frame) {
        return named.isMovie() ? movieFrame(file, choice.standing(), FieldReading.KEPT, frame) : still(file, named, choice, false);
    }

    /**
     * The same, of interlaced movies as somebody wants it.
     *
     * @param how layer, standing and fields of it are looked at
     * @param frame which frame of a movie; where each field is one, those of frame {@code n} are {@code 2n} and {@code 2n + 1}
     */
    public FrameRead readAs(PictureReading how, Path file, FileKind named, long frame) {
        return named.isMovie() ? movieFrame(file, how.standing(), how.fields(), frame)
                : still(file, named, how.choice(), false);
    }

    /** Quickest when frames are asked for in ascending order; the file last asked for stays open. */
    private FrameRead movieFrame(Path file, Standing standing, FieldReading fields, long frame) {
        try {
            if (!file.equals(moviePath) || standing != movieStanding) {
                closeMovie();
                movie = new MovieFrames(file, standing);
                moviePath = file;
                movieStanding = standing;
                deinterlaced = new Deinterlaced(movie);
            }
            return new FrameRead.Sound(movieFrame(fields, frame), movie.format(), movie.note());
        } catch (MediaException | IllegalArgumentException e) {
            return new FrameRead.Unsound(FrameState.UNREADABLE, e.getMessage());
        }
    }

    private Picture movieFrame(FieldReading fields, long frame) {
        boolean each = fields == FieldReading.EACH;
        long index = movie.numbers().index(each ? Math.floorDiv(frame, 2) : frame);
        boolean whole = movie.fields().isEmpty() || fields == null || fields == FieldReading.KEPT;
        return whole ? movie.frame(index) : each && Math.floorMod(frame, 2) == 1 ? deinterlaced.second(index) : deinterlaced.first(index);
    }

    private void closeMovie() {
        if (movie != null) {
            deinterlaced.close();
            movie.close();
        }
        movie = null;
        moviePath = null;
    }

    /** @param strict whether checksums are looked at that decoders pass over: once, when a file is judged */
    private FrameRead still(Path file, FileKind named, PictureChoice choice, boolean strict) {
        byte[] data;
        try {
            data = bytes(file);
        } catch (IOException e) {
            return new FrameRead.Unsound(FrameState.UNREADABLE, describe(e));
        }
        Inspection inspection = Inspection.of(named, data, choice);
        if (!inspection.isWhole()) {
            return new FrameRead.Unsound(inspection.state(), inspection.why());
        }
        Optional<String> damage = strict ? inspection.damage() : Optional.empty();
        if (damage.isPresent()) {
            return new FrameRead.Unsound(FrameState.UNREADABLE, damage.get());
        }
        try {
            return decode(inspection);
        } catch (MediaException e) {
            return new FrameRead.Unsound(FrameState.UNREADABLE, e.isUnsupported()
                    ? WORDS.say("whichVatDoesntRead", e.getMessage()) : WORDS.say("itsPictureDataIsDamaged", e.getMessage()));
        }
    }

    private static byte[] bytes(Path file) throws IOException {
        long size = Files.size(file);
        if (size >= LARGEST_FILE) {
            throw new IOException(WORDS.say("theFileHasBytesVatReads", size));
        }
        return Files.readAllBytes(file);
    }

    private static String describe(IOException e) {
        return switch (e) {
            case NoSuchFileException _ -> WORDS.say("theFileIsGone");
            case AccessDeniedException _ -> WORDS.say("thisUserMayNotReadTheFile");
            default -> WORDS.say("theFileCantBeRead", e.getMessage());
        };
    }

    private FrameRead decode(Inspection inspection) {
        PictureFormat format = inspection.format();
        long claimed = format.size().pixels() * Math.max(8, format.depth().bits()) / 8 * 3;
        if (format.size().pixels() > MOST_PIXELS || isMoreThanItHolds(inspection, claimed)) {
            return new FrameRead.Unsound(FrameState.UNREADABLE,
                    WORDS.say("itsHeaderClaimsWhichBytes", format.size(), inspection.data().length));
        }
        Picture stored = stored(inspection);
        if (stored == null) {
            return new FrameRead.Unsound(FrameState.CUT_SHORT, WORDS.say("theFileEndsBeforeItsPicture"));
        }
        Picture picture = turning.upright(stored, inspection.orientation());
        String fault = picture.width() != format.size().width() || picture.height() != format.size().height()
                ? WORDS.say("theHeaderSaysButThePicture", format.size(), picture.width(), picture.height())
                : inspection.kind() == FileKind.EXR ? ExrGaps.in(inspection.data(), picture) : null;
        if (fault != null) {
            picture.close();
            return new FrameRead.Unsound(FrameState.UNREADABLE, fault);
        }
        return new FrameRead.Sound(picture, format, inspection.note());
    }

    /** Pictures that are coded with prediction over large blocks may be of any size in a few bytes. */
    private static boolean isMoreThanItHolds(Inspection inspection, long claimed) {
        boolean coded = Set.of(FileKind.AVIF, FileKind.HEIF, FileKind.JXL).contains(inspection.kind());
        return !coded && claimed > HARMLESS_BYTES && claimed / BEST_PACKING > inspection.data().length;
    }

    /** The picture as it is stored, or null if the file ends before it. */
    private Picture stored(Inspection inspection) {
        byte[] data = inspection.data();
        PictureFormat format = inspection.format();
        return switch (inspection.kind()) {
            case DPX, CINEON -> DpxPicture.read(data);
            case AVIF, HEIF -> HeifPicture.read(data, decoder::decode);
            case JXL -> JxlPicture.read(data);
            case PSD -> PsdPicture.read(data);
            case BMP -> BmpMasks.isOne(data) ? BmpMasks.read(data) : decoder.decode(FileKind.BMP, "", data);
            case TIFF -> PlainTiff.of(data).map(plain -> decoder.decode(FileKind.TIFF, "", plain))
                    .orElseGet(() -> TiffPicture.read(data, format.alpha() != AlphaKind.NONE, format.depth().floating()));
            case TGA -> TgaGreyAlpha.isOne(data) ? TgaGreyAlpha.read(data) : decoder.decode(FileKind.TGA, inspection.layer(), data);
            default -> inspection.endIsGuess() ? decodeOpenEnd(inspection) : decoder.decode(inspection.kind(), inspection.layer(), data);
        };
    }

    /**
     * A JPEG without its end mark: if what the file lacks were picture data, then the picture would depend on what is put in its place.
     * It is whole only when zeros and ones in that place give the same picture.
     */
    private Picture decodeOpenEnd(Inspection inspection) {
        Picture zeros = null;
        try {
            zeros = decoder.decode(inspection.kind(), "", filled(inspection.data(), 0x00));
            try (Picture ones = decoder.decode(inspection.kind(), "", filled(inspection.data(), 0x7f))) {
                if (ones.crc32c() == zeros.crc32c()) {
                    return zeros;
                }
            }
        } catch (MediaException _) {
            // a filler that can't be decoded was decoded as picture data: the file is cut
        }
        if (zeros != null) {
            zeros.close();
        }
        return null;
    }

    private static byte[] filled(byte[] data, int filler) {
        byte[] longer = Arrays.copyOf(data, data.length + FILLER + 2);
        Arrays.fill(longer, data.length, data.length + FILLER, (byte) filler);
        longer[longer.length - 2] = (byte) 0xff;
        longer[longer.length - 1] = (byte) 0xd9;
        return longer;
    }

    @Override
    public void close() {
        closeMovie();
        decoder.close();
        turning.close();
    }
}
