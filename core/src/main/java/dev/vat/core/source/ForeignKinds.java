package dev.vat.core.source;

import dev.vat.core.words.Words;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Kinds of picture, movie and sound file that Vat doesn't read, by what their names end in: a folder full of them isn't an empty one. */
public final class ForeignKinds {

    private static final Words WORDS = Words.of(ForeignKinds.class);

    private static final Map<String, String> TITLES = titles();

    private ForeignKinds() {}

    private static Map<String, String> titles() {
        Map<String, String> titles = new HashMap<>();
        Map.ofEntries(Map.entry("JPEG XR", List.of("jxr", "wdp")), Map.entry("DDS", List.of("dds")),
                Map.entry("KTX", List.of("ktx", "ktx2")),
                Map.entry("RLA", List.of("rla", "rpf")), Map.entry("IFF", List.of("iff", "ilbm")), Map.entry("PCX", List.of("pcx")),
                Map.entry("QOI", List.of("qoi")), Map.entry("FITS", List.of("fits", "fit")), Map.entry("PSB", List.of("psb")),
                Map.entry(WORDS.say("sunRaster"), List.of("ras", "sun")),
                Map.entry(WORDS.say("cameraRaw"), List.of("dng", "cr2", "cr3", "nef", "arw", "raf", "orf", "rw2", "ari", "r3d", "braw")),
                Map.entry("RealMedia", List.of("rm", "rmvb")))
                .forEach((title, endings) -> endings.forEach(ending -> titles.put(ending, title)));
        return Map.copyOf(titles);
    }

    /** What a file of this name is called, if it is one of these. */
    public static Optional<String> title(String fileName) {
        int dot = fileName.lastIndexOf('.');
        return dot < 0 ? Optional.empty() : Optional.ofNullable(TITLES.get(fileName.substring(dot + 1).toLowerCase(Locale.ROOT)));
    }

    /** {@code Vat doesn't read DDS (12 files) or QOI (1 file)}; empty for none. @param counts files by title */
    public static Optional<String> words(Map<String, Long> counts) {
        SortedMap<String, Long> sorted = new TreeMap<>(counts);
        return sorted.isEmpty() ? Optional.empty()
                : Optional.of(WORDS.say("vatDoesntRead", sorted.entrySet().stream()
                        .map(e -> WORDS.say("kind", e.getKey(), e.getValue()))
                        .collect(Collectors.joining(" or "))));
    }
}
