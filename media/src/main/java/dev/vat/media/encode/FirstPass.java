package dev.vat.media.encode;

import dev.vat.media.picture.Picture;
import java.util.List;

/** The first of two passes over a file: encodes to find out where bits are needed, and keeps nothing but notes. Belongs to one thread. */
public final class FirstPass implements PartSink {

    private final TrackEncoder encoder;

    /** @param spec of the first pass, see {@link EncoderSpec#inPass} */
    public FirstPass(EncoderSpec spec) {
        encoder = new TrackEncoder(spec);
    }

    @Override
    public void write(Picture converted) {
        encoder.encode(converted, _ -> {});
    }

    /** Nothing is kept. */
    @Override
    public long bytes() {
        return 0;
    }

    @Override
    public List<FrameProof> finish() {
        encoder.flush(_ -> {});
        return List.of();
    }

    /** Only now do some encoders put their notes in their place. */
    @Override
    public void close() {
        encoder.close();
    }
}
