package dev.vat.media;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_free;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_from_context;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/**
 * Decodes an encoder's packets as they come and compares each picture with the one the encoder was given, which is held
 * until then: as many pictures as the encoder delays. Belongs to one thread.
 */
final class InlineCheck implements AutoCloseable {

    private final Deque<Picture> given = new ArrayDeque<>();
    private final Likeness likeness = new Likeness();
    private final TrackDecoder decoder;
    private final List<FrameProof> proofs = new ArrayList<>();
    private final long firstFrame;

    /** @param hiddenAlpha whether alpha goes beside the pictures, as it does in VP9 */
    InlineCheck(AVCodecContext encoder, boolean hiddenAlpha, long firstFrame) {
        this.firstFrame = firstFrame;
        AVCodecParameters parameters = avcodec_parameters_alloc();
        try {
            Av.check(avcodec_parameters_from_context(parameters, encoder), "Check");
            decoder = new TrackDecoder(parameters, hiddenAlpha, encoder.time_base(), 1);
        } finally {
            avcodec_parameters_free(parameters);
        }
    }

    void given(Picture picture) {
        given.add(picture.share());
    }

    void coded(AVPacket packet) {
        decoder.decode(packet, this::compare);
    }

    List<FrameProof> finish() {
        decoder.flush(this::compare);
        if (!given.isEmpty()) {
            throw new MediaException(given.size() + " frames that were encoded can't be decoded again", 0);
        }
        return proofs;
    }

    private void compare(Picture decoded) {
        try (decoded; Picture original = given.poll()) {
            if (original == null) {
                throw new MediaException("More frames can be decoded than were encoded", 0);
            }
            Likeness.Value value = likeness.compare(decoded, original);
            proofs.add(new FrameProof(firstFrame + proofs.size(), decoded.crc32c(), value.psnr(), value.ssim()));
        }
    }

    @Override
    public void close() {
        decoder.close();
        likeness.close();
        given.forEach(Picture::close);
        given.clear();
    }
}
