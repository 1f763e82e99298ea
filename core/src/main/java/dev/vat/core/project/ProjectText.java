package dev.vat.core.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.document.DocumentFault;
import dev.vat.core.document.Documents;
import dev.vat.core.words.Words;

/** A project as the JSON text of a {@code .vat} file, version 1; fields that aren't known are kept. */
public final class ProjectText {

    private static final Words WORDS = Words.of(ProjectText.class);

    private static final JsonMapper JSON = Documents.mapper()
            .enable(SerializationFeature.INDENT_OUTPUT)
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    private ProjectText() {}

    public static String write(Project project) {
        try {
            return JSON.writeValueAsString(project) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A project couldn't be put into words: " + e.getOriginalMessage(), e);
        }
    }

    /** @throws IllegalArgumentException saying in words why the text is no project */
    public static Project read(String text) {
        try {
            JsonNode tree = Documents.tree(JSON, text);
            if (!tree.isObject() || !tree.path("version").isInt()) {
                throw new IllegalArgumentException(WORDS.say("thisIsNotAVatProject"));
            }
            if (tree.path("version").asInt() > Project.VERSION) {
                throw new IllegalArgumentException(WORDS.say("thisProjectWasSavedByANewer", tree.path("version").asInt(), Project.VERSION));
            }
            return Documents.value(JSON, tree, Project.class);
        } catch (DocumentFault e) {
            throw new IllegalArgumentException(WORDS.say("thisIsNotAVatProject2", e.getMessage()), e);
        }
    }
}
