package dev.vat.media.encode;

import dev.vat.core.container.DpxHeader;
import dev.vat.core.proof.Expectation;
import dev.vat.core.time.Timecode;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.bytedeco.ffmpeg.avcodec.AVPacket;

/** Encodes a range of numbered stills, each into a file of its own, checking it as it goes. Belongs to one thread. */
public final class StillsWriter implements PartSink {

    private static final Words WORDS = Words.of(StillsWriter.class);

    private final Path folder;
    private final Expectation expected;
    private final boolean dpx;
    private final CheckedEncoder encoder;
    private long next;

    /** @param expected the whole folder, of which this is a range @param firstFrame the output frame that the range begins with */
    public StillsWriter(Path folder, Expectation expected, EncoderSpec spec, long firstFrame, boolean checked) {
        this.folder = folder;
        this.expected = expected;
        this.dpx = spec.codec().reportedName().equals("dpx");
        this.next = firstFrame;
        // One after the other: a picture goes out before the next comes in, so that numbers can't be mixed up.
        EncoderSpec single = new EncoderSpec(spec.codec(), spec.colour(), spec.size(), spec.pixelAspect(), spec.rate(), spec.scan(), null,
                1, spec.options(), null);
        encoder = new CheckedEncoder(single, firstFrame, checked);
    }

    /** The file of an output frame. */
    public static Path file(Path folder, Expectation.Stills stills, long frame) {
        return folder.resolve(stills.names().fileName(stills.first() + frame));
    }

    @Override
    public void write(Picture converted) {
        encoder.encode(converted, this::take);
    }

    private void take(AVPacket packet) {
        byte[] data = new byte[packet.size()];
        packet.data().get(data, 0, data.length);
        Path file = file(folder, expected.stills(), next);
        try {
            Files.write(file, dpx ? withHeader(data, file, next) : data);
            next++;
        } catch (IOException e) {
            throw new MediaException(WORDS.say("writing", file.getFileName(), e.getMessage()), 0);
        }
    }

    /** The library's has no room for time and sequence, which readers then take out of the picture. */
    private byte[] withHeader(byte[] still, Path file, long frame) {
        String label = expected.stills().label();
        return DpxHeader.whole(still, new DpxHeader.Facts(file.getFileName().toString(), "Vat", expected.rate(),
                label == null ? null : Timecode.parse(label, expected.rate()).plusFrames(frame), frame, expected.frames(),
                expected.pixelAspect()));
    }

    @Override
    public long bytes() {
        return encoder.bytes();
    }

    @Override
    public List<FrameProof> finish() {
        encoder.flush(this::take);
        return encoder.proofs();
    }

    @Override
    public void close() {
        encoder.close();
    }
}
