package dev.vat.core.opinion;

import dev.vat.core.delivery.ColourCoding;
import java.util.Map;

/** Code points of ITU-T H.273 by the names that plans have for them. */
final class CodePoints {

    /** What says nothing. */
    static final int UNSPECIFIED = 2;

    private static final Map<Integer, String> PRIMARIES = Map.of(1, "bt709", 5, "bt470bg", 6, "smpte170m", 9, "bt2020", 11, "smpte431", 12,
            "smpte432");
    private static final Map<Integer, String> TRANSFERS = Map.of(1, "bt709", 4, "bt470m", 5, "bt470bg", 6, "smpte170m", 8, "linear", 13,
            "iec61966-2-1", 14, "bt2020-10", 15, "bt2020-12", 16, "smpte2084", 18, "arib-std-b67");
    private static final Map<Integer, String> MATRICES = Map.of(0, "gbr", 1, "bt709", 5, "bt470bg", 6, "smpte170m", 9, "bt2020nc");

    private CodePoints() {}

    static String primaries(int code) {
        return PRIMARIES.getOrDefault(code, Integer.toString(code));
    }

    static String transfer(int code) {
        return TRANSFERS.getOrDefault(code, Integer.toString(code));
    }

    static String matrix(int code) {
        return MATRICES.getOrDefault(code, Integer.toString(code));
    }

    /** BT.709 and BT.2020 have the same curve, and QuickTime's tags one number for both. */
    static boolean sameTransfer(String planned, String found) {
        return ColourCoding.sameTransfer(planned, found) || planned.startsWith("bt2020") && found.equals("bt709");
    }

    static boolean sameMatrix(String planned, String found) {
        return ColourCoding.sameMatrix(planned, found);
    }
}
