package dev.vat.media.picture;

import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_ALPHA;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_PAL;
import static org.bytedeco.ffmpeg.global.avutil.AV_PIX_FMT_FLAG_RGB;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_alloc;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_clone;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_copy;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_copy_props;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_free;
import static org.bytedeco.ffmpeg.global.avutil.av_frame_get_buffer;
import static org.bytedeco.ffmpeg.global.avutil.av_get_bits_per_pixel;
import static org.bytedeco.ffmpeg.global.avutil.av_image_get_linesize;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_count_planes;
import static org.bytedeco.ffmpeg.global.avutil.av_pix_fmt_desc_get;

import dev.vat.core.words.Words;
import dev.vat.media.lib.Av;
import dev.vat.media.lib.MediaException;
import java.lang.foreign.MemorySegment;
import java.lang.ref.Cleaner;
import java.util.function.Consumer;
import java.util.zip.CRC32C;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.ffmpeg.avutil.AVPixFmtDescriptor;

/**
 * One picture in native memory, top left first. Whoever gets one from a method closes it; {@link #share} makes a second
 * owner of the same samples, which nobody may write to from then on. One that nobody closed is let go when it is found, and told of in
 * {@link Unclosed}.
 */
public final class Picture implements AutoCloseable {

    private static final Words WORDS = Words.of(Picture.class);

    private static final Cleaner CLEANER = Cleaner.create();

    /** The native side, which outlives a picture that nobody closed. */
    private static final class Held implements Runnable {
        private final Throwable made = Unclosed.trace();
        private AVFrame frame;

        Held(AVFrame frame) {
            this.frame = frame;
        }

        void free() {
            if (frame != null) {
                av_frame_free(frame);
                frame = null;
            }
        }

        /** Nobody has the picture any more. */
        @Override
        public void run() {
            if (frame != null) {
                Unclosed.found(frame.width() + "x" + frame.height(), made);
                free();
            }
        }
    }

    private final Held held;
    private final Cleaner.Cleanable cleanable;

    private Picture(AVFrame frame) {
        held = new Held(frame);
        cleanable = CLEANER.register(this, held);
    }

    /** Takes the frame over. Rows that run from the bottom up, as uncompressed AVI has them, are laid the other way round. */
    public static Picture owning(AVFrame frame) {
        return new Picture(isBottomUp(frame) ? topDown(frame) : frame);
    }

    private static boolean isBottomUp(AVFrame frame) {
        for (int plane = 0; plane < 4; plane++) {
            if (frame.linesize(plane) < 0) {
                return true;
            }
        }
        return false;
    }

    private static AVFrame topDown(AVFrame frame) {
        AVFrame turned = av_frame_alloc();
        try {
            turned.format(frame.format()).width(frame.width()).height(frame.height());
            Av.check(av_frame_get_buffer(turned, 0), WORDS.say("noMemoryForAPictureOfX", frame.width(), frame.height()));
            Av.check(av_frame_copy(turned, frame), WORDS.say("layingRowsFromTheTopDown"));
            Av.check(av_frame_copy_props(turned, frame), WORDS.say("layingRowsFromTheTopDown"));
            return turned;
        } catch (MediaException e) {
            av_frame_free(turned);
            throw e;
        } finally {
            av_frame_free(frame);
        }
    }

    public static Picture allocate(String format, int width, int height) {
        AVFrame frame = av_frame_alloc();
        frame.format(Av.format(format)).width(width).height(height);
        try {
            Av.check(av_frame_get_buffer(frame, 0), WORDS.say("noMemoryForAPictureOfX", width, height));
        } catch (MediaException e) {
            av_frame_free(frame);
            throw e;
        }
        return new Picture(frame);
    }

    /** A new picture that is filled before anybody gets it; if that fails it is let go. */
    public static Picture filled(String format, int width, int height, Consumer<Picture> fill) {
        Picture picture = allocate(format, width, height);
        try {
            fill.accept(picture);
            return picture;
        } catch (RuntimeException | Error e) {
            picture.close();
            throw e;
        }
    }

    public AVFrame frame() {
        AVFrame frame = held.frame;
        if (frame == null) {
            throw new IllegalStateException("This picture is closed");
        }
        return frame;
    }

    public Picture share() {
        AVFrame copy = av_frame_clone(frame());
        if (copy == null) {
            throw new MediaException(WORDS.say("noMemoryToShareAPicture"), 0);
        }
        return new Picture(copy);
    }

    public int width() {
        return frame().width();
    }

    public int height() {
        return frame().height();
    }

    /** The library's name for how samples are laid out: {@code gbrp16le}. */
    public String formatName() {
        return Av.formatName(frame().format());
    }

    /** The same picture without what lies to the right and below; colour has to be as fine as brightness. */
    public Picture cutTo(int width, int height) {
        frame().width(width).height(height);
        return this;
    }

    public boolean hasAlpha() {
        return (descriptor().flags() & AV_PIX_FMT_FLAG_ALPHA) != 0;
    }

    public boolean isRgb() {
        return (descriptor().flags() & AV_PIX_FMT_FLAG_RGB) != 0;
    }

    public int bits() {
        return descriptor().comp(0).depth();
    }

    long bytes() {
        return (long) av_get_bits_per_pixel(descriptor()) * width() * height() / 8;
    }

    public AVPixFmtDescriptor descriptor() {
        return av_pix_fmt_desc_get(frame().format());
    }

    public int planes() {
        return av_pix_fmt_count_planes(frame().format());
    }

    public int planeHeight(int plane) {
        AVPixFmtDescriptor descriptor = descriptor();
        boolean chroma = (plane == 1 || plane == 2) && (descriptor.flags() & AV_PIX_FMT_FLAG_RGB) == 0;
        return chroma ? -(-height() >> descriptor.log2_chroma_h()) : height();
    }

    /** Bytes of a row that carry samples; rows may be further apart. */
    public int rowBytes(int plane) {
        return Av.check(av_image_get_linesize(frame().format(), width(), plane), WORDS.say("rowLength"));
    }

    public int stride(int plane) {
        return frame().linesize(plane);
    }

    /** A plane's memory, valid until this picture is closed; its rows run from the top down. */
    @SuppressWarnings("restricted")
    public MemorySegment plane(int plane) {
        return MemorySegment.ofAddress(frame().data(plane).address())
                .reinterpret((long) stride(plane) * planeHeight(plane));
    }

    boolean isPalette() {
        return (descriptor().flags() & AV_PIX_FMT_FLAG_PAL) != 0;
    }

    /** The 256 colours of a picture with indexed ones, A R G B from the highest byte down. */
    @SuppressWarnings("restricted")
    MemorySegment palette() {
        return MemorySegment.ofAddress(frame().data(1).address()).reinterpret(1024);
    }

    /** Copies one plane's samples into another picture of the same size and layout of that plane. */
    public void copyPlane(int plane, Picture to) {
        MemorySegment source = plane(plane);
        MemorySegment target = to.plane(plane);
        int row = rowBytes(plane);
        int from = stride(plane);
        int into = to.stride(plane);
        int rows = planeHeight(plane);
        if (from == into && from > 0) {
            // One long stretch, with what lies between rows.
            MemorySegment.copy(source, 0, target, 0, (long) (rows - 1) * from + row);
            return;
        }
        for (int y = 0; y < rows; y++) {
            MemorySegment.copy(source, (long) y * from, target, (long) y * into, row);
        }
    }

    /** CRC32C over the samples of all planes, row by row, without what lies between rows. */
    public int crc32c() {
        CRC32C crc = new CRC32C();
        for (int p = 0; p < planes(); p++) {
            MemorySegment plane = plane(p);
            int rowBytes = rowBytes(p);
            long stride = stride(p);
            for (int y = 0; y < planeHeight(p); y++) {
                crc.update(plane.asSlice(y * stride, rowBytes).asByteBuffer());
            }
        }
        return (int) crc.getValue();
    }

    @Override
    public void close() {
        held.free();
        cleanable.clean();
    }
}
