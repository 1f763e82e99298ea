package dev.vat.scene.flats;

import dev.vat.core.words.Words;

/** Kinds of things at Marram Flats that can be left out of the picture. */
public enum ObjectClass {
    BACKDROP("backdrop", Words.of(ObjectClass.class).say("skyBehindEverything"), false),
    STRINGS("strings", Words.of(ObjectClass.class).say("stringsOfTheKites"), false),
    CELLS("cells", Words.of(ObjectClass.class).say("cellsThatSayCameraAndFrame"), false),
    LIGHTS("lights", Words.of(ObjectClass.class).say("outlinesOfLights"), true),
    BOXES("boxes", Words.of(ObjectClass.class).say("boxesAroundThings"), true),
    PATHS("paths", Words.of(ObjectClass.class).say("curvesThatThingsMoveAlong"), true);

    private final String id;
    private final String title;
    private final boolean construction;

    ObjectClass(String id, String title, boolean construction) {
        this.id = id;
        this.title = title;
        this.construction = construction;
    }

    public String id() {
        return id;
    }

    public String title() {
        return title;
    }

    /** Whether it helps while building and belongs into no picture that somebody else looks at. */
    public boolean isConstruction() {
        return construction;
    }
}
