package dev.vat.core.preview;

/** Something that a scene lets one choose. @param construction whether it helps while building and belongs into no picture for others */
public record Choice(String id, String title, boolean construction) {
    public Choice {
        if (id == null || id.isBlank()) {
            throw new IllegalArgumentException("A choice has no name");
        }
        title = title == null || title.isBlank() ? id : title;
    }
}
