package dev.vat.scene.flats;

import dev.vat.core.words.Words;

/** How much is worked out of what a picture shows. */
public enum Shading {
    LINES("lines", Words.of(Shading.class).say("edgesOnly")),
    FLAT("flat", Words.of(Shading.class).say("plainColours")),
    LIT("lit", Words.of(Shading.class).say("withLight")),
    SHADOWED("shadowed", Words.of(Shading.class).say("withLightShadowAndHaze"));

    private final String id;
    private final String title;

    Shading(String id, String title) {
        this.id = id;
        this.title = title;
    }

    public String id() {
        return id;
    }

    public String title() {
        return title;
    }
}
