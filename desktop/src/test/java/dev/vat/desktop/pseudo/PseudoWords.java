package dev.vat.desktop.pseudo;

import java.util.Locale;
import java.util.Map;

/**
 * English that can be read and isn't: every letter has an accent, and each vowel stands twice, so that words are some 40 % longer. Patterns
 * of {@link java.text.MessageFormat} stay patterns.
 */
public final class PseudoWords {

    /** The locale by which the bundles are read so: accented English, as Unicode CLDR calls it. */
    public static final Locale LOCALE = Locale.of("en", "XA");

    private static final Map<Character, String> LETTERS = Map.ofEntries(Map.entry('a', "áá"), Map.entry('b', "ƀ"), Map.entry('c', "ç"),
            Map.entry('d', "ð"), Map.entry('e', "éé"), Map.entry('f', "ƒ"), Map.entry('g', "ğ"),
            Map.entry('h', "ĥ"), Map.entry('i', "íí"),
            Map.entry('j', "ĵ"), Map.entry('k', "ķ"), Map.entry('l', "ļ"), Map.entry('m', "ɱ"), Map.entry('n', "ñ"),
            Map.entry('o', "óó"),
            Map.entry('p', "þ"), Map.entry('q', "ɋ"), Map.entry('r', "ŕ"), Map.entry('s', "š"), Map.entry('t', "ţ"),
            Map.entry('u', "úú"),
            Map.entry('v', "ṽ"), Map.entry('w', "ŵ"), Map.entry('x', "ẋ"), Map.entry('y', "ý"), Map.entry('z', "ž"));

    private PseudoWords() {}

    /** @param pattern of MessageFormat */
    public static String of(String pattern) {
        StringBuilder out = new StringBuilder();
        boolean quoted = false;
        int depth = 0;
        // Within braces only what a choice says is for people: from its # or < to the next | or the end.
        boolean said = true;
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            if (c == '\'') {
                boolean twice = i + 1 < pattern.length() && pattern.charAt(i + 1) == '\'';
                quoted = twice ? quoted : !quoted;
                out.append(twice ? "''" : "'");
                i += twice ? 1 : 0;
                continue;
            }
            if (!quoted && (c == '{' || c == '}')) {
                depth += c == '{' ? 1 : -1;
                said = depth == 0;
            } else if (depth > 0 && !quoted && (c == '#' || c == '<' || c == '|')) {
                said = c != '|';
            }
            out.append(said ? letter(c) : String.valueOf(c));
        }
        return out.toString();
    }

    private static String letter(char c) {
        String small = LETTERS.get(Character.toLowerCase(c));
        return small == null ? String.valueOf(c) : Character.isUpperCase(c) ? small.toUpperCase(Locale.ROOT) : small;
    }
}
