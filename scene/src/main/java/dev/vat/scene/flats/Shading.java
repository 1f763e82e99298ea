package dev.vat.scene.flats;

/** How much is worked out of what a picture shows. */
public enum Shading {
    LINES("lines", "edges only"),
    FLAT("flat", "plain colours"),
    LIT("lit", "with light"),
    SHADOWED("shadowed", "with light, shadow and haze");

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
