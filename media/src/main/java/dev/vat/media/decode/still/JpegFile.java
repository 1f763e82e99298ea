package dev.vat.media.decode.still;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.Depth;
import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.source.FileKind;
import dev.vat.core.words.Words;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** JPEG (ITU-T T.81): marker segments up to the end mark FF D9. */
final class JpegFile {

    private static final Words WORDS = Words.of(JpegFile.class);

    private static final int EXIF = 0xe1;
    private static final int PROFILE = 0xe2;

    private JpegFile() {}

    static Inspection inspect(byte[] data) {
        int at = 2;
        PictureFormat format = null;
        PixelAspect aspect = PixelAspect.SQUARE;
        Orientation orientation = Orientation.UPRIGHT;
        // A long profile is spread over several segments.
        ByteArrayOutputStream profile = new ByteArrayOutputStream();
        while (at + 4 <= data.length) {
            if ((data[at] & 0xff) != 0xff) {
                return format == null ? Inspection.unreadable(FileKind.JPEG, WORDS.say("itsHeaderIsDamaged"))
                        : Inspection.cut(FileKind.JPEG, WORDS.say("whatFollowsByteIsNoJPEG", at), format);
            }
            int marker = data[at + 1] & 0xff;
            if (marker == 0xff) {
                at++;
                continue;
            }
            int length = (data[at + 2] & 0xff) << 8 | data[at + 3] & 0xff;
            boolean frame = marker >= 0xc0 && marker <= 0xcf && marker != 0xc4 && marker != 0xc8 && marker != 0xcc;
            if (frame && at + 9 < data.length) {
                String foreign = foreign(marker, data[at + 4] & 0xff, data[at + 9] & 0xff);
                if (foreign != null) {
                    return Inspection.unreadable(FileKind.JPEG, WORDS.say("whichVatDoesntReadSaveIt", foreign));
                }
                int bits = data[at + 4] & 0xff;
                int height = (data[at + 5] & 0xff) << 8 | data[at + 6] & 0xff;
                int width = (data[at + 7] & 0xff) << 8 | data[at + 8] & 0xff;
                if (width < 1 || height < 1 || width > Size.MAX || height > Size.MAX) {
                    return Inspection.unreadable(FileKind.JPEG, WORDS.say("itsHeaderStatesAnImpossible"));
                }
                format = new PictureFormat("JPEG", Size.of(width, height), Depth.integer(Math.clamp(bits, 1, 16)),
                        AlphaKind.NONE, aspect, false, List.of());
            }
            if (marker == 0xe0 && at + 16 < data.length && data[at + 4] == 'J' && data[at + 5] == 'F') {
                aspect = density(data, at);
            }
            if (marker == EXIF && at + 2 + length <= data.length) {
                orientation = Orientation.ofExif(data, at + 4, length - 2);
            }
            if (marker == PROFILE && at + 2 + length <= data.length && length > 16
                    && new String(data, at + 4, 11, StandardCharsets.ISO_8859_1).equals("ICC_PROFILE")) {
                profile.write(data, at + 18, length - 16);
            }
            if (marker == 0xda && format != null) {
                PictureFormat stated = profile.size() == 0 ? format : format.withStated(IccProfile.stated(profile.toByteArray(), null));
                return fromScan(data, at + 2 + length, stated).standing(orientation);
            }
            at += 2 + length;
        }
        return Inspection.cut(FileKind.JPEG, WORDS.say("itEndsInsideItsHeader"), format);
    }

    /** What a kind of coding or of colour is called that isn't decoded, or null. */
    private static String foreign(int marker, int bits, int components) {
        return marker >= 0xc9 ? WORDS.say("jpegWithArithmeticCoding") : marker >= 0xc5 ? WORDS.say("hierarchicalJPEG")
                : components == 4 ? WORDS.say("jpegInCMYK") : bits != 8 && marker != 0xc3 ? WORDS.say("jpegOfBits", bits) : null;
    }

    /** The JFIF density: dots per unit across and down, or their ratio alone. */
    private static PixelAspect density(byte[] data, int at) {
        int across = (data[at + 12] & 0xff) << 8 | data[at + 13] & 0xff;
        int down = (data[at + 14] & 0xff) << 8 | data[at + 15] & 0xff;
        return across == 0 || down == 0 ? PixelAspect.SQUARE : ColourHints.pixelAspect((double) down / across);
    }

    private static Inspection fromScan(byte[] data, int scan, PictureFormat format) {
        int end = data.length;
        // Some writers pad after the end mark; others reserve room with zeros that stay when they are stopped.
        while (end > scan && data[end - 1] == 0) {
            end--;
        }
        for (int i = end - 2; i >= Math.max(scan, end - 4096); i--) {
            if ((data[i] & 0xff) == 0xff && (data[i + 1] & 0xff) == 0xd9) {
                return Inspection.whole(FileKind.JPEG, format, data);
            }
        }
        if (end <= scan) {
            return Inspection.cut(FileKind.JPEG, WORDS.say("itEndsBeforeItsPictureBegins"), format);
        }
        if (!ScanCoverage.isComplete(data, end)) {
            return Inspection.cut(FileKind.JPEG, WORDS.say("theFileEndsAtByteBefore", data.length), format);
        }
        byte[] open = Arrays.copyOf(data, end);
        return Inspection.whole(FileKind.JPEG, format, open)
                .withNote(WORDS.say("theEndMarkIsMissingThePicture")).withData(open, true);
    }
}
