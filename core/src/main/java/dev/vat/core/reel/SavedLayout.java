package dev.vat.core.reel;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.document.DocumentFault;
import dev.vat.core.document.Documents;
import dev.vat.core.words.Words;

/** A layout that somebody keeps for other sources; it names none and holds no path. */
public record SavedLayout(int version, Layout layout) {

    private static final Words WORDS = Words.of(SavedLayout.class);

    public static final int VERSION = 1;
    private static final int LONGEST = 80;
    private static final JsonMapper JSON = Documents.mapper().enable(SerializationFeature.INDENT_OUTPUT).build();

    public SavedLayout {
        if (layout.name().length() > LONGEST || layout.name().chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(
                    WORDS.say("aLayoutsNameHasFrom1ToCharacters", LONGEST, layout.name()));
        }
        layout = layout.withoutSources();
    }

    public static SavedLayout of(Layout layout) {
        return new SavedLayout(VERSION, layout);
    }

    public String toText() {
        try {
            return JSON.writeValueAsString(this) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A layout couldn't be put into words: " + e.getOriginalMessage(), e);
        }
    }

    /** @throws IllegalArgumentException saying in words why the text is no layout */
    public static SavedLayout parse(String text) {
        try {
            JsonNode tree = Documents.tree(JSON, text);
            if (!tree.isObject() || !tree.path("version").isInt() || !tree.path("layout").isObject()) {
                throw new IllegalArgumentException(WORDS.say("thisIsNotALayoutOfVat"));
            }
            if (tree.path("version").asInt() > VERSION) {
                throw new IllegalArgumentException(
                        WORDS.say("thisLayoutIsOfANewerVat", tree.path("version").asInt(), VERSION));
            }
            return Documents.value(JSON, tree, SavedLayout.class);
        } catch (DocumentFault e) {
            throw new IllegalArgumentException(WORDS.say("thisIsNotALayoutOfVat2", e.getMessage()), e);
        }
    }
}
