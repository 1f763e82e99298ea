package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How frames that hold two fields, each of its own moment, are taken. */
public enum FieldReading {
    @JsonProperty("kept")
    KEPT("Both fields kept"),
    /** Lines of the second field are made of the first one's and of the frames beside, as far as something moves. */
    @JsonProperty("deinterlaced")
    DEINTERLACED("Deinterlaced");

    private final String title;

    FieldReading(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
