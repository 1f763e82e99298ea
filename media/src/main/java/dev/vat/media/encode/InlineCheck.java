package dev.vat.media.encode;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_GIF;
import static org.bytedeco.ffmpeg.global.avcodec.AV_INPUT_BUFFER_PADDING_SIZE;
import static org.bytedeco.ffmpeg.global.avcodec.AV_PKT_DATA_NEW_EXTRADATA;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_get_side_data;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_free;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_from_context;
import static org.bytedeco.ffmpeg.global.avutil.av_mallocz;

import dev.vat.core.words.Words;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.measure.LightMeter;
import dev.vat.media.measure.Likeness;
import dev.vat.media.picture.Picture;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.javacpp.BytePointer;
import org.bytedeco.javacpp.Pointer;
import org.bytedeco.javacpp.SizeTPointer;

/**
 * Decodes an encoder's packets as they come and compares each picture with the one the encoder was given, which is held
 * until then: as many pictures as the encoder delays. Belongs to one thread.
 */
final class InlineCheck implements AutoCloseable {

    private static final Words WORDS = Words.of(InlineCheck.class);

    private final Deque<Picture> given = new ArrayDeque<>();
    private final Likeness likeness;
    private final AVCodecContext encoder;
    private final boolean hiddenAlpha;
    private TrackDecoder decoder;
    private final List<FrameProof> proofs = new ArrayList<>();
    private final long firstFrame;

    /** @param hiddenAlpha whether alpha goes beside the pictures, as it does in VP9 */
    InlineCheck(AVCodecContext encoder, boolean hiddenAlpha, long firstFrame) {
        this.firstFrame = firstFrame;
        this.encoder = encoder;
        this.likeness = new Likeness(encoder.codec_id() == AV_CODEC_ID_GIF);
        this.hiddenAlpha = hiddenAlpha;
    }

    /** Some encoders know their parameters with the first packet only, and send them beside it. */
    private TrackDecoder decoderFor(AVPacket first) {
        AVCodecParameters parameters = avcodec_parameters_alloc();
        try (SizeTPointer size = new SizeTPointer(1)) {
            Av.check(avcodec_parameters_from_context(parameters, encoder), WORDS.say("check"));
            BytePointer beside = av_packet_get_side_data(first, AV_PKT_DATA_NEW_EXTRADATA, size);
            if (parameters.extradata_size() == 0 && beside != null && !beside.isNull()) {
                int length = Math.toIntExact(size.get());
                BytePointer own = new BytePointer(av_mallocz(length + AV_INPUT_BUFFER_PADDING_SIZE));
                Pointer.memcpy(own, beside, length);
                parameters.extradata(own).extradata_size(length);
            }
            return new TrackDecoder(parameters, hiddenAlpha, encoder.time_base(), 1);
        } finally {
            avcodec_parameters_free(parameters);
        }
    }

    void given(Picture picture) {
        given.add(picture.share());
    }

    void coded(AVPacket packet) {
        if (decoder == null) {
            decoder = decoderFor(packet);
        }
        decoder.decode(packet, this::compare);
    }

    List<FrameProof> finish() {
        if (decoder != null) {
            decoder.flush(this::compare);
        }
        if (!given.isEmpty()) {
            throw new MediaException(WORDS.say("framesThatWereEncodedCant", given.size()), 0);
        }
        return proofs;
    }

    private void compare(Picture decoded) {
        try (decoded; Picture original = given.poll()) {
            if (original == null) {
                throw new MediaException(WORDS.say("moreFramesCanBeDecodedThan"), 0);
            }
            Likeness.Value value = likeness.compare(decoded, original);
            proofs.add(new FrameProof(firstFrame + proofs.size(), decoded.crc32c(), value.psnr(), value.ssim(),
                    LightMeter.of(original).orElse(null)));
        }
    }

    @Override
    public void close() {
        if (decoder != null) {
            decoder.close();
        }
        likeness.close();
        given.forEach(Picture::close);
        given.clear();
    }
}
