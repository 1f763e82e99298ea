package dev.vat.media.encode;

import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.util.List;
import java.util.function.Consumer;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** An encoder whose packets are decoded again as they come, if that is wanted. Belongs to one thread. */
final class CheckedEncoder implements AutoCloseable {

    private final TrackEncoder encoder;
    private final InlineCheck check;
    private long bytes;

    /** @param firstFrame the output frame that it begins with @param checked whether every frame is decoded again at once */
    CheckedEncoder(EncoderSpec spec, long firstFrame, boolean checked) {
        encoder = new TrackEncoder(spec);
        try {
            check = checked ? new InlineCheck(encoder.context(), spec.codec().hasHiddenAlpha(), firstFrame) : null;
        } catch (MediaException e) {
            encoder.close();
            throw e;
        }
    }

    AVCodecContext context() {
        return encoder.context();
    }

    /** Bytes of coded pictures so far. */
    long bytes() {
        return bytes;
    }

    void encode(Picture picture, Consumer<AVPacket> sink) {
        if (check != null) {
            check.given(picture);
        }
        encoder.encode(picture, packet -> take(packet, sink));
    }

    void flush(Consumer<AVPacket> sink) {
        encoder.flush(packet -> take(packet, sink));
    }

    private void take(AVPacket packet, Consumer<AVPacket> sink) {
        bytes += packet.size();
        if (check != null) {
            check.coded(packet);
        }
        sink.accept(packet);
    }

    /** What was found of each frame, once all are flushed; nothing if none is decoded again. */
    List<FrameProof> proofs() {
        return check == null ? List.of() : List.copyOf(check.finish());
    }

    @Override
    public void close() {
        if (check != null) {
            check.close();
        }
        encoder.close();
    }
}
