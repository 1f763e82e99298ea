package dev.vat.media.encode;

import dev.vat.media.picture.Picture;
import java.util.List;

/** Takes the pictures of one part of a deliverable, in their order. Belongs to one thread. */
public interface PartSink extends AutoCloseable {

    void write(Picture converted);

    /** Bytes of coded pictures so far. */
    long bytes();

    /** Ends the part; returns what was found of each frame when it was decoded again, nothing if that was off. */
    List<FrameProof> finish();

    @Override
    void close();
}
