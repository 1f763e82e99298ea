package dev.vat.core.preview;

import dev.vat.core.words.Words;

/** Something that a scene lets one choose. @param construction whether it helps while building and belongs into no picture for others */
public record Choice(String id, String title, boolean construction) {

    private static final Words WORDS = Words.of(Choice.class);

    public Choice {
        if (id == null || id.isBlank()) {
            throw new IllegalArgumentException(WORDS.say("aChoiceHasNoName"));
        }
        title = title == null || title.isBlank() ? id : title;
    }
}
