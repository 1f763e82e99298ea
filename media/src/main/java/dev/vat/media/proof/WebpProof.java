package dev.vat.media.proof;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_WEBP;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_parameters_free;
import static org.bytedeco.ffmpeg.global.avutil.AVMEDIA_TYPE_VIDEO;

import dev.vat.core.delivery.Container;
import dev.vat.core.delivery.Scan;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.proof.FileFacts;
import dev.vat.core.proof.Spacing;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Rational;
import dev.vat.core.words.Words;
import dev.vat.media.decode.MovingStill;
import dev.vat.media.decode.TrackDecoder;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.Picture;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.LongPredicate;
import org.bytedeco.ffmpeg.avcodec.AVCodecParameters;

/**
 * Proves an animated WebP (RFC 9649), which the library can't open: every frame is unwrapped and decoded as the still that it is. Only
 * what Vat writes is read: frames that cover the whole picture.
 */
final class WebpProof {

    private static final Words WORDS = Words.of(WebpProof.class);

    private static final int RIFF_HEADER = 12;
    private static final int FRAME_HEADER = 16;
    private static final Rational CLOCK = Rational.of(1, 1000);

    private record Chunk(String name, int from, int length) {
        int next() {
            return from + length + (length & 1);
        }
    }

    private final byte[] data;
    private final ByteBuffer buffer;
    private final List<Integer> crcs = new ArrayList<>();
    private final List<Integer> durations = new ArrayList<>();
    private Size canvas;
    private int loops = 1;
    private Picture last;

    private WebpProof(byte[] data) {
        this.data = data;
        this.buffer = ByteBuffer.wrap(data).order(ByteOrder.LITTLE_ENDIAN);
    }

    /** @throws MediaException if a frame can't be unwrapped or decoded */
    static MovieProof.Result prove(Path file, LongPredicate goOn) throws IOException {
        return new WebpProof(Files.readAllBytes(file)).run(goOn);
    }

    private MovieProof.Result run(LongPredicate goOn) {
        if ((buffer.getInt(4) & 0xffffffffL) + 8 != data.length) {
            throw new MediaException(
                    WORDS.say("theFileSaysThatItHasBytes", ((buffer.getInt(4) & 0xffffffffL) + 8), data.length), 0);
        }
        AVCodecParameters parameters = avcodec_parameters_alloc();
        parameters.codec_id(AV_CODEC_ID_WEBP).codec_type(AVMEDIA_TYPE_VIDEO);
        try (TrackDecoder decoder = new TrackDecoder(parameters, false, Av.fraction(CLOCK), 1)) {
            for (int at = RIFF_HEADER; at + 8 <= data.length;) {
                Chunk chunk = chunk(at);
                switch (chunk.name) {
                    case "VP8X" -> canvas = Size.of(three(chunk.from + 4) + 1, three(chunk.from + 7) + 1);
                    case "ANIM" -> loops = buffer.getShort(chunk.from + 4) & 0xffff;
                    case "ANMF" -> {
                        frame(decoder, chunk);
                        if (!goOn.test(crcs.size())) {
                            throw new CancellationException(WORDS.say("theProofWasStopped"));
                        }
                    }
                    default -> {}
                }
                at = chunk.next();
            }
            if (last == null) {
                throw new MediaException(WORDS.say("theFileHoldsNoFrames"), 0);
            }
            return new MovieProof.Result(facts(), crcs.stream().mapToInt(Integer::intValue).toArray(),
                    Spacing.ofDistances(durations.stream().map(CLOCK::times).toList()));
        } finally {
            avcodec_parameters_free(parameters);
            if (last != null) {
                last.close();
            }
        }
    }

    private Chunk chunk(int at) {
        long length = buffer.getInt(at + 4) & 0xffffffffL;
        if (at + 8 + length > data.length) {
            throw new MediaException(WORDS.say("aChunkAtByteReachesBeyond", at), 0);
        }
        return new Chunk(new String(data, at, 4, StandardCharsets.ISO_8859_1), at + 8, (int) length);
    }

    private int three(int at) {
        return buffer.get(at) & 0xff | (buffer.get(at + 1) & 0xff) << 8 | (buffer.get(at + 2) & 0xff) << 16;
    }

    private void frame(TrackDecoder decoder, Chunk frame) {
        Size size = Size.of(three(frame.from + 6) + 1, three(frame.from + 9) + 1);
        if (three(frame.from) != 0 || three(frame.from + 3) != 0 || !size.equals(canvas)) {
            throw new MediaException(WORDS.say("frameDoesntCoverTheWhole", crcs.size()), 0);
        }
        if (buffer.get(frame.from + MovingStill.FRAME_FLAGS) != MovingStill.NO_BLENDING) {
            throw new MediaException(WORDS.say("frameIsLaidOverTheOneBefore", crcs.size()), 0);
        }
        durations.add(three(frame.from + 12));
        decode(decoder, still(frame, size));
    }

    /** The frame as a file of its own; with alpha beside it, it needs a head that says so. */
    private byte[] still(Chunk frame, Size size) {
        int from = frame.from + FRAME_HEADER;
        ByteBuffer head = ByteBuffer.allocate(30).order(ByteOrder.LITTLE_ENDIAN);
        boolean alpha = chunk(from).name.equals("ALPH");
        int length = frame.from + frame.length - from;
        head.put("RIFF".getBytes(StandardCharsets.ISO_8859_1)).putInt(4 + length + (alpha ? 18 : 0))
                .put("WEBP".getBytes(StandardCharsets.ISO_8859_1));
        if (alpha) {
            head.put("VP8X".getBytes(StandardCharsets.ISO_8859_1)).putInt(10).putInt(0x10);
            for (int edge : new int[] {size.width() - 1, size.height() - 1}) {
                head.put((byte) edge).put((byte) (edge >> 8)).put((byte) (edge >> 16));
            }
        }
        ByteArrayOutputStream still = new ByteArrayOutputStream(length + 30);
        still.write(head.array(), 0, head.position());
        still.write(data, from, length);
        return still.toByteArray();
    }

    private void decode(TrackDecoder decoder, byte[] still) {
        int before = crcs.size();
        decoder.decodeStill(still, picture -> {
            crcs.add(picture.crc32c());
            if (last != null) {
                last.close();
            }
            last = picture;
        });
        if (crcs.size() != before + 1) {
            throw new MediaException(WORDS.say("frameHoldsNoPicture", before), 0);
        }
    }

    private FileFacts facts() {
        long sum = durations.stream().mapToLong(Integer::longValue).sum();
        Rational seconds = CLOCK.times(Math.max(1, sum));
        Rate rate = new Rate(Rational.of(durations.size()).dividedBy(seconds));
        boolean even = true;
        long at = 0;
        for (int i = 0; i < durations.size(); i++) {
            Rational off = CLOCK.times(at).minus(rate.seconds(i));
            even &= off.abs().compareTo(CLOCK) <= 0;
            at += durations.get(i);
        }
        boolean rgb = last.isRgb();
        return new FileFacts(crcs.size(), rate, even, Rational.ZERO, seconds, CLOCK, canvas, PixelAspect.SQUARE, null,
                Container.WEBP.title(), "webp", "unknown", -99,
                8, rgb ? "RGB" : "4:2:0", last.hasAlpha() ? 8 : 0, "unknown", "unknown", "unknown", "unknown", 0, null, false,
                Scan.PROGRESSIVE.title(), loops, data.length, null, null);
    }
}
