package dev.vat.core.trial;

import java.util.List;

/** A stretch of a file as its encoder packed it. @param first frame of the file */
public record Excerpt(long first, List<Packed> frames) {
    public Excerpt {
        frames = List.copyOf(frames);
    }
}
