package dev.vat.desktop.window;

import java.util.List;
import java.util.Locale;

/** What people call things that Vat calls otherwise, so that a search finds them all the same. */
final class Synonyms {

    private static final List<List<String>> ALIKE = List.of(
            List.of("zoom", "magnify", "enlarge", "1:1", "stored pixel", "fit"),
            List.of("export", "render", "encode", "transcode", "write", "make the files"),
            List.of("lut", "look", "cube", "grade", "colour table"),
            List.of("fullscreen", "full screen", "whole screen", "fill the screen", "fill the window"),
            List.of("help", "manual", "keys", "shortcuts", "find something"),
            List.of("import", "load", "bring in", "ingest", "add a folder", "open a project"),
            List.of("queue", "schedule", "later"),
            List.of("theme", "appearance", "night", "dark or light"),
            List.of("guides", "title safe", "action safe", "safe areas"),
            List.of("matte", "transparency", "opacity", "alpha"),
            List.of("slow motion", "slower", "half or quarter speed", "speed"),
            List.of("waveform", "vectorscope", "histogram", "scopes"),
            List.of("screenshot", "snapshot", "grab", "still"),
            List.of("resolution", "dimensions", "size"),
            List.of("fps", "frames a second", "frame rate"),
            List.of("bitrate", "compression", "quality"),
            List.of("audio", "sound"),
            List.of("filename", "file name", "name"),
            List.of("subtitles", "overlay", "timecode window", "burn-in"),
            List.of("threads", "processors", "cores"),
            List.of("preferences", "settings", "options", "dark or light", "cores"),
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
