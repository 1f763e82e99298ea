package dev.vat.core.burnin;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonValue;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Words with fields in braces that stand for something else at every frame: {@code {source} {frame}}. */
public record Wording(@JsonValue String text) {

    private static final Words WORDS = Words.of(Wording.class);

    private static final Pattern BRACES = Pattern.compile("\\{([^{}]*)\\}");
    private static final int LONGEST = 500;

    public Wording {
        if (text.isBlank() || text.length() > LONGEST) {
            throw new IllegalArgumentException(WORDS.say("wordsToWriteIntoAPicture", LONGEST));
        }
        if (text.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(WORDS.say("aLineOfWordsCantHoldALine"));
        }
    }

    /** @throws IllegalArgumentException naming a field that doesn't exist */
    public static Wording parse(String text) {
        Wording wording = new Wording(text.strip());
        Matcher braces = BRACES.matcher(wording.text);
        while (braces.find()) {
            if (Field.find(braces.group(1)).isEmpty()) {
                throw new IllegalArgumentException(WORDS.say("thereIsNoFieldThereAre", braces.group(1),
                        Arrays.stream(Field.values()).map(Field::toString).collect(Collectors.joining(" "))));
            }
        }
        return wording;
    }

    /** As it was stored: a field of a newer Vat stays words. */
    @JsonCreator
    static Wording stored(String text) {
        return new Wording(text);
    }

    public static Wording of(Field field) {
        return new Wording(field.toString());
    }

    /** What stands in it besides fields. */
    public String literal() {
        return BRACES.matcher(text)
                .replaceAll((MatchResult m) -> Field.find(m.group(1)).isPresent() ? "" : Matcher.quoteReplacement(m.group()));
    }

    /** The fields that stand in it. */
    public Set<Field> fields() {
        return BRACES.matcher(text).results().flatMap(m -> Field.find(m.group(1)).stream()).collect(Collectors.toSet());
    }

    /** With each field filled in; empty if one of them says nothing. */
    public Optional<String> filled(FrameFacts facts) {
        return facts.know(fields()) ? Optional.of(filledAnyway(facts)) : Optional.empty();
    }

    /** With each field filled in; one that says nothing leaves nothing. */
    public String filledAnyway(FrameFacts facts) {
        return BRACES.matcher(text)
                .replaceAll((MatchResult m) -> Matcher.quoteReplacement(Field.find(m.group(1)).map(facts::of).orElse(m.group()))).strip();
    }
}
