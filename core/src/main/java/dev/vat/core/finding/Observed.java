package dev.vat.core.finding;

import dev.vat.core.source.FrameTable;
import java.util.Map;
import java.util.Set;

/**
 * What is seen on disk at one moment; findings are made from this and the project alone.
 *
 * @param tables by source id; a source without one hasn't been found
 * @param checking ids of sources that are being looked into
 */
public record Observed(Map<String, FrameTable> tables, Destination destination, Set<String> checking) {

    public Observed {
        tables = Map.copyOf(tables);
        checking = Set.copyOf(checking);
    }

    /** Nothing is being looked into any more. */
    public Observed(Map<String, FrameTable> tables, Destination destination) {
        this(tables, destination, Set.of());
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
