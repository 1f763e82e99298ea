package dev.vat.bench;

import static org.bytedeco.ffmpeg.global.avcodec.AV_CODEC_ID_PNG;
import static org.bytedeco.ffmpeg.global.avcodec.av_new_packet;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_alloc;
import static org.bytedeco.ffmpeg.global.avcodec.av_packet_unref;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_alloc_context3;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_find_decoder;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_open2;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_receive_frame;
import static org.bytedeco.ffmpeg.global.avcodec.avcodec_send_packet;
import static org.bytedeco.ffmpeg.global.avutil.av_dict_set;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_unref;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureChoice;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.source.FileKind;
import dev.vat.core.source.Sequence;
import dev.vat.engine.source.SourceFinder;
import dev.vat.engine.viewer.Viewer;
import dev.vat.media.read.FrameReader;
import dev.vat.protocol.ViewerMessage;
import dev.vat.protocol.demo.DemoShot;
import dev.vat.protocol.storage.Places;
import dev.vat.scene.Shot;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.LongStream;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVPacket;
import org.bytedeco.ffmpeg.avutil.AVDictionary;
import org.bytedeco.ffmpeg.avutil.AVFrame;

/** Checking frames against the bare decode loop, and how soon a picture is there. */
final class Inputs {

    private static final int FRAMES = 1000;
    private static final int PICTURES = 24;

    private final Path home;
    private final int rounds;

    Inputs(Path home, int rounds) {
        this.home = home;
        this.rounds = rounds;
    }

    /** One decoder with nothing around it. */
    private static final class Bare {
        private final AVCodecContext context = avcodec_alloc_context3(avcodec_find_decoder(AV_CODEC_ID_PNG));
        private final AVPacket packet = av_packet_alloc();
        private final AVFrame frame = av_frame_alloc();

        Bare() {
            context.thread_count(1);
            AVDictionary options = new AVDictionary(null);
            av_dict_set(options, "err_detect", "crccheck+bitstream+buffer+explode", 0);
            BareLoop.check(avcodec_open2(context, context.codec(), options));
        }

        int decode(Path file) throws IOException {
            byte[] data = Files.readAllBytes(file);
            BareLoop.check(av_new_packet(packet, data.length));
            packet.data().put(data, 0, data.length);
            packet.flags(1);
            BareLoop.check(avcodec_send_packet(context, packet));
            av_packet_unref(packet);
            BareLoop.check(avcodec_receive_frame(context, frame));
            int width = frame.width();
            av_frame_unref(frame);
            return width;
        }
    }

    private interface Work {
        Object on(Path file) throws IOException;
    }

    void run() throws Exception {
        Path folder = Material.repeated(home, Material.frames(home, 48), FRAMES);
        Sequence sequence = SourceFinder.find(folder).sequences().getFirst();
        double[] bare = new double[rounds];
        double[] header = new double[rounds];
        double[] full = new double[rounds];
        for (int round = 0; round < rounds; round++) {
            bare[round] = seconds(sequence, () -> {
                Bare decoder = new Bare();
                return decoder::decode;
            });
            full[round] = seconds(sequence, () -> {
                FrameReader reader = new FrameReader();
                return file -> reader.check(file, FileKind.PNG, PictureChoice.MAIN, 1).look().pixels();
            });
            header[round] = seconds(sequence, () -> {
                FrameReader reader = new FrameReader();
                return file -> reader.header(file, FileKind.PNG, PictureChoice.MAIN, 1).format();
            });
        }
        System.out.printf(Locale.ROOT, "%d frames of 1920x1080 16-bit PNG, %d threads: bare decode %.2f s, full check %.2f s (x%.3f), "
                + "headers %.2f s (x%.3f)%n",
                FRAMES, threads(), Figures.median(bare), Figures.median(full), Figures.median(full) / Figures.median(bare),
                Figures.median(header), Figures.median(header) / Figures.median(bare));
        pictures(Sequence.of(home.resolve("dunes-1920"), DemoShot.DUNES.pattern(), FileKind.PNG,
                LongStream.range(1001, 1049).toArray(), new long[48], new long[48]));
    }

    private static int threads() {
        return Runtime.getRuntime().availableProcessors();
    }

    /** Every frame once, shared out among threads with a station each. */
    private static double seconds(Sequence sequence, Supplier<Work> station) throws Exception {
        AtomicInteger next = new AtomicInteger();
        long start = System.nanoTime();
        try (ExecutorService pool = Executors.newFixedThreadPool(threads())) {
            List<Future<?>> all = new ArrayList<>();
            for (int t = 0; t < threads(); t++) {
                all.add(pool.submit(() -> {
                    Work work = station.get();
                    for (int i = next.getAndIncrement(); i < sequence.count(); i = next.getAndIncrement()) {
                        if (work.on(sequence.file(sequence.number(i))) == null) {
                            throw new IllegalStateException("nothing came of a frame");
                        }
                    }
                    return null;
                }));
            }
            for (Future<?> each : all) {
                each.get();
            }
        }
        return (System.nanoTime() - start) / 1e9;
    }

    /** From the wish to the picture, through the viewer process, as a multiple of the bare decode of the same frame. */
    private void pictures(Sequence sequence) throws Exception {
        Bare bare = new Bare();
        double[] decode = new double[PICTURES];
        double[] shown = new double[PICTURES];
        Places places = Places.in(home.resolve("viewer-home"));
        long start = System.nanoTime();
        double first;
        try (Viewer viewer = new Viewer(places)) {
            show(viewer, sequence, 47);
            first = (System.nanoTime() - start) / 1e9;
            for (int i = 0; i < PICTURES; i++) {
                Path file = sequence.file(sequence.number(i));
                bare.decode(file);
                start = System.nanoTime();
                bare.decode(file);
                decode[i] = (System.nanoTime() - start) / 1e6;
                start = System.nanoTime();
                show(viewer, sequence, i);
                shown[i] = (System.nanoTime() - start) / 1e6;
            }
        }
        System.out.printf(Locale.ROOT, "a picture of 960x540 from one such frame: bare decode %.1f ms, shown after %.1f ms (x%.2f); "
                + "the very first, with the start "
                + "of the process, after %.2f s%n", Figures.median(decode), Figures.median(shown),
                Figures.median(shown) / Figures.median(decode), first);
    }

    private static void show(Viewer viewer, Sequence sequence, int index) {
        long number = sequence.number(index);
        viewer.picture(
                new ViewerMessage.Made(
                        Recipe.Frame.of(sequence.file(number).toString(), FileKind.PNG, number, PictureReading.of(AlphaKind.NONE, false))),
                new ViewerMessage.Shape(960, 540, null, ViewerMessage.Showing.COLOUR, null)).join().close();
    }
}
