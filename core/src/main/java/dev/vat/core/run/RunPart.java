package dev.vat.core.run;

import com.fasterxml.jackson.annotation.JsonIgnore;

/** A stretch of output frames that is closed by itself. */
public record RunPart(int index, long first, long count) {
    @JsonIgnore
    public long end() {
        return first + count;
    }
}
