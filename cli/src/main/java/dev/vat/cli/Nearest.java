package dev.vat.cli;

import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/** Names that somebody may have meant who wrote one that nobody knows. */
final class Nearest {

    private static final int MOST = 3;

    private Nearest() {}

    /** The nearest first, three at most; none where all are far: more than a third of the letters would have to be others. */
    static List<String> to(String word, Collection<String> names) {
        Map<String, Integer> near = names.stream().distinct().collect(Collectors.toMap(n -> n, n -> steps(word, n)));
        return near.entrySet().stream().filter(e -> e.getValue() * 3 <= Math.max(3, word.length()))
                .sorted(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey(Comparator.naturalOrder())))
                .limit(MOST).map(Map.Entry::getKey).toList();
    }

    /** Letters added, left out, changed, or exchanged with the next one (Damerau's and Levenshtein's distance, of neighbours only). */
    private static int steps(String from, String to) {
        int[][] steps = new int[from.length() + 1][to.length() + 1];
        for (int i = 0; i <= from.length(); i++) {
            for (int j = 0; j <= to.length(); j++) {
                if (i == 0 || j == 0) {
                    steps[i][j] = i + j;
                    continue;
                }
                int changed = steps[i - 1][j - 1] + (from.charAt(i - 1) == to.charAt(j - 1) ? 0 : 1);
                steps[i][j] = Math.min(changed, Math.min(steps[i - 1][j], steps[i][j - 1]) + 1);
                if (i > 1 && j > 1 && from.charAt(i - 1) == to.charAt(j - 2) && from.charAt(i - 2) == to.charAt(j - 1)) {
                    steps[i][j] = Math.min(steps[i][j], steps[i - 2][j - 2] + 1);
                }
            }
        }
        return steps[from.length()][to.length()];
    }
}
