package dev.vat.media.encode;

import dev.vat.core.container.DpxHeader;
import dev.vat.core.container.ExrHead;
import dev.vat.core.container.TiffHead;
import dev.vat.core.product.VatVersion;
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
    private final String format;
    private final CheckedEncoder encoder;
    private long next;

    /** @param expected the whole folder, of which this is a range @param firstFrame the output frame that the range begins with */
    public StillsWriter(Path folder, Expectation expected, EncoderSpec spec, long firstFrame, boolean checked) {
        this.folder = folder;
        this.expected = expected;
        this.format = spec.codec().reportedName();
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
            Files.write(file, withHeader(data, file, next));
            next++;
        } catch (IOException e) {
            throw new MediaException(WORDS.say("writing", file.getFileName(), e.getMessage()), e);
        }
    }

    /** What the library's headers of DPX and EXR lack: time, place in the sequence, maker; and a number of TIFF's that is out of use. */
    private byte[] withHeader(byte[] still, Path file, long frame) throws IOException {
        String stated = expected.stills().label();
        Timecode label = stated == null ? null : Timecode.parse(stated, expected.rate()).plusFrames(frame);
        return switch (format) {
            case "dpx" -> DpxHeader.whole(still,
                    new DpxHeader.Facts(file.getFileName().toString(), VatVersion.named(), expected.rate(), label, frame,
                            expected.frames(), expected.pixelAspect()));
            case "exr" -> ExrHead.dated(still, expected.rate(), label, VatVersion.named());
            case "tiff" -> {
                TiffHead.registerDeflate(still);
                yield still;
            }
            default -> still;
        };
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
