package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import java.util.List;
import java.util.Set;

/**
 * What the samples of a file mean, as its tags say it: matrix, primaries and transfer by the names that the media library
 * gives the code points of ITU-T H.273, range {@code limited} or {@code full}.
 */
public record ColourCoding(String title, String matrix, String primaries, String transfer, String range) {

    /** High definition, Recommendation ITU-R BT.709. */
    public static final ColourCoding REC709 = new ColourCoding("Rec.709 limited", "bt709", "bt709", "bt709", "limited");
    /** Standard definition of 625 lines, Recommendation ITU-R BT.601. */
    public static final ColourCoding REC601_625 = new ColourCoding("Rec.601 (625 lines) limited", "bt470bg", "bt470bg", "smpte170m", "limited");
    /** Standard definition of 525 lines, Recommendation ITU-R BT.601. */
    public static final ColourCoding REC601_525 = new ColourCoding("Rec.601 (525 lines) limited", "smpte170m", "smpte170m", "smpte170m", "limited");
    /** Red, green and blue as they are. */
    public static final ColourCoding RGB = new ColourCoding("RGB full", "gbr", "bt709", "bt709", "full");
    /** As JFIF (ITU-T T.871) has it: every decoder of JPEG takes this matrix and this range. */
    public static final ColourCoding JFIF = new ColourCoding("Rec.601 full, as JPEG", "bt470bg", "bt709", "bt709", "full");

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
    private static final List<Set<String>> ALIKE = List.of(Set.of("bt470bg", "smpte170m"), Set.of("bt709", "smpte170m", "bt2020-10", "bt2020-12"));

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
}
