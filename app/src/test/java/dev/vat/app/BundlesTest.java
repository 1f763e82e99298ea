package dev.vat.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.Reader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.MessageFormat;
import java.util.List;
import java.util.Properties;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What Vat says lies in bundles beside the classes that say it: each text is there, is said, and is a pattern. */
class BundlesTest {

    private static final Path ROOT = Path.of("..");
    private static final List<String> MODULES = List.of("core", "media", "scene", "protocol", "worker", "engine", "desktop", "cli");
    /** {@code WORDS.say("key"} and {@code Words.of(Speaker.class).say("key"}, over a line's end too. */
    private static final Pattern SAID = Pattern.compile("(?:WORDS|Words\\.of\\((\\w+)\\.class\\))\\s*\\.say\\(\\s*\"([^\"]+)\"(\\s*\\+)?");
    /** These name their values by what the program calls them. */
    private static final Set<String> COMPUTED = Set.of("FrameTrack", "Edges", "Spot", "SheetPane", "FrameState", "Severity", "AlphaKind",
            "Rule", "Effort");
    /** An apostrophe that a translator would lose: neither twice nor around a brace. */
    private static final Pattern LONELY = Pattern.compile("(?<![''])'(?![''{}])(?<!\\{'|}')");

    private static List<Path> files(String module, String where, String ending) throws IOException {
        Path from = ROOT.resolve(module).resolve(where);
        if (!Files.exists(from)) {
            return List.of();
        }
        try (Stream<Path> all = Files.walk(from)) {
            return all.filter(p -> p.getFileName().toString().endsWith(ending)).sorted().toList();
        }
    }

    private static Properties bundle(Path file) throws IOException {
        Properties bundle = new Properties();
        try (Reader reader = Files.newBufferedReader(file)) {
            bundle.load(reader);
        }
        return bundle;
    }

    private static Path bundleBeside(String module, Path source) {
        Path main = ROOT.resolve(module).resolve("src/main");
        return main.resolve("resources").resolve(main.resolve("java").relativize(source.getParent())).resolve("words.properties");
    }

    /** Whether its class names it where it chooses between several. */
    private static boolean isChosen(String module, Path bundle, String speaker, String key) throws IOException {
        Path main = ROOT.resolve(module).resolve("src/main");
        Path source = main.resolve("java").resolve(main.resolve("resources").relativize(bundle.getParent())).resolve(speaker + ".java");
        return Files.exists(source) && Files.readString(source).contains('"' + key.substring(speaker.length() + 1) + '"');
    }

    @Test
    void everyTextIsThereAndEveryOneIsSaid() throws IOException {
        TreeSet<String> absent = new TreeSet<>();
        TreeSet<String> silent = new TreeSet<>();
        for (String module : MODULES) {
            TreeSet<String> said = new TreeSet<>();
            for (Path source : files(module, "src/main/java", ".java")) {
                String own = source.getFileName().toString().replace(".java", "");
                Matcher say = SAID.matcher(Files.readString(source));
                while (say.find()) {
                    String key = (say.group(1) == null ? own : say.group(1)) + "." + say.group(2);
                    said.add(bundleBeside(module, source) + " " + key);
                    if (say.group(3) == null && !bundle(bundleBeside(module, source)).containsKey(key)) {
                        absent.add(source + ": " + key);
                    }
                }
            }
            for (Path file : files(module, "src/main/resources", "words.properties")) {
                for (String key : bundle(file).stringPropertyNames()) {
                    String speaker = key.substring(0, key.indexOf('.'));
                    if (!COMPUTED.contains(speaker) && !said.contains(file + " " + key) && !isChosen(module, file, speaker, key)) {
                        silent.add(file + " " + key);
                    }
                }
            }
        }
        assertThat(absent).as("said, and in no bundle").isEmpty();
        assertThat(silent).as("in a bundle, and never said").isEmpty();
    }

    @Test
    void everyTextIsAPatternWhoseApostrophesStandTwice() throws IOException {
        TreeSet<String> wrong = new TreeSet<>();
        for (String module : MODULES) {
            for (Path file : files(module, "src/main/resources", "words.properties")) {
                Properties bundle = bundle(file);
                for (String key : bundle.stringPropertyNames()) {
                    String pattern = bundle.getProperty(key);
                    if (LONELY.matcher(pattern).find()) {
                        wrong.add(file + " " + key + ": " + pattern);
                    }
                    new MessageFormat(pattern);
                }
            }
        }
        assertThat(wrong).isEmpty();
    }
}
