package dev.vat.desktop.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** A page of the help, as it is shipped: its first line is its title, paragraphs are parted by empty lines. */
enum HelpTopic {
    START, IN, REEL, OUT, BAND, PICTURE, COMPARE, FINDINGS, RUNS, PREVIEWS, HAND_OVER, COMMAND_LINE, KEYS;

    private final List<String> parts;

    HelpTopic() {
        String name = "/dev/vat/desktop/help/" + id() + ".txt";
        try (InputStream in = HelpTopic.class.getResourceAsStream(name)) {
            if (in == null) {
                throw new IllegalStateException("There is no help at " + name);
            }
            parts = Arrays.stream(new String(in.readAllBytes(), StandardCharsets.UTF_8).strip().split("\\n\\s*\\n"))
                    .map(part -> part.strip().replaceAll("\\s*\\n\\s*", " ")).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    String title() {
        return parts.getFirst();
    }

    List<String> paragraphs() {
        return parts.subList(1, parts.size());
    }

    /** Whether all these words stand in it, in any case. */
    boolean has(String words) {
        String all = String.join(" ", parts).toLowerCase(Locale.ROOT);
        return Arrays.stream(words.strip().toLowerCase(Locale.ROOT).split("\\s+")).allMatch(all::contains);
    }

    /** The topic with an id; the first one for any other. */
    static HelpTopic of(String id) {
        return Arrays.stream(values()).filter(t -> t.id().equals(id)).findFirst().orElse(START);
    }
}
