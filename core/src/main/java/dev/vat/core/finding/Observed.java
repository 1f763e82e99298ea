package dev.vat.core.finding;

import dev.vat.core.source.FrameTable;
import java.util.Map;

/**
 * What is seen on disk at one moment; findings are made from this and the project alone.
 *
 * @param tables by source id; a source without one hasn't been found
 */
public record Observed(Map<String, FrameTable> tables, Destination destination) {

    public Observed {
        tables = Map.copyOf(tables);
    }

    /**
     * The folder that deliverables go to, after it was tried.
     *
     * @param problem why it can't be written, in words, or null
     * @param freeBytes space left, or -1 if unknown
     */
    public record Destination(String path, String problem, long freeBytes) {
        public static final Destination UNKNOWN = new Destination("", null, -1);
    }
}
