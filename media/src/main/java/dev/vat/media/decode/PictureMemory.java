package dev.vat.media.decode;

import static org.bytedeco.ffmpeg.global.avcodec.avcodec_align_dimensions2;
import static org.bytedeco.ffmpeg.global.avutil.AVERROR_ENOMEM;
import static org.bytedeco.ffmpeg.global.avutil.av_buffer_pool_get;
import static org.bytedeco.ffmpeg.global.avutil.av_buffer_pool_init;
import static org.bytedeco.ffmpeg.global.avutil.av_buffer_pool_uninit;
import static org.bytedeco.ffmpeg.global.avutil.av_image_fill_arrays;
import static org.bytedeco.ffmpeg.global.avutil.av_image_get_buffer_size;

import org.bytedeco.ffmpeg.avcodec.AVCodecContext;
import org.bytedeco.ffmpeg.avcodec.AVCodecContext.Get_buffer2_AVCodecContext_AVFrame_int;
import org.bytedeco.ffmpeg.avutil.AVBufferPool;
import org.bytedeco.ffmpeg.avutil.AVBufferRef;
import org.bytedeco.ffmpeg.avutil.AVFrame;
import org.bytedeco.javacpp.IntPointer;

/**
 * Memory for decoded pictures, used again from file to file although each file has a decoder of its own: fresh memory costs a tenth of what
 * a plain file takes to be read. What the file before left there is still in it: only for decoders that write every sample or fail.
 * Belongs to one thread; pictures may outlive it.
 */
final class PictureMemory implements AutoCloseable {

    private static final int ALIGNED = 64;
    private static final int PLANES = 8;
    /** Decoders write a little beyond the last row. */
    private static final int SLACK = 1024;

    /** The library's binding has room for a few functions of a kind only: this one serves all, each on the thread that decodes. */
    private static final Get_buffer2_AVCodecContext_AVFrame_int GIVING = new Get_buffer2_AVCodecContext_AVFrame_int() {
        @Override
        public int call(AVCodecContext context, AVFrame frame, int flags) {
            PictureMemory memory = SERVING.get();
            return memory == null ? AVERROR_ENOMEM() : memory.give(context, frame);
        }
    };
    private static final ThreadLocal<PictureMemory> SERVING = new ThreadLocal<>();

    private final IntPointer alignment = new IntPointer(PLANES);
    private AVBufferPool pool;
    private int size;

    /** Lets a decoder take its memory from here, as long as it decodes on this thread and no other is served on it. */
    void serve(AVCodecContext context) {
        SERVING.set(this);
        context.get_buffer2(GIVING);
    }

    private int give(AVCodecContext context, AVFrame frame) {
        IntPointer width = new IntPointer(1).put(frame.width());
        IntPointer height = new IntPointer(1).put(frame.height());
        try (width; height) {
            avcodec_align_dimensions2(context, width, height, alignment);
            int needed = av_image_get_buffer_size(frame.format(), width.get(), height.get(), ALIGNED);
            AVBufferRef buffer = needed < 0 ? null : buffer(needed + SLACK);
            if (buffer == null) {
                return AVERROR_ENOMEM();
            }
            frame.buf(0, buffer);
            frame.extended_data(frame.data());
            return Math.min(0,
                    av_image_fill_arrays(frame.data(), frame.linesize(), buffer.data(), frame.format(), width.get(), height.get(),
                            ALIGNED));
        }
    }

    private AVBufferRef buffer(int bytes) {
        if (bytes != size) {
            letGo();
            pool = av_buffer_pool_init(bytes, null);
            size = bytes;
        }
        AVBufferRef buffer = pool == null || pool.isNull() ? null : av_buffer_pool_get(pool);
        return buffer == null || buffer.isNull() ? null : buffer;
    }

    /** What is in use stays until its pictures are closed. */
    private void letGo() {
        if (pool != null) {
            av_buffer_pool_uninit(pool);
            pool = null;
        }
    }

    @Override
    public void close() {
        letGo();
        SERVING.remove();
        alignment.close();
    }
}
