package dev.vat.core.document;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonValue;
import com.fasterxml.jackson.core.JsonLocation;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.exc.StreamConstraintsException;
import com.fasterxml.jackson.databind.JsonMappingException;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.exc.InvalidTypeIdException;
import com.fasterxml.jackson.databind.exc.MismatchedInputException;
import com.fasterxml.jackson.databind.exc.ValueInstantiationException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import dev.vat.core.words.Words;
import java.time.temporal.Temporal;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** What a parser's exceptions mean for somebody who has the document before them. */
final class FaultWords {

    private static final Words WORDS = Words.of(FaultWords.class);

    private static final Pattern MISSING = Pattern.compile("because \"(?:this\\.)?(\\w+)\" is null");
    private static final int MOST_SHOWN = 60;
    private static final String OWN = "dev.vat.";
    /** As values stand in documents. */
    private static final JsonMapper PLAIN = JsonMapper.builder().build();

    private FaultWords() {}

    /** @param root the document, or null if it couldn't be parsed */
    static String of(JsonProcessingException e, JsonNode root) {
        return switch (e) {
            case StreamConstraintsException _ -> WORDS.say("largerOrDeeper");
            case InvalidTypeIdException kind -> at(kind) + (kind.getTypeId() == null ? WORDS.say("kindIsMissing", kinds(kind))
                    : WORDS.say("isNoKind", shown(kind.getTypeId()), kinds(kind)));
            case ValueInstantiationException made -> at(made) + cause(made, root);
            case MismatchedInputException other when other.getTargetType() != null -> at(other)
                    + WORDS.say("whereIsExpected", found(other, root), expected(other.getTargetType()));
            case JsonMappingException mapping -> at(mapping) + cause(mapping, root);
            default -> noJson(e.getLocation());
        };
    }

    private static String noJson(JsonLocation where) {
        return where == null ? WORDS.say("noJson") : WORDS.say("noJsonAt", where.getLineNr(), where.getColumnNr());
    }

    /** {@code deliverables[2].ground: }, or nothing for the whole. */
    private static String at(JsonMappingException e) {
        String path = path(e);
        return path.isEmpty() ? "" : path + ": ";
    }

    private static String path(JsonMappingException e) {
        StringBuilder path = new StringBuilder();
        for (JsonMappingException.Reference step : e.getPath()) {
            if (step.getFieldName() == null) {
                path.append('[').append(step.getIndex()).append(']');
            } else {
                path.append(path.isEmpty() ? "" : ".").append(shown(step.getFieldName()));
            }
        }
        return path.toString();
    }

    /** What the value's own check says; it speaks of the value in words of the trade. */
    private static String cause(JsonMappingException e, JsonNode root) {
        Throwable cause = e;
        while (cause.getCause() != null && cause.getCause() != cause) {
            cause = cause.getCause();
        }
        if (cause instanceof NullPointerException) {
            Matcher missing = MISSING.matcher(String.valueOf(cause.getMessage()));
            // Names of the document are only those that its own types have.
            boolean named = cause.getStackTrace().length > 0 && cause.getStackTrace()[0].getClassName().startsWith(OWN);
            return named && missing.find() ? WORDS.say("isMissing", missing.group(1)) : WORDS.say("somethingIsMissing");
        }
        if (e instanceof ValueInstantiationException made && made.getType() != null && made.getType().isEnumType()) {
            return WORDS.say("whereIsExpected", found(e, root), expected(made.getType().getRawClass()));
        }
        boolean own = (cause instanceof IllegalArgumentException || cause instanceof ArithmeticException) && cause.getMessage() != null;
        return own ? cause.getMessage() : WORDS.say("cantStandHere", found(e, root));
    }

    private static String found(JsonMappingException e, JsonNode root) {
        JsonNode node = root;
        for (JsonMappingException.Reference step : e.getPath()) {
            node = node == null ? null : step.getFieldName() == null ? node.get(step.getIndex()) : node.get(step.getFieldName());
        }
        if (node == null) {
            return WORDS.say("another");
        }
        return switch (node.getNodeType()) {
            case ARRAY -> WORDS.say("aList");
            case OBJECT -> WORDS.say("anObject");
            case NULL, MISSING -> WORDS.say("nothing");
            default -> shown(node.toString());
        };
    }

    private static String shown(String text) {
        return text.length() <= MOST_SHOWN ? text : text.substring(0, MOST_SHOWN) + "\u2026";
    }

    private static String expected(Class<?> type) {
        if (type.isEnum()) {
            return WORDS.say("oneOf",
                    Arrays.stream(type.getEnumConstants()).map(c -> PLAIN.valueToTree(c).asText()).collect(Collectors.joining(", ")));
        }
        if (type == boolean.class || type == Boolean.class) {
            return WORDS.say("trueOrFalse");
        }
        if (type.isPrimitive() || Number.class.isAssignableFrom(type)) {
            return List.of(float.class, double.class, Float.class, Double.class).contains(type) ? WORDS.say("aNumber")
                    : WORDS.say("aWholeNumber");
        }
        if (type.isArray() || Collection.class.isAssignableFrom(type)) {
            return WORDS.say("aList");
        }
        boolean asText = Arrays.stream(type.getMethods()).anyMatch(m -> m.isAnnotationPresent(JsonValue.class));
        if (asText || type == String.class || Temporal.class.isAssignableFrom(type)) {
            return WORDS.say("text");
        }
        if (type.isRecord() && type.getRecordComponents().length > 0) {
            return WORDS.say("anObjectWith", Arrays.stream(type.getRecordComponents()).map(c -> c.getName())
                    .filter(name -> !name.equals("extra")).collect(Collectors.joining(", ")));
        }
        return Map.class.isAssignableFrom(type) || type.isRecord() ? WORDS.say("anObject") : WORDS.say("anotherValue");
    }

    private static String kinds(InvalidTypeIdException e) {
        JsonSubTypes kinds = e.getBaseType() == null ? null : e.getBaseType().getRawClass().getAnnotation(JsonSubTypes.class);
        return kinds == null ? "" : Arrays.stream(kinds.value()).map(JsonSubTypes.Type::name).collect(Collectors.joining(", "));
    }
}
