package dev.vat.core.trial;

import java.util.List;

/**
 * A stretch of a file as its encoder packed it.
 *
 * @param first frame of the file
 * @param seconds that making it took, its share of what all files took together
 */
public record Excerpt(long first, List<Packed> frames, double seconds) {
    public Excerpt {
        frames = List.copyOf(frames);
    }
}
