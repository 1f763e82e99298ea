package dev.vat.media;

import java.util.Objects;
import java.util.function.Function;

/** Applies a chain to one picture after the other, building it anew only when the kind of picture changes. */
final class Filtering implements AutoCloseable {

    private final Function<Picture, String> chains;
    private Graph.Kind kind;
    private Graph graph;

    /** @param chains the chain for a picture, as text */
    Filtering(Function<Picture, String> chains) {
        this.chains = chains;
    }

    Picture apply(Picture picture) {
        Graph.Kind wanted = Graph.Kind.of(picture.frame());
        if (!Objects.equals(wanted, kind)) {
            close();
            graph = new Graph(picture.frame(), chains.apply(picture));
            kind = wanted;
        }
        return graph.apply(picture);
    }

    @Override
    public void close() {
        if (graph != null) {
            graph.close();
            graph = null;
            kind = null;
        }
    }
}
