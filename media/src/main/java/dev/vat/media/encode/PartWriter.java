package dev.vat.media.encode;

import dev.vat.media.lib.MediaException;
import dev.vat.media.mux.Muxer;
import dev.vat.media.picture.Picture;
import java.nio.file.Path;
import java.util.List;

/** Encodes one part of a deliverable into a closed file of its own, checking it as it goes. Belongs to one thread. */
public final class PartWriter implements PartSink {

    private final CheckedEncoder encoder;
    private final Muxer muxer;

    /**
     * @param firstFrame the output frame that the part begins with
     * @param checked whether every frame is decoded again at once
     */
    public PartWriter(Path file, EncoderSpec spec, long firstFrame, boolean checked) {
        encoder = new CheckedEncoder(spec, firstFrame, checked);
        Muxer opened = null;
        try {
            opened = new Muxer(spec.codec().partContainer(), file, spec.rate());
            opened.track(encoder.context(), spec.codec().hasHiddenAlpha()).start(spec.containerOptions());
        } catch (MediaException e) {
            if (opened != null) {
                opened.close();
            }
            encoder.close();
            throw e;
        }
        muxer = opened;
    }

    @Override
    public void write(Picture converted) {
        encoder.encode(converted, muxer::write);
    }

    @Override
    public long bytes() {
        return encoder.bytes();
    }

    @Override
    public List<FrameProof> finish() {
        encoder.flush(muxer::write);
        muxer.finish();
        return encoder.proofs();
    }

    @Override
    public void close() {
        muxer.close();
        encoder.close();
    }
}
