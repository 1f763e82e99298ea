package dev.vat.desktop.window;

import dev.vat.core.words.Words;
import java.util.List;
import java.util.Locale;

/** What people call things that Vat calls otherwise, so that a search finds them all the same. */
final class Synonyms {

    private static final Words WORDS = Words.of(Synonyms.class);

    private static final List<List<String>> ALIKE = List.of(
            List.of("zoom", "magnify", "enlarge", "1:1", WORDS.say("storedPixel"), "fit"),
            List.of("export", "render", "encode", "transcode", "write", WORDS.say("makeTheFiles")),
            List.of("lut", "look", "cube", "grade", WORDS.say("colourTable")),
            List.of("fullscreen", WORDS.say("fullScreen"), WORDS.say("wholeScreen"), WORDS.say("fillTheScreen"),
                    WORDS.say("fillTheWindow")),
            List.of("help", "manual", "keys", "shortcuts", WORDS.say("findSomething")),
            List.of("import", "load", WORDS.say("bringIn"), "ingest", WORDS.say("addAFolder"), WORDS.say("openAProject")),
            List.of("queue", "schedule", "later"),
            List.of("theme", "appearance", "night", WORDS.say("darkOrLight")),
            List.of("guides", WORDS.say("titleSafe"), WORDS.say("actionSafe"), WORDS.say("safeAreas")),
            List.of("matte", "transparency", "opacity", "alpha"),
            List.of(WORDS.say("slowMotion"), "slower", WORDS.say("halfOrQuarterSpeed"), "speed"),
            List.of("waveform", "vectorscope", "histogram", "scopes"),
            List.of("screenshot", "snapshot", "grab", "still"),
            List.of("resolution", "dimensions", "size"),
            List.of("fps", WORDS.say("framesASecond"), WORDS.say("frameRate")),
            List.of("bitrate", "compression", "quality"),
            List.of("audio", "sound"),
            List.of("filename", WORDS.say("fileName"), "name"),
            List.of("subtitles", "overlay", WORDS.say("timecodeWindow"), "burn-in"),
            List.of("threads", "processors", "cores"),
            List.of("preferences", "settings", "options", WORDS.say("darkOrLight"), "cores"),
            List.of("repair", "fix", "recover", "join"));

    private Synonyms() {}

    /**
     * Whether words mean what was typed.
     *
     * @param words of what is searched
     * @param typed one word, or its beginning
     */
    static boolean mean(String words, String typed) {
        String all = words.toLowerCase(Locale.ROOT);
        return all.contains(typed) || ALIKE.stream().filter(group -> group.stream().anyMatch(w -> w.startsWith(typed)))
                .anyMatch(group -> group.stream().anyMatch(all::contains));
    }
}
