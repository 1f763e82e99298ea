package dev.vat.core.delivery;

/** A kind of file that holds coded pictures. */
public enum Container {
    MP4("MP4", "mp4"),
    MOV("MOV", "mov");

    private final String title;
    private final String extension;

    Container(String title, String extension) {
        this.title = title;
        this.extension = extension;
    }

    public String title() {
        return title;
    }

    public String extension() {
        return extension;
    }
}
