package dev.vat.desktop.compare;

/** How two pictures are seen together. */
public enum Way {
    WIPE("Wipe"), BESIDE("Side by side"), FLIP("Flip"), DIFFERENCE("Difference");

    private final String title;

    Way(String title) {
        this.title = title;
    }

    String title() {
        return title;
    }
}
