package dev.vat.core.delivery;

import dev.vat.core.picture.Size;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.words.Words;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * Makes file names from a pattern such as {@code {reel}_{target}}. What a file system can't hold in a name is replaced by a hyphen; names
 * are kept under 200 bytes.
 */
public final class FileNaming {

    private static final Words WORDS = Words.of(FileNaming.class);

    public static final String DEFAULT = "{reel}_{target}";

    public static final List<String> FIELDS = List.of("project", "reel", "target", "version", "range", "date", "size", "rate");

    private static final Pattern FIELD = Pattern.compile("\\{([^{}]*)\\}");
    /** Windows takes these for devices, whatever stands behind a dot: a file called {@code aux.mov} can't be copied there. */
    private static final Pattern DEVICE = Pattern.compile("^(con|prn|aux|nul|(?:com|lpt)[0-9\u00b9\u00b2\u00b3])(?=$|\\.| )",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern VERSION = Pattern.compile("_(?<word>v(?<number>\\d{2,9}))$");
    private static final int LONGEST = 200;

    /** What the fields stand for. */
    public record Context(String project, String reel, FrameRange range, LocalDate date, Size size, Rate rate) {}

    private final String pattern;

    private FileNaming(String pattern) {
        this.pattern = pattern;
    }

    /** @throws IllegalArgumentException naming a field that doesn't exist */
    public static FileNaming parse(String pattern) {
        Matcher fields = FIELD.matcher(pattern);
        while (fields.find()) {
            if (!FIELDS.contains(fields.group(1))) {
                throw new IllegalArgumentException(WORDS.say("thereIsNoFieldThereAre", fields.group(1),
                        FIELDS.stream().map(f -> "{" + f + "}").collect(Collectors.joining(" "))));
            }
        }
        if (pattern.isBlank() || FIELD.matcher(pattern).replaceAll("").matches(".*[{}].*")) {
            throw new IllegalArgumentException(WORDS.say("notANamePattern", pattern));
        }
        return new FileNaming(pattern);
    }

    /** The name with its extension; the version field starts at v01 and is raised only where a name is taken. */
    public String fileName(Deliverable deliverable, Context context) {
        Map<String, String> values = new TreeMap<>();
        values.put("project", context.project());
        values.put("reel", context.reel());
        values.put("target", Heading.otherCodec(deliverable).map(Codec::id).orElseGet(() -> deliverable.targetInCatalogue().shortName())
                + deliverable.number().map(n -> "-" + n).orElse(""));
        values.put("version", "v01");
        values.put("range", context.range().toString());
        values.put("date", context.date().toString());
        values.put("size", context.size().toString());
        values.put("rate", context.rate() == null ? "rate" : context.rate().label());
        String name = FIELD.matcher(pattern).replaceAll(m -> Matcher.quoteReplacement(values.get(m.group(1))));
        String extension = deliverable.settings().container().extension();
        return shorten(legal(name + (deliverable.pass() == null ? "" : "_" + deliverable.pass()) + (deliverable.draft() ? "_draft" : "")))
                + (extension.isEmpty() ? "" : "." + extension);
    }

    /**
     * A name as every file system takes it: what none may hold is a hyphen, neither blanks nor dots end it, it isn't hidden, and no
     * device of Windows is called so. Without an ending.
     */
    public static String legal(String name) {
        String legal = name.replaceAll("[\\p{Cntrl}/\\\\:*?\"<>|]", "-").strip().replaceAll("[. ]+$", "");
        legal = legal.isEmpty() ? "untitled" : legal.startsWith(".") ? "_" + legal.substring(1) : legal;
        Matcher device = DEVICE.matcher(legal);
        return device.find() ? device.group(1) + "_" + legal.substring(device.end(1)) : legal;
    }

    private static String shorten(String name) {
        String shorter = name;
        while (shorter.getBytes(StandardCharsets.UTF_8).length > LONGEST) {
            shorter = shorter.substring(0, shorter.offsetByCodePoints(shorter.length(), -1));
        }
        return shorter;
    }

    /** The same name with the version number {@code version} before the extension: {@code spot_web_v02.mp4}. */
    public static String versioned(String fileName, int version) {
        int dot = fileName.lastIndexOf('.');
        String number = "_v%02d".formatted(version);
        String stem = dot < 0 ? fileName : fileName.substring(0, dot);
        String bare = version(stem).map(_ -> VERSION.matcher(stem).replaceFirst("")).orElse(stem);
        return bare + number + (dot < 0 ? "" : fileName.substring(dot));
    }

    /** The name of a file that stands beside another: {@code spot_web_matte.mp4}. */
    public static String beside(String fileName, String word) {
        int dot = fileName.lastIndexOf('.');
        return dot < 0 ? fileName + "_" + word : fileName.substring(0, dot) + "_" + word + fileName.substring(dot);
    }

    /** The version that a name without extension ends in, if it does. */
    private static Optional<Integer> version(String stem) {
        Matcher matcher = VERSION.matcher(stem);
        return matcher.find() && !isCoding(matcher.group("word")) ? Optional.of(Integer.parseInt(matcher.group("number")))
                : Optional.empty();
    }

    /** Codings are called so, too: {@code mill_v210.mov} is the first of its kind. */
    private static boolean isCoding(String word) {
        return Catalogue.targets().stream().anyMatch(t -> t.shortName().equals(word)) || Catalogue.findCodec(word).isPresent();
    }

    @Override
    public String toString() {
        return pattern;
    }
}
