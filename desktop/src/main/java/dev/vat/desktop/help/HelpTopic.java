package dev.vat.desktop.help;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;

/** A page of the help, as it is shipped, in CommonMark: its first line is its title. Those of the guide are the documents' own. */
enum HelpTopic {
    START, FIRST_FILE, JOBS, IN, REEL, OUT, BAND, PICTURE, COMPARE, FINDINGS, RUNS, PREVIEWS, HAND_OVER, COMMAND_LINE, WORDS, KEYS;

    private static final String TITLE = "# ";
    private static final String FOLDER = "/dev/vat/desktop/help/";

    private final String text;

    HelpTopic() {
        try (InputStream own = open(fileName()); InputStream in = own == null ? open("guide/" + fileName()) : own) {
            if (in == null) {
                throw new IllegalStateException("There is no help called " + fileName());
            }
            text = new String(in.readAllBytes(), StandardCharsets.UTF_8).stripTrailing();
            if (!text.startsWith(TITLE)) {
                throw new IllegalStateException(fileName() + " doesn't begin with its title");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static InputStream open(String name) {
        return HelpTopic.class.getResourceAsStream(FOLDER + name);
    }

    String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private String fileName() {
        return id() + ".md";
    }

    String title() {
        return text.substring(TITLE.length(), text.indexOf('\n')).strip();
    }

    /** The page with its title as the first block. */
    Node page() {
        return Parser.builder().extensions(List.of(TablesExtension.create())).build().parse(text);
    }

    /** A picture that a page shows. @param name as the page has it: {@code ../screenshots/out.png} @return null where it isn't shipped */
    static InputStream picture(String name) {
        return open("pictures/" + name.substring(name.lastIndexOf('/') + 1));
    }

    /** Whether all these words stand in it, in any case. */
    boolean has(String words) {
        String all = text.replaceAll("[*`#|]", "").toLowerCase(Locale.ROOT);
        return Arrays.stream(words.strip().toLowerCase(Locale.ROOT).split("\\s+")).allMatch(all::contains);
    }

    /** The topic with an id; the first one for any other. */
    static HelpTopic of(String id) {
        return find(id).orElse(START);
    }

    private static Optional<HelpTopic> find(String id) {
        return Arrays.stream(values()).filter(t -> t.id().equals(id)).findFirst();
    }

    /** The topic that a link leads to: {@code jobs.md}, {@code ../jobs.md#1}; none for what isn't shipped. */
    static Optional<HelpTopic> linked(String link) {
        return link.startsWith("../") ? Optional.empty() : find(link.replaceAll("\\.md(#.*)?$", ""));
    }
}
