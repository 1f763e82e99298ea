package dev.vat.media.proof;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_descriptor_get_by_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_get_name;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_free;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.Expectation;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.encode.StillsWriter;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.function.LongPredicate;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;

/** Opens every still of a finished folder anew, decodes it strictly and writes down what it finds. */
public final class StillsProof {

    private static final Words WORDS = Words.of(StillsProof.class);

    private final Expectation planned;
    private final Set<String> sizes = new HashSet<>();
    private String format = "";
    private int bits;
    private int alphaBits;
    private String chroma = "";

    private StillsProof(Expectation planned) {
        this.planned = planned;
    }

    /**
     * @param folder that they lie in, or the one still itself
     * @param goOn is told after each still how many were decoded; false stops the proof
     * @throws MediaException naming a still that can't be decoded, or isn't there
     */
    public static MovieProof.Result prove(Path folder, Expectation planned, LongPredicate goOn) throws IOException {
        return new StillsProof(planned).run(folder, goOn);
    }

    private MovieProof.Result run(Path folder, LongPredicate goOn) throws IOException {
        AVCodecParameters parameters = avcodec_parameters_alloc();
        int codec = avcodec_descriptor_get_by_name(planned.codec()).id();
        parameters.codec_id(codec).codec_type(avcodec_find_decoder(codec).type());
        int[] crcs = new int[Math.toIntExact(planned.frames())];
        long bytes = 0;
        try (TrackDecoder decoder = new TrackDecoder(parameters, false, Av.fraction(Rational.of(1, 25)), 1)) {
            for (int i = 0; i < crcs.length; i++) {
                Path file = Files.isRegularFile(folder) ? folder : StillsWriter.file(folder, planned.stills(), i);
                if (!Files.isRegularFile(file)) {
                    throw new MediaException(WORDS.say("isntThere", file.getFileName()), 0);
                }
                byte[] data = Files.readAllBytes(file);
                bytes += data.length;
                crcs[i] = decode(decoder, data, file);
                if (!goOn.test(i + 1L)) {
                    throw new CancellationException(WORDS.say("theProofWasStopped"));
                }
            }
        } finally {
            avcodec_parameters_free(parameters);
        }
        return new MovieProof.Result(facts(crcs.length, bytes, Av.string(avcodec_get_name(codec), "unknown")), crcs, List.of());
    }

    private int decode(TrackDecoder decoder, byte[] data, Path file) {
        var crc = new Object() {
            Integer value;
        };
        decoder.decodeStill(data, picture -> {
            try (picture) {
                look(picture);
                crc.value = picture.crc32c();
            }
        });
        if (crc.value == null) {
            throw new MediaException(WORDS.say("holdsNoPicture", file.getFileName()), 0);
        }
        return crc.value;
    }

    private void look(Picture picture) {
        sizes.add(picture.width() + "x" + picture.height());
        format = picture.formatName();
        bits = picture.bits();
        alphaBits = picture.hasAlpha() ? picture.bits() : 0;
        chroma = picture.isRgb() ? "RGB" : picture.descriptor().log2_chroma_w() == 0 ? "4:4:4" : "4:2:2";
    }

    private FileFacts facts(long frames, long bytes, String codec) {
        if (sizes.size() != 1) {
            throw new MediaException(WORDS.say("theStillsHaveSeveralSizes", sizes), 0);
        }
        return new FileFacts(frames, planned.rate(), true, Rational.ZERO, planned.seconds(), Rational.ONE,
                Size.parse(sizes.iterator().next()),
                PixelAspect.SQUARE, null, Container.FRAMES.title(), codec, format, -99, bits, chroma, alphaBits, "unknown", "unknown",
                "unknown",
                "unknown", 0, null, false, Scan.PROGRESSIVE.title(), null, bytes, null, null);
    }
}
