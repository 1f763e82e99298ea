package dev.vat.core.delivery;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.document.DocumentFault;
import dev.vat.core.document.Documents;
import dev.vat.core.words.Words;

/**
 * A column that somebody keeps under a name: its target and what differs from that, never a place. Exchanged as JSON text,
 * version 1; fields that aren't known are kept.
 */
public record Preset(int version, String name, Deliverable column) {

    private static final Words WORDS = Words.of(Preset.class);

    public static final int VERSION = 1;
    private static final int LONGEST = 80;
    private static final JsonMapper JSON = Documents.mapper().enable(SerializationFeature.INDENT_OUTPUT).build();

    public Preset {
        name = name == null ? "" : name.strip();
        if (name.isEmpty() || name.length() > LONGEST || name.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(WORDS.say("aPresetsNameHasFrom1ToCharacters", LONGEST, name));
        }
        if (column == null) {
            throw new IllegalArgumentException(WORDS.say("thePresetHasNoColumn", name));
        }
    }

    public static Preset of(String name, Deliverable column) {
        return new Preset(VERSION, name, column.withId(column.target()).withOff(false).withoutPaths());
    }

    public String toText() {
        try {
            return JSON.writeValueAsString(this) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A preset couldn't be put into words: " + e.getOriginalMessage(), e);
        }
    }

    /** @throws IllegalArgumentException saying in words why the text is no preset */
    public static Preset parse(String text) {
        try {
            JsonNode tree = Documents.tree(JSON, text);
            if (!tree.isObject() || !tree.path("version").isInt() || !tree.path("column").isObject()) {
                throw new IllegalArgumentException(WORDS.say("thisIsNotAPresetOfVat"));
            }
            if (tree.path("version").asInt() > VERSION) {
                throw new IllegalArgumentException(
                        WORDS.say("thisPresetIsOfANewerVat", tree.path("version").asInt(), VERSION));
            }
            return Documents.value(JSON, tree, Preset.class);
        } catch (DocumentFault e) {
            throw new IllegalArgumentException(WORDS.say("thisIsNotAPresetOfVat2", e.getMessage()), e);
        }
    }
}
