package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;

/** How frames that hold two fields, each of its own moment, are taken. */
public enum FieldReading {
    @JsonProperty("kept")
    KEPT("Both fields kept"),
    /** Lines of the second field are made of the first one's and of the frames beside, as far as something moves. */
    @JsonProperty("deinterlaced")
    DEINTERLACED("Deinterlaced"),
    /** Two frames are made of each, in time with their fields, so that there are twice as many at twice the rate. */
    @JsonProperty("each")
    EACH("Each field a frame");

    private final String title;

    FieldReading(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
