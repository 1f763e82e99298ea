package dev.vat.core.document;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.words.Words;
import java.util.Map;

/**
 * Reads documents that somebody may have written by hand, damaged, or made to do harm: within bounds, and with words about the document
 * where it is wrong, never about the program.
 */
public final class Documents {

    private static final Words WORDS = Words.of(Documents.class);

    /** Characters of a document: a journal of a feature film has a tenth of them. */
    private static final long MOST_LENGTH = 500_000_000;
    private static final int MOST_DEPTH = 100;
    private static final int MOST_TEXT = 20_000_000;
    private static final int MOST_NAME = 10_000;
    private static final int MOST_DIGITS = 200;
    /** Entries of a list that people make. */
    private static final int MOST_ENTRIES = 20_000;

    private Documents() {}

    /** A builder of mappers that keep to the bounds. */
    public static JsonMapper.Builder mapper() {
        return JsonMapper.builder(JsonFactory.builder().streamReadConstraints(StreamReadConstraints.builder()
                .maxDocumentLength(MOST_LENGTH).maxNestingDepth(MOST_DEPTH).maxStringLength(MOST_TEXT).maxNameLength(MOST_NAME)
                .maxNumberLength(MOST_DIGITS).build()).build());
    }

    /** @throws DocumentFault if a text is no JSON, or goes beyond the bounds */
    public static JsonNode tree(JsonMapper mapper, String text) {
        try {
            JsonNode tree = mapper.readTree(text);
            bound(tree, "");
            return tree;
        } catch (JsonProcessingException e) {
            throw new DocumentFault(words(e), e);
        }
    }

    private static void bound(JsonNode node, String place) {
        if (node.isArray() && node.size() > MOST_ENTRIES) {
            throw new DocumentFault(WORDS.say("entriesWhereAtMost", place, node.size(), MOST_ENTRIES), null);
        }
        if (node.isArray()) {
            for (int i = 0; i < node.size(); i++) {
                bound(node.get(i), place + "[" + i + "]");
            }
            return;
        }
        for (Map.Entry<String, JsonNode> field : node.properties()) {
            bound(field.getValue(), place.isEmpty() ? field.getKey() : place + "." + field.getKey());
        }
    }

    /** @throws DocumentFault saying where a tree can't be what was asked for, and what it may be there */
    public static <T> T value(JsonMapper mapper, JsonNode tree, Class<T> type) {
        try {
            return mapper.treeToValue(tree, type);
        } catch (JsonProcessingException e) {
            throw new DocumentFault(FaultWords.of(e, tree), e);
        }
    }

    /** What is wrong of a document, in words: where, what was found, what is allowed. */
    public static String words(JsonProcessingException e) {
        return FaultWords.of(e, null);
    }
}
