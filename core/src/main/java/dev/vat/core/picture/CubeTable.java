package dev.vat.core.picture;

import dev.vat.core.words.Words;
import java.util.regex.Pattern;

/**
 * What a {@code .cube} file holds, after the published Cube LUT specification 1.0: a table in three dimensions, red changing fastest, or
 * three curves; values for display-coded red, green and blue, of which 0 to 1 are used here.
 *
 * @param title or empty
 * @param size points along each edge of the cube, or of each curve
 * @param isCube whether it is a cube, and not three curves
 */
public record CubeTable(String title, int size, boolean isCube) {

    private static final Words WORDS = Words.of(CubeTable.class);

    private static final int LARGEST_CUBE = 256;
    private static final int LONGEST_CURVE = 65_536;
    private static final Pattern NUMBER = Pattern.compile("[-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d+)?");

    /**
     * Reads every line.
     *
     * @throws IllegalArgumentException naming the line at which the text isn't such a table, or what it lacks
     */
    public static CubeTable parse(String text) {
        String title = "";
        int size = 0;
        boolean cube = false;
        long rows = 0;
        int number = 0;
        for (String raw : text.lines().toList()) {
            number++;
            String line = raw.strip();
            String[] words = line.split("\\s+");
            if (line.isEmpty() || line.startsWith("#")) {
                continue;
            }
            switch (words[0]) {
                case "TITLE" -> title = line.substring(5).strip().replace("\"", "");
                case "LUT_3D_SIZE", "LUT_1D_SIZE" -> {
                    cube = words[0].equals("LUT_3D_SIZE");
                    size = size(words, cube, number);
                }
                case "DOMAIN_MIN", "DOMAIN_MAX" -> triple(words, 1, number);
                default -> {
                    if (!NUMBER.matcher(words[0]).matches()) {
                        throw new IllegalArgumentException(WORDS.say("lineIsNoPartOfACubeTable", number, shortened(line)));
                    }
                    triple(words, 0, number);
                    rows++;
                }
            }
        }
        long wanted = cube ? (long) size * size * size : size;
        if (size == 0) {
            throw new IllegalArgumentException(WORDS.say("noLineSaysLUT3DSIZEOrLUT"));
        }
        if (rows != wanted) {
            throw new IllegalArgumentException(WORDS.say("aTableOfSizeHasLinesOfValues", size, wanted, rows));
        }
        return new CubeTable(title, size, cube);
    }

    private static int size(String[] words, boolean cube, int line) {
        int most = cube ? LARGEST_CUBE : LONGEST_CURVE;
        if (words.length != 2 || !words[1].matches("\\d{1,6}") || Integer.parseInt(words[1]) < 2 || Integer.parseInt(words[1]) > most) {
            throw new IllegalArgumentException(WORDS.say("lineTheSizeGoesFrom2To", line, most));
        }
        return Integer.parseInt(words[1]);
    }

    private static void triple(String[] words, int from, int line) {
        boolean right = words.length == from + 3;
        for (int i = from; right && i < words.length; i++) {
            right = NUMBER.matcher(words[i]).matches();
        }
        if (!right) {
            throw new IllegalArgumentException(WORDS.say("lineNeedsThreeNumbers", line));
        }
    }

    private static String shortened(String line) {
        return line.length() > 40 ? line.substring(0, 40) + "\u2026" : line;
    }
}
