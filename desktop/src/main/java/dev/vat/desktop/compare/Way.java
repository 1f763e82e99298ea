package dev.vat.desktop.compare;

import dev.vat.core.words.Words;

/** How two pictures are seen together. */
public enum Way {
    WIPE(Words.of(Way.class).say("wipe")), BESIDE(Words.of(Way.class).say("sideBySide")), FLIP(Words.of(Way.class).say("flip")),
    DIFFERENCE(Words.of(Way.class).say("difference"));

    private final String title;

    Way(String title) {
        this.title = title;
    }

    String title() {
        return title;
    }
}
