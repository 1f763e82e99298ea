package dev.vat.core.project;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import com.fasterxml.jackson.annotation.JsonAnySetter;
import com.fasterxml.jackson.annotation.JsonIgnore;
import dev.vat.core.source.Location;
import dev.vat.core.source.Reading;
import dev.vat.core.source.SequencePattern;
import java.util.Map;

/** A sequence, movie, still or sound that was brought in: where it lies, how its files are named, and how it is to be read. */
public record Source(String id, Place folder, SequencePattern pattern, Reading reading,
        @JsonAnySetter @JsonAnyGetter Map<String, Object> extra) {

    public Source {
        reading = reading == null ? Reading.PLAIN : reading;
        extra = extra == null ? Map.of() : Map.copyOf(extra);
    }

    public static Source of(String id, Place folder, SequencePattern pattern, Reading reading) {
        return new Source(id, folder, pattern, reading, Map.of());
    }

    public Source withReading(Reading other) {
        return new Source(id, folder, pattern, other, extra);
    }

    public Source withFolder(Place other) {
        return new Source(id, other, pattern, reading, extra);
    }

    public Source withLocation(Place place, SequencePattern names) {
        return new Source(id, place, names, reading, extra);
    }

    @JsonIgnore
    public Location location() {
        return new Location(folder.path(), pattern);
    }

    @JsonIgnore
    public String name() {
        return pattern.name();
    }
}
