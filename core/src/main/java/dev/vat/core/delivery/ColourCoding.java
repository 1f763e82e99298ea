package dev.vat.core.delivery;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What the samples of a file mean, as its tags say it: matrix, primaries and transfer by the names that the media library
 * gives the code points of ITU-T H.273, range {@code limited} or {@code full}.
 *
 * @param id stable name for projects, plans and the command line
 */
public record ColourCoding(String id, String title, String matrix, String primaries, String transfer, String range) {

    private static final Words WORDS = Words.of(ColourCoding.class);

    /** High definition, Recommendation ITU-R BT.709. */
    public static final ColourCoding REC709 = new ColourCoding("rec709", WORDS.say("rec709Limited"), "bt709", "bt709", "bt709", "limited");
    /** The same with every code in use, from 0 on. */
    public static final ColourCoding REC709_FULL = new ColourCoding("rec709-full", WORDS.say("rec709Full"), "bt709", "bt709", "bt709",
            "full");
    /** Called by the curve of computer screens, IEC 61966-2-1. */
    public static final ColourCoding SRGB = new ColourCoding("srgb", WORDS.say("srgbCurveRec709MatrixLimited"), "bt709", "bt709",
            "iec61966-2-1", "limited");
    /** Standard definition of 625 lines, Recommendation ITU-R BT.601. */
    public static final ColourCoding REC601_625 = new ColourCoding("rec601-625", WORDS.say("rec601Of625Lines"), "bt470bg", "bt470bg",
            "smpte170m", "limited");
    /** Standard definition of 525 lines, Recommendation ITU-R BT.601. */
    public static final ColourCoding REC601_525 = new ColourCoding("rec601-525", WORDS.say("rec601Of525Lines"), "smpte170m", "smpte170m",
            "smpte170m", "limited");
    /** Wide colours at the brightness of always, Recommendation ITU-R BT.2020. */
    public static final ColourCoding REC2020 = new ColourCoding("rec2020", WORDS.say("rec2020Limited"), "bt2020nc", "bt2020", "bt2020-10",
            "limited");
    /** High dynamic range by absolute light (SMPTE ST 2084), Recommendation ITU-R BT.2100. */
    public static final ColourCoding PQ = new ColourCoding("rec2100-pq", WORDS.say("hdrPQRec2020Limited"), "bt2020nc", "bt2020",
            "smpte2084",
            "limited");
    /** High dynamic range that older displays can show, too (ARIB STD-B67), Recommendation ITU-R BT.2100. */
    public static final ColourCoding HLG = new ColourCoding("rec2100-hlg", WORDS.say("hdrHLGRec2020Limited"), "bt2020nc", "bt2020",
            "arib-std-b67", "limited");
    /** Red, green and blue as they are. */
    public static final ColourCoding RGB = new ColourCoding("rgb", WORDS.say("rgbFull"), "gbr", "bt709", "bt709", "full");
    /** Red, green and blue by the curve of computer screens, as browsers and viewers take stills. */
    public static final ColourCoding SCREEN = new ColourCoding("rgb-srgb", WORDS.say("rgbFullSRGB"), "gbr", "bt709", "iec61966-2-1",
            "full");
    /** Red, green and blue of high dynamic range, as PNG's cICP chunk says it (W3C PNG, third edition, 11.3.2.6). */
    public static final ColourCoding RGB_PQ = new ColourCoding("rgb-pq", WORDS.say("rgbFullHDRPQ"), "gbr", "bt2020", "smpte2084", "full");
    /** The same by the other curve. */
    public static final ColourCoding RGB_HLG = new ColourCoding("rgb-hlg", WORDS.say("rgbFullHDRHLG"), "gbr", "bt2020", "arib-std-b67",
            "full");
    /** Light itself, 1 for white, with as much above it as the source has. */
    public static final ColourCoding LINEAR = new ColourCoding("linear", WORDS.say("linearLightRec709Primaries"), "gbr", "bt709", "linear",
            "full");
    /** As JFIF (ITU-T T.871) has it: every decoder of JPEG takes this matrix and this range. */
    public static final ColourCoding JFIF = new ColourCoding("jfif", WORDS.say("rec601FullAsJPEG"), "bt470bg", "bt709", "bt709", "full");

    /** As WebP (RFC 9649) has it where it isn't lossless. */
    public static final ColourCoding WEBP = new ColourCoding("webp", WORDS.say("rec601LimitedAsWebP"), "bt470bg", "bt709", "bt709",
            "limited");

    /** In the order in which they are offered. */
    public static final List<ColourCoding> ALL = List.of(REC709, REC709_FULL, SRGB, REC601_625, REC601_525, REC2020, PQ, HLG, RGB, SCREEN,
            RGB_PQ, RGB_HLG, LINEAR, JFIF, WEBP);

    /** Where white of ordinary brightness stands in high dynamic range, in candelas per square metre (Report ITU-R BT.2408). */
    public static final int WHITE = 203;

    public static Optional<ColourCoding> find(String id) {
        return ALL.stream().filter(c -> c.id.equals(id.strip().toLowerCase(Locale.ROOT))).findFirst();
    }

    /** @throws IllegalArgumentException naming those there are */
    @JsonCreator
    public static ColourCoding parse(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException(
                WORDS.say("thereIsNoColourCodingThere", id, ALL.stream().map(ColourCoding::id).collect(Collectors.joining(", ")))));
    }

    @JsonValue
    @Override
    public String id() {
        return id;
    }

    /** Standard definition sizes have the matrix of their own standard, all others that of high definition. */
    public static ColourCoding usualFor(Size size) {
        if (size.width() > 720) {
            return REC709;
        }
        return switch (size.height()) {
            case 576 -> REC601_625;
            case 480, 486 -> REC601_525;
            default -> REC709;
        };
    }

    /** Code points that H.273 calls functionally the same: one formula under several names. */
    private static final List<Set<String>> ALIKE = List.of(Set.of("bt470bg", "smpte170m"),
            Set.of("bt709", "smpte170m", "bt2020-10", "bt2020-12"));

    /** Whether two names of matrices mean the same formula. */
    public static boolean sameMatrix(String a, String b) {
        return a.equals(b) || ALIKE.getFirst().containsAll(Set.of(a, b));
    }

    /** Whether two names of transfer curves mean the same formula. */
    public static boolean sameTransfer(String a, String b) {
        return a.equals(b) || ALIKE.getLast().containsAll(Set.of(a, b));
    }

    public boolean isFull() {
        return range.equals("full");
    }

    /** Whether there is room above white: such files are made of pictures that still have what an ordinary display can't show. */
    public boolean isHighRange() {
        return Set.of("smpte2084", "arib-std-b67", "linear").contains(transfer);
    }

    /** What is done to get there, in words. */
    public String describe() {
        return switch (transfer) {
            case "smpte2084", "arib-std-b67" -> WORDS.say("broughtToRec2020Primaries", WHITE,
                    (transfer.equals("smpte2084") ? WORDS.say("pqCurveUpTo10000") : WORDS.say("hlgCurveUpTo1000")));
            case "linear" -> WORDS.say("lightItself1ForWhiteRec");
            default -> primaries.equals("bt2020") ? WORDS.say("broughtToRec2020Primaries2") : title;
        };
    }
}
