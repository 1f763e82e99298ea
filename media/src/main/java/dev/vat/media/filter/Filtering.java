package dev.vat.media.filter;

import dev.vat.core.words.Words;
import dev.vat.media.lib.OneAtATime;
import dev.vat.media.picture.ChromaGrid;
import dev.vat.media.picture.Picture;
import java.util.Objects;
import java.util.function.Function;

/** Applies a chain to one picture after the other, building it anew only when the kind of picture changes. */
public final class Filtering implements AutoCloseable {

    private static final Words WORDS = Words.of(Filtering.class);

    private final Function<Picture, String> chains;
    private Graph.Kind kind;
    private Graph graph;

    private final OneAtATime use = new OneAtATime(WORDS.say("aChainOfFilters"));

    /** @param chains the chain for a picture, as text */
    public Filtering(Function<Picture, String> chains) {
        this.chains = chains;
    }

    /** Puts a picture in that must come out changed. */
    public Picture apply(Picture picture) {
        use.enter();
        try {
            graphFor(picture);
            return graph.apply(picture);
        } finally {
            use.leave();
        }
    }

    /** The same for pictures whose colour is coarser than their size has whole steps of; colour has to come out as fine as brightness. */
    public Picture applyToWhole(Picture picture) {
        if (ChromaGrid.isWhole(picture)) {
            return apply(picture);
        }
        try (Picture whole = ChromaGrid.filled(picture)) {
            return apply(whole).cutTo(picture.width(), picture.height());
        }
    }

    /** Puts a picture in; null if more are needed before one comes out. */
    public Picture offer(Picture picture) {
        use.enter();
        try {
            graphFor(picture);
            return graph.offer(picture);
        } finally {
            use.leave();
        }
    }

    private void graphFor(Picture picture) {
        Graph.Kind wanted = Graph.Kind.of(picture.frame());
        if (!Objects.equals(wanted, kind)) {
            drop();
            graph = new Graph(picture.frame(), chains.apply(picture));
            kind = wanted;
        }
    }

    @Override
    public void close() {
        use.enter();
        drop();
        use.leave();
    }

    private void drop() {
        if (graph != null) {
            graph.close();
            graph = null;
            kind = null;
        }
    }
}
