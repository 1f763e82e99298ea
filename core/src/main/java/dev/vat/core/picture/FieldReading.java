package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonProperty;
import dev.vat.core.words.Words;

/** How frames that hold two fields, each of its own moment, are taken. */
public enum FieldReading {
    @JsonProperty("kept")
    KEPT(Words.of(FieldReading.class).say("bothFieldsKept")),
    /** Lines of the second field are made of the first one's and of the frames beside, as far as something moves. */
    @JsonProperty("deinterlaced")
    DEINTERLACED(Words.of(FieldReading.class).say("deinterlaced")),
    /** Two frames are made of each, in time with their fields, so that there are twice as many at twice the rate. */
    @JsonProperty("each")
    EACH(Words.of(FieldReading.class).say("eachFieldAFrame"));

    private final String title;

    FieldReading(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }
}
