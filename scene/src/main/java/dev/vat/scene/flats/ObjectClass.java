package dev.vat.scene.flats;

/** Kinds of things at Marram Flats that can be left out of the picture. */
public enum ObjectClass {
    BACKDROP("backdrop", "sky behind everything", false),
    STRINGS("strings", "strings of the kites", false),
    CELLS("cells", "cells that say camera and frame", false),
    LIGHTS("lights", "outlines of lights", true),
    BOXES("boxes", "boxes around things", true),
    PATHS("paths", "curves that things move along", true);

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
