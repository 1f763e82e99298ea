package dev.vat.core.delivery;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;

/**
 * A column that somebody keeps under a name: its target and what differs from that, never a place. Exchanged as JSON text,
 * version 1; fields that aren't known are kept.
 */
public record Preset(int version, String name, Deliverable column) {

    public static final int VERSION = 1;
    private static final int LONGEST = 80;
    private static final JsonMapper JSON = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    public Preset {
        name = name == null ? "" : name.strip();
        if (name.isEmpty() || name.length() > LONGEST || name.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException("A preset's name has from 1 to " + LONGEST + " characters on one line, not '" + name + "'");
        }
        if (column == null) {
            throw new IllegalArgumentException("The preset '" + name + "' has no column");
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
            JsonNode tree = JSON.readTree(text);
            if (tree == null || !tree.isObject() || !tree.path("version").isInt() || !tree.path("column").isObject()) {
                throw new IllegalArgumentException("This is not a preset of Vat");
            }
            if (tree.path("version").asInt() > VERSION) {
                throw new IllegalArgumentException(
                        "This preset is of a newer Vat (format " + tree.path("version").asInt() + "; this one reads "
                                + VERSION + ")");
            }
            return JSON.treeToValue(tree, Preset.class);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("This is not a preset of Vat: " + e.getOriginalMessage().lines().findFirst().orElse(""), e);
        }
    }
}
