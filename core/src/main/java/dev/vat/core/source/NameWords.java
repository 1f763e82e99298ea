package dev.vat.core.source;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What the words of a source's name and folder say of it: {@code sh030_camA_v02}. */
public final class NameWords {

    private static final Pattern VERSION = Pattern.compile("[vV]\\d+");
    private static final Pattern ANY_VERSION = Pattern.compile("(?<![A-Za-z0-9])[vV]\\d+(?![A-Za-z0-9])");
    private static final List<String> UNFINISHED = List.of(".tmp", "_tmp", "-tmp", ".temp", ".part", ".partial", ".incomplete", "~");
    private static final Set<String> TAKES = Set.of("v", "ver", "version", "rev", "revision", "take", "tk");
    private static final Pattern CAMERA = Pattern.compile("(?i)cam(era)?[A-Za-z]?\\d*");

    private NameWords() {}

    static Stream<String> of(String text) {
        return Arrays.stream(text.split("[._ -]+")).filter(w -> !w.isEmpty());
    }

    static boolean isVersion(String word) {
        return VERSION.matcher(word).matches();
    }

    /** Whether a file has the name that writers give it until it is whole; it gets its own name then. */
    public static boolean isUnfinished(String fileName) {
        // Plain comparisons: a folder may hold a million names.
        int dot = fileName.lastIndexOf('.');
        return fileName.startsWith("~") || endsUnfinished(fileName, fileName.length()) || dot > 0 && endsUnfinished(fileName, dot);
    }

    private static boolean endsUnfinished(String name, int end) {
        for (String ending : UNFINISHED) {
            if (name.regionMatches(true, end - ending.length(), ending, 0, ending.length())) {
                return true;
            }
        }
        return false;
    }

    /** Whether a number is that of a version or a take, by what stands before it. */
    static boolean leadsToTake(String before) {
        int end = before.length() - (!before.isEmpty() && "._ -".indexOf(before.charAt(before.length() - 1)) >= 0 ? 1 : 0);
        int start = end;
        while (start > 0 && Character.isLetter(before.charAt(start - 1))) {
            start--;
        }
        return TAKES.contains(before.substring(start, end).toLowerCase(Locale.ROOT));
    }

    /** A name without the numbers of its versions: what they have in common. */
    public static String versionless(String text) {
        return ANY_VERSION.matcher(text).replaceAll("v");
    }

    /** {@code pier} of {@code pier_v002}. */
    public static String withoutVersion(String name) {
        return of(name).filter(w -> !isVersion(w)).collect(Collectors.joining("_"));
    }

    /** Whether one of the words of a source's name or folder is this one. */
    public static boolean has(Location source, String word) {
        return of(source).anyMatch(w -> w.equalsIgnoreCase(word));
    }

    /** The version that a source's name states, or else the folder around it. */
    public static Optional<String> version(Location source) {
        return of(source).filter(NameWords::isVersion).findFirst();
    }

    /** The camera that a source's name states, or else the folder around it. */
    public static Optional<String> camera(Location source) {
        return of(source).filter(w -> CAMERA.matcher(w).matches()).findFirst();
    }

    /** Those of its name, then those of its folder's. */
    private static Stream<String> of(Location source) {
        Path folder = source.folder().getFileName();
        return Stream.concat(of(source.pattern().baseName()), folder == null ? Stream.empty() : of(folder.toString()));
    }
}
