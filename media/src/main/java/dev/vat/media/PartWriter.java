package dev.vat.media;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Encodes one part of a deliverable into a closed file of its own, checking it as it goes. Belongs to one thread. */
public final class PartWriter implements PartSink {

    private final TrackEncoder encoder;
    private final Muxer muxer;
    private final InlineCheck check;
    private long bytes;

    /**
     * @param firstFrame the output frame that the part begins with
     * @param checked whether every frame is decoded again at once
     */
    public PartWriter(Path file, EncoderSpec spec, long firstFrame, boolean checked) {
        encoder = new TrackEncoder(spec);
        Muxer opened = null;
        try {
            opened = new Muxer(spec.codec().partContainer(), file, spec.rate());
            opened.track(encoder.context(), hasHiddenAlpha(spec)).start(Map.of());
            check = checked ? new InlineCheck(encoder.context(), hasHiddenAlpha(spec), firstFrame) : null;
        } catch (MediaException e) {
            if (opened != null) {
                opened.close();
            }
            encoder.close();
            throw e;
        }
        muxer = opened;
    }

    private static boolean hasHiddenAlpha(EncoderSpec spec) {
        return spec.codec().hasAlpha() && spec.codec().reportedName().equals("vp9");
    }

    @Override
    public void write(Picture converted) {
        if (check != null) {
            check.given(converted);
        }
        encoder.encode(converted, this::take);
    }

    private void take(AVPacket packet) {
        bytes += packet.size();
        if (check != null) {
            check.coded(packet);
        }
        muxer.write(packet);
    }

    @Override
    public long bytes() {
        return bytes;
    }

    @Override
    public List<FrameProof> finish() {
        encoder.flush(this::take);
        muxer.finish();
        return check == null ? List.of() : List.copyOf(check.finish());
    }

    @Override
    public void close() {
        if (check != null) {
            check.close();
        }
        muxer.close();
        encoder.close();
    }
}
